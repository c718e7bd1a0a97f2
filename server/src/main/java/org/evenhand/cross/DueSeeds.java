package org.evenhand.cross;

import java.util.List;
import org.evenhand.kit.Caller;
import org.evenhand.planning.SeedDays;
import org.springframework.stereotype.Component;

/** What is due with each lot. */
@Component
record DueSeeds(SeedLots lots) implements SeedDays {
    @Override
    public List<Day> of(Caller caller) {
        return lots.due(caller);
    }
}
