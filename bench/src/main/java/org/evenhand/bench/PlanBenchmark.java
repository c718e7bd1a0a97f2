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

/** Planning 200 trees × 60 lots × 12 visits, anew and after a stop was pinned, and greedily; and one evening of 16 trees. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class PlanBenchmark {
    private RoundRequest request;
    private RoundRequest pinned;
    private RoundRequest evening;

    @Setup
    public void prepare() {
        request = ManyRounds.week().request();
        evening = ManyRounds.evening().request();
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
    public double evening() {
        return RoundPlan.of(evening).value();
    }

    @Benchmark
    public double greedy() {
        return GreedyPlan.value(request);
    }
}
