package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.kit.Caller;
import org.evenhand.round.CheckDays;
import org.springframework.stereotype.Component;

/** The next look that is due at each pollination. */
@Component
class DueLooks implements CheckDays {
    private final FruitChecks checks;

    DueLooks(FruitChecks checks) {
        this.checks = checks;
    }

    @Override
    public List<Day> of(Caller caller) {
        return checks.all(caller).rows().stream()
                .filter(r -> r.due() != null)
                .map(r -> new Day(
                        r.due().on(),
                        r.pollination().treeName(),
                        r.due().name(),
                        r.due().lookFor()))
                .toList();
    }
}
