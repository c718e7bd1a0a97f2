package org.evenhand.core.planning;

import java.util.Optional;
import java.util.UUID;

/** What the flowers of a group are: those with one name may be told as one. */
public sealed interface FlowerGroupId {
    /** The key of their stage; empty for flowers whose stage no longer matters. */
    default Optional<String> stage() {
        return Optional.empty();
    }

    /** Flowers of one stage that any pollen may serve which serves their tree. */
    record OfStage(String key) implements FlowerGroupId {
        @Override
        public Optional<String> stage() {
            return Optional.of(key);
        }
    }

    /** Flowers of one stage, kept for a wanted cross that needs no making ready. */
    record Reserved(UUID wanted, String key) implements FlowerGroupId {
        @Override
        public Optional<String> stage() {
            return Optional.of(key);
        }
    }

    /**
     * Flowers of a cross that are given pollen for the first time.
     *
     * @param cross the cross, or the wanted one that calls for it
     * @param tree where it is made
     */
    record FirstVisit(UUID cross, UUID tree) implements FlowerGroupId {}

    /** Flowers of a cross that are given pollen once more; see {@link FirstVisit}. */
    record RepeatVisit(UUID cross, UUID tree) implements FlowerGroupId {}

    /** Flowers outside crosses that are given pollen once more. */
    record RepeatOf(UUID pollination) implements FlowerGroupId {}
}
