/**
 * What is done in the coming visits: which of them are made, what is collected in each, and which pollen goes to which flowers.
 *
 * <p>Begin with {@link org.evenhand.core.planning.PlanningProblem}, which holds all a plan is made from, then {@link
 * org.evenhand.core.planning.PollenAllocationSolver} and its {@link org.evenhand.core.planning.SolvedPlan}. Visits stand in time order
 * and are named by their place in it, from 0. Minutes and doses a flower are exact decimals; a worth is in flowers that set a fruit, times
 * what such a fruit is worth to the grower.
 */
@NullMarked
package org.evenhand.core.planning;

import org.jspecify.annotations.NullMarked;
