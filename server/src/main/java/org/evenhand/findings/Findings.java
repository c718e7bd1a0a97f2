package org.evenhand.findings;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.findings.Proportion;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.findings.FindingsView.Finding;
import org.evenhand.findings.FindingsView.SetRate;
import org.evenhand.fruitset.FruitChecks;
import org.evenhand.kit.Caller;
import org.evenhand.round.PollinationView;
import org.evenhand.round.Pollinations;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts the latest check of every pollination together into shares. */
@Service
class Findings {
    private final Pollinations pollinations;
    private final FruitChecks checks;

    Findings(Pollinations pollinations, FruitChecks checks) {
        this.pollinations = pollinations;
        this.checks = checks;
    }

    @Transactional(readOnly = true)
    FindingsView of(Caller caller) {
        Map<UUID, CheckOutcome> outcomes = checks.latestOutcomes(caller);
        List<PollinationView> all = pollinations.all(caller);
        List<Proportion> decided = all.stream()
                .flatMap(p -> Optional.ofNullable(outcomes.get(p.id())).stream())
                .flatMap(outcome -> outcome.setRate().stream())
                .toList();
        return new FindingsView(
                Proportion.pooled(decided).map(SetRate::of).orElse(null),
                all.stream().map(p -> finding(p, outcomes.get(p.id()))).toList());
    }

    private static Finding finding(PollinationView pollination, CheckOutcome outcome) {
        if (outcome == null) {
            return new Finding(pollination, pollination.flowers(), 0, false, null);
        }
        return new Finding(
                pollination,
                outcome.unknown(),
                outcome.notFound(),
                true,
                outcome.setRate().map(SetRate::of).orElse(null));
    }
}
