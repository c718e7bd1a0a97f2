package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.cropload.TreeResults;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Component;

/** What the fruit says of each tree this season. */
@Component
class SetOfTrees implements TreeResults {
    private final FlowerOutcomes outcomes;
    private final Orchards orchards;

    SetOfTrees(FlowerOutcomes outcomes, Orchards orchards) {
        this.outcomes = outcomes;
        this.orchards = orchards;
    }

    @Override
    public List<Result> of(Caller caller) {
        outcomes.refresh(caller);
        return outcomes.trees(caller, orchards.details(caller).site().bloomYear(orchards.today(caller)));
    }

    @Override
    public List<Technique> techniques(Caller caller) {
        outcomes.refresh(caller);
        return outcomes.techniques(caller);
    }
}
