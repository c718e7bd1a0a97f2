package org.evenhand.core.bloom.clock;

import java.util.Arrays;

/**
 * Expected flowers in each compartment of a {@link FlowerClock}: the sub-phases of each stage in order, behind the last one of a
 * gated stage the flowers that wait at its gate, and at the very end the flowers past the last stage.
 */
public final class FlowerState {
    private final FlowerClock clock;
    private final double[] flowers;

    public FlowerState(FlowerClock clock, double[] flowers) {
        this.clock = clock;
        this.flowers = flowers;
    }

    /** Expected flowers in each stage, and last those past the last stage. */
    public double[] stageTotals() {
        double[] totals = new double[clock.stageCount() + 1];
        for (int i = 0; i < flowers.length; i++) {
            totals[clock.stageOfCompartment(i)] += flowers[i];
        }
        return totals;
    }

    /** Expected flowers in all, those past the last stage included. */
    public double total() {
        return Arrays.stream(flowers).sum();
    }

    /** Only the flowers of one stage, scaled to one flower; spread evenly over its sub-phases where the model has none there. */
    FlowerState oneFlowerOf(int stage) {
        int from = clock.firstCompartment(stage);
        int to = clock.firstCompartment(stage + 1);
        double sum = Arrays.stream(flowers, from, to).sum();
        double[] one = new double[flowers.length];
        for (int i = from; i < to; i++) {
            one[i] = sum > 1e-9 ? flowers[i] / sum : 0;
        }
        if (!(sum > 1e-9)) {
            int subPhases = clock.stage(stage).subPhases();
            Arrays.fill(one, from, from + subPhases, 1.0 / subPhases);
        }
        return new FlowerState(clock, one);
    }

    /**
     * This state corrected by a count: each stage's total becomes the counted number, the shape inside each stage stays. Flowers
     * past the last stage are forgotten.
     *
     * @param counted flowers of each stage, 0 or more
     */
    public FlowerState correctedBy(double[] counted) {
        double[] corrected = new double[flowers.length];
        for (int stage = 0; stage < counted.length; stage++) {
            double[] one = oneFlowerOf(stage).flowers;
            for (int i = clock.firstCompartment(stage); i < clock.firstCompartment(stage + 1); i++) {
                corrected[i] = counted[stage] * one[i];
            }
        }
        return new FlowerState(clock, corrected);
    }

    /** This state with buds that enter the first stage. */
    public FlowerState withNewBuds(double buds) {
        return withNew(0, buds);
    }

    /** This state with flowers that enter a stage. */
    public FlowerState withNew(int stage, double entering) {
        double[] more = flowers.clone();
        more[clock.firstCompartment(stage)] += entering;
        return new FlowerState(clock, more);
    }

    public FlowerClock clock() {
        return clock;
    }

    public double[] compartments() {
        return flowers.clone();
    }
}
