/**
 * What the counts of an orchard say, by the means of {@link org.evenhand.core.statistics}. {@link org.evenhand.core.findings.Factor} names
 * what could have made a difference, {@link org.evenhand.core.findings.FactorContrast} compares its levels, {@link
 * org.evenhand.core.findings.AdjustedOdds} looks at several at once; {@link org.evenhand.core.findings.FailureDiagnosis} asks why flowers
 * failed; {@link org.evenhand.core.findings.TrialAnalysis} judges a trial; {@link org.evenhand.core.findings.ShrunkenRatio} is a number
 * learned from few counts.
 *
 * <p>Shares lie in 0 to 1, times are days. Nothing answers NaN: what cannot be said is absent, or refused with the reason.
 */
@NullMarked
package org.evenhand.core.findings;

import org.jspecify.annotations.NullMarked;
