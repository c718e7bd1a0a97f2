package org.evenhand.fruitset;

import java.util.List;
import java.util.stream.Stream;
import org.evenhand.kit.Caller;
import org.evenhand.planning.CheckDays;
import org.springframework.stereotype.Component;

/** The next check that is due at each pollination. */
@Component
class DueChecks implements CheckDays {
    private final FruitChecks checks;
    private final Fruits fruits;

    DueChecks(FruitChecks checks, Fruits fruits) {
        this.checks = checks;
        this.fruits = fruits;
    }

    @Override
    public List<Day> of(Caller caller) {
        Stream<Day> due = checks.all(caller).rows().stream()
                .filter(r -> r.due() != null)
                .map(r -> new Day(
                        Kind.CHECK,
                        r.due().on(),
                        r.pollination().treeName(),
                        r.due().name(),
                        r.due().lookFor()));
        Stream<Day> numbers = fruits.all(caller).sources().stream()
                .filter(s -> s.unnumbered() > 0 && s.numberFrom() != null)
                .map(s -> new Day(
                        Kind.NUMBER,
                        s.numberFrom(),
                        s.tree(),
                        "Number the fruit",
                        "Write numbers on the fruit " + s.from() + ", and note them under Fruit set."));
        return Stream.concat(due, numbers).toList();
    }
}
