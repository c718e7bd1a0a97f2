package org.evenhand.core.statistics;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * What share of flowers still holds, day by day, when not all could be followed to the end: the product-limit estimate of Kaplan &amp;
 * Meier 1958, JASA 53:457-481, with Greenwood's standard error and an interval that is even on one of three {@link Scale}s.
 *
 * @param steps one for each time at which something was lost, in order
 * @param followed how many there were in all
 * @param lost how many of them were lost
 */
public record KaplanMeier(List<Step> steps, int followed, int lost) {
    /** A product of shares that should be one half may be off by so much. */
    private static final double ROUNDING = 1e-9;

    private static final NormalDistribution STANDARD_NORMAL = NormalDistribution.of(0, 1);

    public KaplanMeier {
        steps = List.copyOf(steps);
    }

    /** The scale on which an interval is even on both sides; ends beyond 0 and 1 are cut there. */
    public enum Scale {
        /** S itself. */
        PLAIN,
        /** log S. */
        LOG,
        /** log(−log S), which never leaves 0 to 1. */
        LOG_LOG
    }

    /**
     * What happened at one time.
     *
     * @param time days, 0 or more
     * @param lost how many were lost then
     * @param censored how many were last seen then, still there
     */
    public record At(double time, int lost, int censored) {
        public At {
            Require.within("time", time, 0, Double.MAX_VALUE);
            Require.within("lost", lost, 0, Integer.MAX_VALUE);
            Require.within("censored", censored, 0, Integer.MAX_VALUE);
        }
    }

    /**
     * The estimate from a time on.
     *
     * @param atRisk how many were followed until then
     * @param standardError Greenwood's; absent where nothing is left
     * @param interval absent where nothing is left
     */
    public record Step(
            double time,
            int atRisk,
            int lost,
            double share,
            OptionalDouble standardError,
            Optional<Proportion.Interval> interval) {}

    /**
     * The estimate.
     *
     * @param happened any order; of several at one time the sum counts. What is censored at a time was at risk at it
     * @param confidence in (0, 1)
     * @throws InvalidInputException where nobody was followed
     */
    public static KaplanMeier of(List<At> happened, double confidence) {
        return of(happened, confidence, Scale.LOG_LOG);
    }

    /**
     * The estimate with its intervals on a scale of one's choice.
     *
     * @throws InvalidInputException if {@code confidence} or {@code times} is not valid
     */
    public static KaplanMeier of(List<At> happened, double confidence, Scale scale) {
        if (!(confidence > 0 && confidence < 1)) {
            throw new InvalidInputException("confidence", "is " + confidence + "; it must lie between 0 and 1.");
        }
        TreeMap<Double, At> byTime = byTime(happened);
        int followed = followed(byTime.values());
        if (followed == 0) {
            throw new InvalidInputException("times", "are of nobody; at least one flower must have been followed.");
        }
        double z = STANDARD_NORMAL.inverseSurvivalProbability((1 - confidence) / 2);
        List<Step> steps = new ArrayList<>();
        int atRisk = followed;
        double share = 1;
        double variance = 0;
        for (At at : byTime.values()) {
            if (at.lost() > 0) {
                share *= 1 - (double) at.lost() / atRisk;
                variance += (double) at.lost() / atRisk / (atRisk - at.lost());
                steps.add(step(at, atRisk, share, variance, z, scale));
            }
            atRisk -= at.lost() + at.censored();
        }
        return new KaplanMeier(
                steps, followed, steps.stream().mapToInt(Step::lost).sum());
    }

    private static Step step(At at, int atRisk, double share, double variance, double z, Scale scale) {
        if (at.lost() == atRisk) {
            return new Step(at.time(), atRisk, at.lost(), 0, OptionalDouble.empty(), Optional.empty());
        }
        return new Step(
                at.time(),
                atRisk,
                at.lost(),
                share,
                OptionalDouble.of(share * Math.sqrt(variance)),
                Optional.of(interval(share, z * Math.sqrt(variance), scale)));
    }

    /** @param half standard error of log S, times the normal quantile */
    private static Proportion.Interval interval(double share, double half, Scale scale) {
        double log = Math.log(share);
        return switch (scale) {
            case PLAIN -> new Proportion.Interval(Math.max(0, share - share * half), Math.min(1, share + share * half));
            case LOG -> new Proportion.Interval(share * Math.exp(-half), Math.min(1, share * Math.exp(half)));
            case LOG_LOG -> {
                double odds = half / Math.abs(log);
                yield new Proportion.Interval(Math.exp(log * Math.exp(odds)), Math.exp(log * Math.exp(-odds)));
            }
        };
    }

    /** The sum of what happened at each time, in order. */
    static TreeMap<Double, At> byTime(List<At> happened) {
        TreeMap<Double, At> byTime = new TreeMap<>();
        happened.forEach(h -> byTime.merge(
                h.time(), h, (a, b) -> new At(a.time(), a.lost() + b.lost(), a.censored() + b.censored())));
        return byTime;
    }

    static int followed(Iterable<At> happened) {
        int sum = 0;
        for (At at : happened) {
            sum += at.lost() + at.censored();
        }
        return sum;
    }

    /** The share that holds after a time; 1 before the first loss. */
    public double after(double time) {
        double share = 1;
        for (Step step : steps) {
            share = step.time() <= time ? step.share() : share;
        }
        return share;
    }

    /** The first time at which half or less still holds; empty when that never comes. */
    public OptionalDouble median() {
        return steps.stream()
                .filter(s -> s.share() <= 0.5 + ROUNDING)
                .mapToDouble(Step::time)
                .findFirst();
    }

    /**
     * Whether groups lose alike: the log-rank test, unweighted. Mantel 1966, Cancer Chemother. Rep. 50:163-170.
     *
     * @param chiSquared the statistic
     * @param degreesOfFreedom groups that can be told apart, less one
     * @param p the chance of as large a statistic were all alike
     */
    public record Alike(double chiSquared, int degreesOfFreedom, double p) {}

    /**
     * The test; empty where fewer than two groups were at risk while anything was lost, as there is nothing to compare then.
     *
     * @param groups what happened in each
     */
    public static Optional<Alike> alike(List<List<At>> groups) {
        return LogRankTest.of(
                groups.stream().<Map<Double, At>>map(KaplanMeier::byTime).toList());
    }
}
