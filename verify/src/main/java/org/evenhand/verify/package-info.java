/**
 * Runs reference cases, computed by somebody else, through the core and prints where they differ.
 *
 * <p>{@link org.evenhand.verify.Verify} is the command; a {@link org.evenhand.verify.Topic} turns the inputs of one kind of case
 * into what the core answers; {@link org.evenhand.verify.Comparison} holds the answer against what was expected.
 */
package org.evenhand.verify;
