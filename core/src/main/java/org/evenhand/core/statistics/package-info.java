/**
 * Statistics that several rooms need. Begin with a share and its interval ({@link org.evenhand.core.statistics.Proportion}), two of them
 * side by side ({@link org.evenhand.core.statistics.TwoProportions}) and over strata ({@link
 * org.evenhand.core.statistics.MantelHaenszelRatio}); a belief that grows with counts ({@link
 * org.evenhand.core.statistics.BetaPosterior}); what holds day by day ({@link org.evenhand.core.statistics.KaplanMeier}); several causes
 * at once ({@link org.evenhand.core.statistics.LogisticRegression}); before a trial, how many flowers ({@link
 * org.evenhand.core.statistics.SampleSize}) and in which order ({@link org.evenhand.core.statistics.BlockRandomization}).
 *
 * <p>Shares lie in 0 to 1, times are days. Nothing answers NaN: what cannot be said is absent, or refused with the reason.
 */
@NullMarked
package org.evenhand.core.statistics;

import org.jspecify.annotations.NullMarked;
