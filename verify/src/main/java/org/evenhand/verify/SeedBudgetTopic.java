package org.evenhand.verify;

import java.util.Map;
import java.util.Optional;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.statistics.BetaPosterior;

/** Flowers of a cross for so many seeds. */
final class SeedBudgetTopic implements Topic {
    @Override
    public String name() {
        return "seed-budget";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        FlowerBudget budget = FlowerBudget.forSeeds(
                in.whole("seeds"),
                new BetaPosterior(in.number("a"), in.number("b")),
                in.number("seeds_per_fruit"),
                in.whole("most_per_fruit"),
                in.number("confidence"));
        return Optional.of(Map.of("flowers", budget.flowers(), "chance", budget.chance()));
    }
}
