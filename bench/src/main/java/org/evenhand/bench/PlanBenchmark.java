package org.evenhand.bench;

import java.util.concurrent.TimeUnit;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
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

/** Planning 200 trees × 60 lots × 6 rounds, anew and after a stop was pinned; and greedily. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class PlanBenchmark {
    private RoundRequest request;
    private RoundRequest pinned;

    @Setup
    public void prepare() {
        request = new ManyRounds().request();
        RoundPlan plan = RoundPlan.of(request);
        pinned = ManyRounds.wanting(request, plan.stops().get(plan.stops().size() / 2));
    }

    @Benchmark
    public double plan() {
        return RoundPlan.of(request).value();
    }

    @Benchmark
    public double planAfterAPin() {
        return RoundPlan.of(pinned).value();
    }

    @Benchmark
    public double greedy() {
        return GreedyPlan.value(request);
    }
}
