package org.evenhand.bench;

import java.time.ZoneId;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import org.evenhand.core.weather.Site;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** The flower clock for 10 000 trees × 72 h at ten-minute steps, and one tree by plain Monte Carlo, one thread each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 5)
@Measurement(iterations = 7)
public class FlowerClockBenchmark {
    private Orchard10k orchard;
    private PlainMonteCarlo monteCarlo;

    @Setup
    public void prepare() {
        orchard = new Orchard10k();
        Site coast = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
        monteCarlo = new PlainMonteCarlo(orchard, PlainMonteCarlo.windowsOf(orchard, coast));
    }

    @Benchmark
    public double clockTenThousandTrees() {
        return orchard.forecastAll();
    }

    /** Twenty trees in one shot, so that the shot is long enough to be measured. */
    @Benchmark
    public double monteCarloTwentyTrees() {
        double sum = 0;
        for (int tree = 0; tree < 20; tree++) {
            sum += monteCarlo.shares(tree % 3, PlainMonteCarlo.FLOWERS, new SplittableRandom(tree))[100][1];
        }
        return sum;
    }
}
