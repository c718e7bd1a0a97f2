package org.evenhand.bench;

import java.util.Collection;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** The command {@code even-hand bench}. */
public final class Bench {
    private Bench() {}

    public static void main(String[] arguments) throws RunnerException {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include(FlowerClockBenchmark.class.getName())
                        .jvmArgsAppend("-Xmx1g")
                        .build())
                .run();
        double clockMillis = millis(results, "clockTenThousandTrees");
        double monteCarloMillis = millis(results, "monteCarloTwentyTrees") / 20;
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

    private static double millis(Collection<RunResult> results, String name) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + name))
                .mapToDouble(r -> r.getPrimaryResult().getScore())
                .findFirst()
                .orElseThrow();
    }
}
