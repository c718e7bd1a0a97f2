package org.evenhand.core.mating;

import org.evenhand.core.Require;
import org.evenhand.core.findings.ShrunkenRatio;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * What flowers showed of a cross.
 *
 * @param flowers flowers of it whose outcome is known
 * @param taken of them, those that took
 * @param otherFlowers flowers of the same seed parent done with other pollen parents that serve it
 * @param otherTaken of them, those that took
 */
public record CrossEvidence(int flowers, int taken, int otherFlowers, int otherTaken) {
    /** Nothing seen yet. */
    public static final CrossEvidence NONE = new CrossEvidence(0, 0, 0, 0);

    /** How many times likelier one explanation must be than the other. Our convention. */
    private static final double CLEARLY = Math.log(20);

    /** Of a cross that does not fit about one flower in a hundred takes, by stray pollen. Our convention. */
    private static final BetaPosterior STRAY = new BetaPosterior(0.5, 49.5);

    /** The other crosses count as so many flowers at most: years and hands differ. Our convention. */
    private static final double MOST_WEIGHT = 40;

    public CrossEvidence {
        Require.within("taken", taken, 0, Require.within("flowers", flowers, 0, 10_000_000));
        Require.within("otherTaken", otherTaken, 0, Require.within("otherFlowers", otherFlowers, 0, 10_000_000));
    }

    /** What it teaches. */
    public enum Lesson {
        FITS,
        DOES_NOT_FIT,
        TOO_LITTLE
    }

    /**
     * The logarithm of the Bayes factor for "fits" (takes as the seed parent's other crosses do) against "does not" (takes by stray
     * pollen only), each beta-binomial.
     */
    public double logBayesFactor() {
        return log(likeOthers()) - log(STRAY);
    }

    public Lesson lesson() {
        double factor = logBayesFactor();
        if (factor >= CLEARLY) {
            return Lesson.FITS;
        }
        return factor <= -CLEARLY ? Lesson.DOES_NOT_FIT : Lesson.TOO_LITTLE;
    }

    /** How this cross does against all of the seed parent's crosses together; 1 where it is the only one. */
    public ShrunkenRatio factor() {
        return otherFlowers == 0
                ? ShrunkenRatio.NONE
                : ShrunkenRatio.of(taken, flowers, taken + otherTaken, flowers + otherFlowers);
    }

    private BetaPosterior likeOthers() {
        double weight = otherFlowers == 0 ? 0 : Math.min(1, MOST_WEIGHT / otherFlowers);
        return new BetaPosterior(1, 1).after(otherTaken * weight, otherFlowers * weight);
    }

    private double log(BetaPosterior belief) {
        return Math.log(belief.next(flowers).probabilities()[taken]);
    }
}
