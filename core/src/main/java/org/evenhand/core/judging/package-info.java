/**
 * Plants judged by one's own scores, and what a cross would bring by them. A trait has a scale or unit of its own; a score is a number on
 * it. Reading order: {@link org.evenhand.core.judging.TraitScale}, {@link org.evenhand.core.judging.Repeatability} (whether scores of one plant
 * agree), {@link org.evenhand.core.judging.CrossForecast} (seedlings of two parents), {@link org.evenhand.core.judging.Merit} (a shortlist
 * by weights of one's own). Single seedlings differ: whatever is foretold of a cross carries their spread, where any is known. What cannot
 * be is refused with {@link org.evenhand.core.InvalidInputException}.
 */
@NullMarked
package org.evenhand.core.judging;

import org.jspecify.annotations.NullMarked;
