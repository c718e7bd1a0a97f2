package org.evenhand.kit;

import java.util.List;
import java.util.UUID;
import java.util.function.BiFunction;

/**
 * Records of one kind, as they are looked back on and mended. Each room has one for each kind of its records that people can mend.
 *
 * @param key as in addresses and in the view {@code story_line}, for example {@code reading}
 * @param type whose history is kept
 * @param effects what else changes where such a record is removed or restored
 * @param remove takes one out of the reckoning; refuses where something hangs on it
 * @param restore puts one back; refuses where it no longer fits what was written since
 */
public record RecordKind(
        String key,
        Class<? extends OrchardRecord> type,
        BiFunction<Caller, UUID, List<Effect>> effects,
        Remove remove,
        Restore restore) {

    /** Takes a record out of the reckoning. */
    @FunctionalInterface
    public interface Remove {
        void of(Caller caller, UUID id, VoidRequest request);
    }

    /** Puts a record back. */
    @FunctionalInterface
    public interface Restore {
        void of(Caller caller, UUID id, Long version);
    }

    /** What may change with a record. */
    public enum What {
        /** The forecast of a tree. */
        FORECAST,
        /** Doses in a jar. */
        DOSES,
        /** Flowers that count for fruit set. */
        FRUIT_SET,
        /** Fruit that hangs, by which fruit wanted is counted down. */
        FRUIT,
        /** Doses on the shelf. */
        SHELF,
        /** Other records of the same tree, which stay. */
        RECORDS,
        /** Records that a merge took from a variety, and that go back to it. */
        BACK,
        /** Other records that must be removed first. */
        FIRST
    }

    /**
     * One thing that changes.
     *
     * @param of name of the tree, jar or kind of record it changes for
     * @param number how many doses, flowers, fruits or records
     */
    public record Effect(What what, String of, int number) {}
}
