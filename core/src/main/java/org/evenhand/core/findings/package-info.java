/**
 * What the counts say. Begin with a share and its interval ({@link org.evenhand.core.findings.Proportion}), two of them side by side
 * ({@link org.evenhand.core.findings.TwoShares}) and over strata ({@link org.evenhand.core.findings.PooledRatio}); what holds day by day
 * ({@link org.evenhand.core.findings.Retention}); several causes at once ({@link org.evenhand.core.findings.CauseModel} over {@link
 * org.evenhand.core.findings.LogisticRegression}); trials ({@link org.evenhand.core.findings.TrialSize}, {@link
 * org.evenhand.core.findings.DrawnByLot}). {@link org.evenhand.core.findings.Factor} names what could have made a difference.
 *
 * <p>Shares lie in 0 to 1, times are days. Nothing answers NaN: what cannot be said is absent, or refused with the reason.
 */
package org.evenhand.core.findings;
