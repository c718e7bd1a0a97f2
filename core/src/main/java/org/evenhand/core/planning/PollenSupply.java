package org.evenhand.core.planning;

import java.math.BigDecimal;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/** Pollen that may be used. */
public sealed interface PollenSupply {
    /** As a person says it. */
    String name();

    /** Whose pollen it is. */
    String father();

    /**
     * In a jar already.
     *
     * @param doses left in it, one a flower
     * @param viability at each visit, living share against which flowers set, 0 or more
     */
    record OnShelf(String name, String father, int doses, List<Double> viability) implements PollenSupply {
        public OnShelf {
            viability = List.copyOf(viability);
            Require.notNegative("doses", doses);
            viability.forEach(v -> Require.notNegative("viability", v));
        }
    }

    /**
     * Still in male flowers.
     *
     * @param dosesPerFlower of one male flower, 0 to 100 000 with 9 decimal places at most; what one collection gives is rounded down as a whole
     * @param batches male flowers, each collected at most once
     * @param viability row: visit at which it is collected, column: visit at which it is used; 0 before it is collected, and where it
     *     still has to dry
     */
    record ToCollect(
            String name, String father, BigDecimal dosesPerFlower, List<Batch> batches, List<List<Double>> viability)
            implements PollenSupply {
        public ToCollect {
            batches = List.copyOf(batches);
            viability = viability.stream().map(List::copyOf).toList();
            dosesPerFlower = Require.exact("dosesPerFlower", dosesPerFlower, 100_000, 9);
            viability.forEach(row -> row.forEach(v -> Require.notNegative("viability", v)));
        }
    }

    /**
     * Male flowers that shed at the same visits.
     *
     * @param from first visit at which they can be collected
     * @param until last visit at which they can be collected, not before the first
     */
    record Batch(int flowers, int from, int until) {
        public Batch {
            Require.notNegative("flowers", flowers);
            if (from > until) {
                throw new InvalidInputException("from", "is visit " + from + ", after 'until', visit " + until + ".");
            }
        }

        boolean shedsAt(int visit) {
            return from <= visit && visit <= until;
        }
    }
}
