package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossResults;
import org.springframework.stereotype.Component;

/** What the fruit says of each cross. */
@Component
class LearnedCrosses implements CrossResults {
    private final FlowerOutcomes outcomes;

    LearnedCrosses(FlowerOutcomes outcomes) {
        this.outcomes = outcomes;
    }

    @Override
    public List<Result> of(Caller caller) {
        outcomes.refresh(caller);
        return outcomes.crosses(caller);
    }
}
