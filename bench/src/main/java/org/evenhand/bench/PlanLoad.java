package org.evenhand.bench;

import java.util.Locale;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.openjdk.jmh.runner.RunnerException;

/** The command {@code even-hand bench plan}: a week of rounds planned, and what that is worth against the most promising first. */
public final class PlanLoad {
    private PlanLoad() {}

    public static void main(String[] arguments) throws RunnerException {
        RoundRequest request = new ManyRounds().request();
        RoundPlan plan = RoundPlan.of(request);
        double greedy = GreedyPlan.value(request);
        Measured measured = Measured.of(PlanBenchmark.class);
        System.out.printf(
                Locale.ROOT,
                "%nplan of %d trees × %d lots × %d rounds: %.0f ms, gap %.6f; after a pin %.0f ms (greedily %.0f ms)%n",
                ManyRounds.TREES,
                ManyRounds.LOTS,
                ManyRounds.ROUNDS,
                measured.millis("plan"),
                plan.bound() - plan.value(),
                measured.millis("planAfterAPin"),
                measured.millis("greedy"));
        System.out.printf(
                Locale.ROOT,
                "%d stops worth %.1f flowers; greedily %.1f: %.3f times as much%n",
                plan.stops().size(),
                plan.value(),
                greedy,
                plan.value() / greedy);
    }
}
