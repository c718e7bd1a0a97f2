package org.evenhand.core.bloom.season;

import java.time.temporal.ChronoUnit;
import java.util.Optional;
import org.evenhand.core.bloom.season.BloomProgress.Days;

/**
 * Whether the pollen of one variety can reach the females of another fresh, and what to do where it cannot.
 *
 * @param way how the pollen gets there
 * @param fresh days on which fresh pollen and females are there together, when there are any
 * @param keepDays days for which the pollen must be kept, at least, until the first females
 */
public record Overlap(Kind kind, Optional<Days> fresh, int keepDays) {

    /** How the pollen gets there. */
    public enum Kind {
        FRESH,
        /** The giver is over before the taker begins. */
        KEEP,
        /** The giver begins when the taker is over: pollen of the year before. */
        LAST_YEARS,
        /** One of the two never has such flowers. */
        NEVER
    }

    /** @param giver course of the pollen parent, {@code taker} that of the seed parent */
    public static Overlap of(BloomProgress giver, BloomProgress taker) {
        Optional<Days> sheds = giver.sheds();
        Optional<Days> receives = taker.receives();
        if (sheds.isEmpty() || receives.isEmpty()) {
            return new Overlap(Kind.NEVER, Optional.empty(), 0);
        }
        Days give = sheds.get();
        Days take = receives.get();
        if (give.last().isBefore(take.first())) {
            return new Overlap(Kind.KEEP, Optional.empty(), (int) ChronoUnit.DAYS.between(give.last(), take.first()));
        }
        if (give.first().isAfter(take.last())) {
            int toNextYear =
                    (int) ChronoUnit.DAYS.between(give.last(), take.first().plusYears(1));
            return new Overlap(Kind.LAST_YEARS, Optional.empty(), toNextYear);
        }
        Days fresh = new Days(
                give.first().isAfter(take.first()) ? give.first() : take.first(),
                give.last().isBefore(take.last()) ? give.last() : take.last());
        return new Overlap(Kind.FRESH, Optional.of(fresh), 0);
    }
}
