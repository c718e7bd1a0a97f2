package org.evenhand.fruitset;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.round.PollinationView;
import org.evenhand.round.Pollinations;
import org.evenhand.round.TreeResults;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the fruit says of each tree this season. */
@Component
class SetOfTrees implements TreeResults {
    /** Older flowers are of another season. */
    private static final Duration SEASON = Duration.ofDays(270);

    private final FruitChecks checks;
    private final Pollinations pollinations;
    private final Orchards orchards;

    SetOfTrees(FruitChecks checks, Pollinations pollinations, Orchards orchards) {
        this.checks = checks;
        this.pollinations = pollinations;
        this.orchards = orchards;
    }

    @Override
    @Transactional(readOnly = true)
    public List<Result> of(Caller caller) {
        Map<UUID, CheckOutcome> outcomes = checks.latestOutcomes(caller);
        Instant since = orchards.now(caller).minus(SEASON);
        Map<UUID, Result> sums = new HashMap<>();
        for (PollinationView p : pollinations.since(caller, since)) {
            CheckOutcome outcome = outcomes.get(p.id());
            int taken = outcome == null ? 0 : outcome.taken();
            int failed = outcome == null ? 0 : outcome.failed();
            Result one = new Result(p.treeId(), taken, failed, p.flowers() - taken - failed);
            sums.merge(
                    p.treeId(),
                    one,
                    (a, b) -> new Result(
                            a.treeId(), a.taken() + b.taken(), a.failed() + b.failed(), a.pending() + b.pending()));
        }
        return List.copyOf(sums.values());
    }
}
