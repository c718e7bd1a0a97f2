package org.evenhand.bench;

import java.util.Locale;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.openjdk.jmh.runner.RunnerException;

/** The command {@code even-hand bench plan}: a week of rounds planned, and what that is worth against the most promising first. */
public final class PlanLoad {
    private PlanLoad() {}

    public static void main(String[] arguments) throws RunnerException {
        RoundRequest request = ManyRounds.week().request();
        RoundPlan plan = RoundPlan.of(request);
        double greedy = GreedyPlan.value(request);
        Measured measured = Measured.of(PlanBenchmark.class);
        System.out.printf(
                Locale.ROOT,
                "%nplan of %d trees × %d lots × %d visits: %.0f ms, at most %.2f %% short of the best; after a pin %.0f ms;"
                        + " greedily %.0f ms; an evening of 16 trees %.0f ms%n",
                ManyRounds.TREES,
                ManyRounds.LOTS,
                ManyRounds.ROUNDS,
                measured.millis("plan"),
                100 * (plan.bound() - plan.value()) / plan.bound(),
                measured.millis("planAfterAPin"),
                measured.millis("greedy"),
                measured.millis("evening"));
        System.out.printf(
                Locale.ROOT,
                "%d stops worth %.1f flowers; greedily, within the same hours, %.1f: %.3f times as much%n",
                plan.stops().size(),
                plan.value(),
                greedy,
                plan.value() / greedy);
    }
}
