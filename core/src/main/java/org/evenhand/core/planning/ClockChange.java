package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.zone.ZoneOffsetTransition;
import java.util.Optional;

/**
 * The clocks of a place are put forward or back.
 *
 * @param at when
 * @param by how far; negative where they are put back
 */
public record ClockChange(Instant at, Duration by) {

    /** The first change after a moment and before another; empty where there is none, as in places that keep one time all year. */
    public static Optional<ClockChange> within(ZoneId zone, Instant from, Instant until) {
        ZoneOffsetTransition next = zone.getRules().nextTransition(from);
        return Optional.ofNullable(next)
                .filter(t -> t.getInstant().isBefore(until))
                .map(t -> new ClockChange(t.getInstant(), t.getDuration()));
    }

    public boolean back() {
        return by.isNegative();
    }
}
