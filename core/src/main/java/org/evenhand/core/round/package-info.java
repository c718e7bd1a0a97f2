/**
 * The round: which jar to which tree, how many flowers, in which order.
 *
 * <p>{@link org.evenhand.core.round.RoundRequest} says what there is, {@link org.evenhand.core.round.RoundPlan} what to do with
 * it, {@link org.evenhand.core.round.WalkingOrder} in which order to walk.
 */
package org.evenhand.core.round;
