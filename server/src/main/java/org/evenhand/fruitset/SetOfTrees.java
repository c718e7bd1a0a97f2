package org.evenhand.fruitset;

import java.util.List;
import org.evenhand.cropload.TreeResults;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Component;

/** What the fruit says of each tree this season. */
@Component
class SetOfTrees implements TreeResults {
    private final FlowerOutcomes fates;
    private final Orchards orchards;

    SetOfTrees(FlowerOutcomes fates, Orchards orchards) {
        this.fates = fates;
        this.orchards = orchards;
    }

    @Override
    public List<Result> of(Caller caller) {
        fates.refresh(caller);
        return fates.trees(caller, orchards.details(caller).site().bloomYear(orchards.today(caller)));
    }

    @Override
    public List<Technique> techniques(Caller caller) {
        fates.refresh(caller);
        return fates.techniques(caller);
    }
}
