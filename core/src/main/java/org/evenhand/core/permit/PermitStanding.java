package org.evenhand.core.permit;

import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * How the permits that are recorded stand to one kind of work on one crop on a day.
 *
 * @param day of {@link State#HOLDS} and {@link State#ENDS_SOON} the last day without a gap, empty where there is no end; of {@link
 *     State#NOT_YET} the day on which the next begins; of {@link State#ENDED} the last day of the latest; of {@link State#MISSING} empty
 */
public record PermitStanding(State state, Optional<LocalDate> day) {
    /** A permit that ends within so many days is spoken of: authorities take weeks. Our convention. */
    public static final int NOTICE_DAYS = 30;

    /** How they stand. */
    public enum State {
        HOLDS,
        ENDS_SOON,
        NOT_YET,
        ENDED,
        MISSING
    }

    /** How permits stand; those that follow each other without a gap count as one. */
    public static PermitStanding of(List<PermitTerm> permits, PermitScope scope, String crop, LocalDate day) {
        List<PermitTerm> about =
                permits.stream().filter(p -> p.covers(scope, crop)).toList();
        if (about.stream().anyMatch(p -> p.holdsOn(day))) {
            Optional<LocalDate> last = lastWithoutGap(about, day);
            boolean soon =
                    last.filter(l -> !l.isAfter(day.plusDays(NOTICE_DAYS))).isPresent();
            return new PermitStanding(soon ? State.ENDS_SOON : State.HOLDS, last);
        }
        Optional<LocalDate> begins =
                about.stream().map(PermitTerm::from).filter(day::isBefore).min(Comparator.naturalOrder());
        if (begins.isPresent()) {
            return new PermitStanding(State.NOT_YET, begins);
        }
        Optional<LocalDate> ended =
                about.stream().flatMap(p -> p.until().stream()).max(Comparator.naturalOrder());
        return new PermitStanding(ended.isPresent() ? State.ENDED : State.MISSING, ended);
    }

    /** Whether work on that day is covered. */
    public boolean holds() {
        return state == State.HOLDS || state == State.ENDS_SOON;
    }

    private static Optional<LocalDate> lastWithoutGap(List<PermitTerm> about, LocalDate day) {
        LocalDate covered = day;
        while (true) {
            LocalDate reached = covered;
            List<PermitTerm> holding =
                    about.stream().filter(p -> p.holdsOn(reached)).toList();
            if (holding.stream().anyMatch(p -> p.until().isEmpty())) {
                return Optional.empty();
            }
            Optional<LocalDate> last =
                    holding.stream().flatMap(p -> p.until().stream()).max(Comparator.naturalOrder());
            if (last.isEmpty()) {
                return Optional.of(reached.minusDays(1));
            }
            covered = last.get().plusDays(1);
        }
    }
}
