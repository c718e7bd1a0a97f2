package org.evenhand.core.pollen;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a jar wants of its keeper within a day.
 *
 * @param at when: from then on, but for {@link Kind#USE} until then
 */
public record JarCare(Kind kind, Instant at) {
    private static final Duration WITHIN = Duration.ofDays(1);

    /** What is to be done. */
    public enum Kind {
        /** Dry pollen left open takes up damp. Common practice. */
        LID,
        /** It is hardly good for anything after this. */
        USE,
        /** Mould is likely. */
        THROW_AWAY,
        /** So much is in doubt that some of it should be germinated before one counts on it. */
        TEST
    }

    /**
     * How a jar with pollen stands.
     *
     * @param open whether it lies open
     * @param dry whether it is dry
     * @param dryBy when it should be dry where it is; empty when it is, or does not dry there
     * @param goodUntil when it is past use; empty when it is past it
     * @param testAdvised whether it should be tested before one counts on it
     */
    public record Jar(
            boolean open,
            boolean dry,
            Optional<Instant> dryBy,
            boolean spoiled,
            Optional<Instant> goodUntil,
            boolean testAdvised) {}

    /** In no order. */
    public static List<JarCare> of(Jar jar, Instant now) {
        if (jar.spoiled) {
            return List.of(new JarCare(Kind.THROW_AWAY, now));
        }
        Instant end = now.plus(WITHIN);
        List<JarCare> care = new ArrayList<>();
        if (jar.open && jar.goodUntil.isPresent()) {
            Optional<Instant> dry = jar.dry ? Optional.of(now) : jar.dryBy;
            dry.filter(at -> !at.isAfter(end)).ifPresent(at -> care.add(new JarCare(Kind.LID, later(at, now))));
        }
        jar.goodUntil.filter(at -> !at.isAfter(end)).ifPresent(at -> care.add(new JarCare(Kind.USE, at)));
        if (jar.testAdvised && jar.goodUntil.isPresent()) {
            care.add(new JarCare(Kind.TEST, now));
        }
        return care;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }
}
