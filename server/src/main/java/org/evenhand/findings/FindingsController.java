package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.findings.Proportion;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.fruitset.FruitChecks;
import org.evenhand.kit.Caller;
import org.evenhand.round.PollinationView;
import org.evenhand.round.Pollinations;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/findings")
class FindingsController {
    private final Pollinations pollinations;
    private final FruitChecks checks;

    FindingsController(Pollinations pollinations, FruitChecks checks) {
        this.pollinations = pollinations;
        this.checks = checks;
    }

    /** So many taken of so many decided, with Wilson's interval. */
    @Schema(name = "SetRate")
    record SetRate(int taken, int decided, double share, double lower, double upper, double confidence) {
        static SetRate of(Proportion p) {
            Proportion.Interval interval = p.wilson(Proportion.USUAL_CONFIDENCE);
            return new SetRate(
                    p.successes(),
                    p.trials(),
                    p.share(),
                    interval.lower(),
                    interval.upper(),
                    Proportion.USUAL_CONFIDENCE);
        }
    }

    /** A pollination and what its latest check says; no rate while nothing is decided. */
    @Schema(name = "Finding")
    record Finding(
            PollinationView pollination,
            int unknown,
            int notFound,
            boolean checked,
            @Schema(description = OPTIONAL) SetRate rate) {}

    @Schema(name = "Findings")
    record FindingsView(@Schema(description = OPTIONAL) SetRate all, List<Finding> pollinations) {}

    @GetMapping
    FindingsView findings(@AuthenticationPrincipal Caller caller) {
        Map<UUID, CheckOutcome> outcomes = checks.latestOutcomes(caller);
        List<Finding> rows = new ArrayList<>();
        int taken = 0;
        int decided = 0;
        for (PollinationView p : pollinations.all(caller)) {
            Optional<CheckOutcome> outcome = Optional.ofNullable(outcomes.get(p.id()));
            Optional<Proportion> rate = outcome.flatMap(CheckOutcome::setRate);
            taken += rate.map(Proportion::successes).orElse(0);
            decided += rate.map(Proportion::trials).orElse(0);
            rows.add(new Finding(
                    p,
                    outcome.map(CheckOutcome::unknown).orElse(p.flowers()),
                    outcome.map(CheckOutcome::notFound).orElse(0),
                    outcome.isPresent(),
                    rate.map(SetRate::of).orElse(null)));
        }
        SetRate all = decided == 0 ? null : SetRate.of(new Proportion(taken, decided));
        return new FindingsView(all, rows);
    }
}
