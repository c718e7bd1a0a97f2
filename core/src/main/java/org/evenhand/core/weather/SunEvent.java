package org.evenhand.core.weather;

import java.time.Instant;
import java.util.Optional;

/** A crossing of an altitude by the sun, or the reason why there is none. */
public sealed interface SunEvent {

    /** The sun crosses at this moment. */
    record At(Instant instant) implements SunEvent {}

    /** The sun stays above the altitude: polar day, or a night that never darkens. */
    record AlwaysAbove() implements SunEvent {}

    /** The sun stays below the altitude: polar night. */
    record AlwaysBelow() implements SunEvent {}

    default Optional<Instant> moment() {
        return this instanceof At at ? Optional.of(at.instant()) : Optional.empty();
    }
}
