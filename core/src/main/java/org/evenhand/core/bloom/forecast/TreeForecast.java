package org.evenhand.core.bloom.forecast;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * What the flowers of one tree will do, foreseen from all its readings and those of its variety, buds still to come included. Made by
 * {@link CropForecasts}.
 *
 * <p>Intervals cover what single flowers do, the supply of buds, the variety's development rate, the weather that is only foreseen,
 * and miscounting; docs/MODEL.md tells how well they hold.
 */
public final class TreeForecast {
    private final List<Part> parts;

    /**
     * The tree at one of the development rates that its variety may have.
     *
     * @param weight chance of the rate
     */
    record Part(double weight, ForecastStart start, TreeEstimate estimate) {}

    TreeForecast(List<Part> parts) {
        this.parts = List.copyOf(parts);
    }

    List<Part> parts() {
        return parts;
    }

    /**
     * The forecast at several moments.
     *
     * @param moments in rising order; one before the forecast's start stands for the start
     */
    public List<ForecastPoint> at(List<Instant> moments) {
        List<PhaseChances> chances =
                parts.stream().map(p -> p.start.phases(moments)).toList();
        List<ForecastPoint> points = new ArrayList<>();
        for (int i = 0; i < moments.size(); i++) {
            points.add(new ForecastPoint(moments.get(i), count(chances, i, false), count(chances, i, true)));
        }
        return points;
    }

    /** Expected flowers in a phase at many moments under the weather as foreseen, in longer steps. */
    double[] roughly(List<Instant> moments, boolean sheds) {
        double[] means = new double[moments.size()];
        for (Part part : parts) {
            PhaseChances chances = part.start.roughly(moments);
            for (int i = 0; i < means.length; i++) {
                means[i] += part.weight * chances.mean(part.estimate, i, sheds);
            }
        }
        return means;
    }

    /** Mean and variance over the rates: the spread within each and of their means. */
    private FlowerCount count(List<PhaseChances> chances, int moment, boolean sheds) {
        double mean = 0;
        double square = 0;
        for (int p = 0; p < parts.size(); p++) {
            Part part = parts.get(p);
            double own = chances.get(p).mean(part.estimate, moment, sheds);
            mean += part.weight * own;
            square += part.weight * (chances.get(p).variance(part.estimate, moment, sheds) + own * own);
        }
        return FlowerCount.of(mean, Math.max(0, square - mean * mean));
    }

    /** Expected flowers in each stage of the sheet at a moment not before the forecast's start. */
    public double[] stagesAt(Instant moment) {
        double[] totals = new double[parts.get(0).start.model().clock().stageCount()];
        parts.forEach(p -> addStages(p, p.estimate.mean(), moment, totals));
        return totals;
    }

    /** The same of the flowers that are on the tree when the forecast starts, and last those of them past all stages. */
    double[] stagesOfThoseThere(Instant moment) {
        double[] totals = new double[parts.get(0).start.model().clock().stageCount() + 1];
        double all = 0;
        for (Part part : parts) {
            double[] there = part.estimate.mean().clone();
            Arrays.fill(there, part.start.model().compartments(), there.length, 0);
            addStages(part, there, moment, totals);
            all += part.weight * Arrays.stream(there).sum();
        }
        totals[totals.length - 1] = all - Arrays.stream(totals).sum();
        return totals;
    }

    private static void addStages(Part part, double[] flowers, Instant moment, double[] totals) {
        double[] compartments = ForecastStart.weighed(flowers, part.start.places(moment));
        for (int c = 0; c < compartments.length; c++) {
            totals[part.start.model().clock().stageOfCompartment(c)] += part.weight * compartments[c];
        }
    }
}
