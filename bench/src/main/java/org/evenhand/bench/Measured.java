package org.evenhand.bench;

import java.util.Collection;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;

/** What JMH measured of a class of benchmarks, all in one run. */
record Measured(Collection<RunResult> results) {
    static Measured of(Class<?> benchmarks) throws RunnerException {
        return new Measured(new Runner(new OptionsBuilder()
                        .include(benchmarks.getName() + "\\.")
                        .jvmArgsAppend("-Xmx1g")
                        .build())
                .run());
    }

    /** Time of one shot, ms. */
    double millis(String benchmark) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + benchmark))
                .mapToDouble(r -> r.getPrimaryResult().getScore())
                .findFirst()
                .orElseThrow();
    }
}
