package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.evenhand.core.bloom.clock.BloomConditions;

/**
 * For a flower in any compartment at a starting moment, and for a bud of any day to come: the chance that it is receptive, and that it
 * sheds, at each later moment. Computed once for a clock, so that any number of trees can be foreseen by a sum.
 *
 * <p>Where the weather is only foreseen, the chances are the mean over several courses of it, each of which is kept beside: with gates
 * that mean is not the course in the middle.
 */
final class PhaseChances {
    /** Longest step where several courses of the weather are followed: its error is far below their own. */
    private static final double COARSE_HOURS = 0.5;

    private final FlowerModel model;
    private final double from;
    private final int daysAhead;
    private final double[] hours;
    private final TreeEstimate.Chances[] receptive;
    private final TreeEstimate.Chances[] shedding;
    private final List<TreeEstimate.Chances[]> receptiveByCourse = new ArrayList<>();
    private final List<TreeEstimate.Chances[]> sheddingByCourse = new ArrayList<>();

    /**
     * @param from hour of the starting moment
     * @param daysAhead days to come whose buds are followed, the running one included
     * @param hours not before {@code from}, in rising order
     * @param courses the weather that may come, each as likely as the others; none where it is known
     */
    PhaseChances(FlowerModel model, double from, int daysAhead, double[] hours, List<BloomConditions> courses) {
        this.model = model;
        this.from = from;
        this.daysAhead = daysAhead;
        this.hours = hours.clone();
        double[][] receives = new double[hours.length][model.compartments() + daysAhead];
        double[][] sheds = new double[hours.length][model.compartments() + daysAhead];
        if (courses.isEmpty()) {
            follow(model, receives, sheds);
        }
        FlowerModel coarse = model.withLongestStepHours(COARSE_HOURS);
        for (BloomConditions course : courses) {
            double[][] ownReceives = new double[hours.length][model.compartments() + daysAhead];
            double[][] ownSheds = new double[hours.length][model.compartments() + daysAhead];
            follow(coarse.under(course), ownReceives, ownSheds);
            add(ownReceives, 1.0 / courses.size(), receives);
            add(ownSheds, 1.0 / courses.size(), sheds);
            receptiveByCourse.add(chances(ownReceives));
            sheddingByCourse.add(chances(ownSheds));
        }
        this.receptive = chances(receives);
        this.shedding = chances(sheds);
    }

    private static TreeEstimate.Chances[] chances(double[][] all) {
        return Arrays.stream(all).map(TreeEstimate.Chances::of).toArray(TreeEstimate.Chances[]::new);
    }

    private static void add(double[][] more, double weight, double[][] sums) {
        for (int i = 0; i < sums.length; i++) {
            for (int c = 0; c < sums[i].length; c++) {
                sums[i][c] += weight * more[i][c];
            }
        }
    }

    private void follow(FlowerModel under, double[][] receives, double[][] sheds) {
        FlowersToCome flowers = new FlowersToCome(under, from, daysAhead);
        double[] receptiveRow = under.indicator(under.receptive());
        double[] sheddingRow = under.indicator(under.shedding());
        for (int i = 0; i < hours.length; i++) {
            flowers.advanceTo(hours[i]);
            receives[i] = flowers.weighed(receptiveRow);
            sheds[i] = flowers.weighed(sheddingRow);
        }
    }

    double mean(TreeEstimate tree, int moment, boolean sheds) {
        return tree.expected((sheds ? shedding : receptive)[moment]);
    }

    /** Variance of the number of flowers in the phase: the tree's doubt, single flowers, and the weather to come. */
    double variance(TreeEstimate tree, int moment, boolean sheds) {
        double mean = mean(tree, moment, sheds);
        double variance = tree.variance((sheds ? shedding : receptive)[moment]);
        List<TreeEstimate.Chances[]> courses = sheds ? sheddingByCourse : receptiveByCourse;
        for (TreeEstimate.Chances[] course : courses) {
            double off = tree.expected(course[moment]) - mean;
            variance += off * off / courses.size();
        }
        return variance;
    }
}
