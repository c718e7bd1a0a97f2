package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossResults;
import org.springframework.stereotype.Component;

/** What the fruit says of each cross. */
@Component
class LearnedCrosses implements CrossResults {
    private final FlowerOutcomes fates;

    LearnedCrosses(FlowerOutcomes fates) {
        this.fates = fates;
    }

    @Override
    public List<Result> of(Caller caller) {
        fates.refresh(caller);
        return fates.crosses(caller);
    }
}
