package org.evenhand.bench;

import java.util.Locale;
import org.openjdk.jmh.runner.RunnerException;

/** The command {@code even-hand bench}. */
public final class Bench {
    private Bench() {}

    public static void main(String[] arguments) throws RunnerException {
        Measured measured = Measured.of(FlowerClockBenchmark.class);
        double clockMillis = measured.millis("clockTenThousandTrees");
        double monteCarloMillis = measured.millis("monteCarloTwentyTrees") / 20;
        double perTree = clockMillis / Orchard10k.TREES;
        double error = ClockAccuracy.worstShareError();
        System.out.printf(
                Locale.ROOT,
                "%nflower clock: %d trees × %d h at 10-minute steps in %.0f ms on one core: %.0f trees per second%n",
                Orchard10k.TREES,
                Orchard10k.HOURS,
                clockMillis,
                1000 / perTree);
        System.out.printf(
                Locale.ROOT,
                "plain Monte Carlo of standard error 0.005: %.2f ms a tree; the clock takes %.4f ms, %.0f times less%n",
                monteCarloMillis,
                perTree,
                monteCarloMillis / perTree);
        System.out.printf(
                Locale.ROOT, "the clock's own error against steps of ten seconds: at most %.6f of a flower%n", error);
    }
}
