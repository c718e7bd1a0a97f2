package org.evenhand.fruitset;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.fruitset.CheckOutcome;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossResults;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotName;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.round.PollinationView;
import org.evenhand.round.Pollinations;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** What the fruit says of each cross. */
@Component
class LearnedCrosses implements CrossResults {
    private final FruitChecks checks;
    private final Pollinations pollinations;
    private final Orchards orchards;
    private final PollenShelf shelf;

    LearnedCrosses(FruitChecks checks, Pollinations pollinations, Orchards orchards, PollenShelf shelf) {
        this.checks = checks;
        this.pollinations = pollinations;
        this.orchards = orchards;
        this.shelf = shelf;
    }

    private record Pair(UUID mother, UUID father) {}

    @Override
    @Transactional(readOnly = true)
    public List<Result> of(Caller caller) {
        Map<UUID, CheckOutcome> outcomes = checks.latestOutcomes(caller);
        if (outcomes.isEmpty()) {
            return List.of();
        }
        Map<UUID, UUID> varieties =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::varietyId));
        Map<UUID, UUID> fathers = shelf.names(caller).values().stream()
                .filter(lot -> lot.fathers().size() == 1)
                .collect(Collectors.toMap(LotName::id, lot -> lot.fathers().get(0)));
        Map<Pair, Result> sums = new HashMap<>();
        for (PollinationView p : pollinations.all(caller)) {
            CheckOutcome outcome = outcomes.get(p.id());
            UUID mother = varieties.get(p.treeId());
            UUID father = fathers.get(p.lotId());
            if (outcome != null && mother != null && father != null) {
                Result one = new Result(mother, father, outcome.taken() + outcome.failed(), outcome.taken());
                sums.merge(new Pair(mother, father), one, LearnedCrosses::sum);
            }
        }
        return List.copyOf(sums.values());
    }

    private static Result sum(Result a, Result b) {
        return new Result(a.motherId(), a.fatherId(), a.flowers() + b.flowers(), a.taken() + b.taken());
    }
}
