package org.evenhand.core.judging;

import java.util.List;
import java.util.Optional;
import org.apache.commons.statistics.distribution.FDistribution;
import org.evenhand.core.statistics.MeanInterval;
import org.evenhand.core.statistics.Proportion;

/**
 * How well scores of one plant agree: the share of their variance that lies between plants, ICC(1). Shrout &amp; Fleiss 1979, Psychol.
 * Bull. 86:420-428; plants scored unequally often by the usual mean number (Donner 1986, Int. Stat. Rev. 54:67-82), for which the
 * interval is an approximation.
 *
 * @param share at most 1; below 0 where plants differ less than scores of one plant do
 * @param interval that holds it nineteen times in twenty
 * @param plants scored twice or more
 * @param scores of those
 */
public record Repeatability(double share, Proportion.Interval interval, int plants, int scores) {
    private static final double CONFIDENCE = 0.95;

    /** Below this scores say little of a plant, and above the next they say it well; our convention. */
    private static final double LITTLE = 0.4;

    private static final double WELL = 0.6;

    /** Whether scores of one plant agree, as far as is sure. */
    public enum Verdict {
        AGREE,
        HARDLY_AGREE,
        NOT_SURE
    }

    /** By the whole interval: where it lies on both sides nothing is sure. */
    public Verdict verdict() {
        if (interval.upper() < LITTLE) {
            return Verdict.HARDLY_AGREE;
        }
        return interval.lower() > WELL ? Verdict.AGREE : Verdict.NOT_SURE;
    }

    /**
     * @param byPlant scores of each plant; those scored once say nothing of it
     * @return empty where fewer than two plants were scored twice, or all scores are the same
     */
    public static Optional<Repeatability> of(List<List<Double>> byPlant) {
        List<List<Double>> repeated = byPlant.stream().filter(p -> p.size() > 1).toList();
        int plants = repeated.size();
        if (plants < 2) {
            return Optional.empty();
        }
        int scores = repeated.stream().mapToInt(List::size).sum();
        double mean = MeanInterval.of(repeated.stream().flatMap(List::stream).toList())
                .mean();
        double between = 0;
        double within = 0;
        double squares = 0;
        for (List<Double> plant : repeated) {
            MeanInterval own = MeanInterval.of(plant);
            between += plant.size() * (own.mean() - mean) * (own.mean() - mean);
            within += own.sumOfSquares();
            squares += (double) plant.size() * plant.size();
        }
        if (between + within == 0) {
            return Optional.empty();
        }
        double often = (scores - squares / scores) / (plants - 1);
        return Optional.of(of(between / (plants - 1), within / (scores - plants), often, plants, scores));
    }

    private static Repeatability of(double between, double within, double often, int plants, int scores) {
        FDistribution down = FDistribution.of(plants - 1, scores - plants);
        FDistribution up = FDistribution.of(scores - plants, plants - 1);
        double tail = (1 - CONFIDENCE) / 2;
        return new Repeatability(
                share(between, within, often),
                new Proportion.Interval(
                        share(between / down.inverseSurvivalProbability(tail), within, often),
                        share(between * up.inverseSurvivalProbability(tail), within, often)),
                plants,
                scores);
    }

    private static double share(double between, double within, double often) {
        return (between - within) / (between + (often - 1) * within);
    }
}
