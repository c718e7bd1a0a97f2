package org.evenhand.core.cross;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What is done with the seeds and seedlings of a lot. */
public enum NurseryStep {
    /** Laid moist and cold. */
    COOLED(NurseryStage.COLD, List.of(NurseryStage.KEPT)),
    SOWN(NurseryStage.SOWN, List.of(NurseryStage.COLD, NurseryStage.KEPT)),
    /** Came up; a few do so in the cold already. */
    CAME_UP(NurseryStage.UP, List.of(NurseryStage.SOWN, NurseryStage.COLD)),
    POTTED(NurseryStage.POTTED, List.of(NurseryStage.UP)),
    /** Planted out, from a pot or straight from the tray. */
    PLANTED(NurseryStage.PLANTED, List.of(NurseryStage.POTTED, NurseryStage.UP)),
    /** Dead, moulded or thrown away, at a stage that is said. */
    DIED(null, List.of()),
    /** Given to somebody else, at a stage that is said. */
    GIVEN_AWAY(null, List.of()),
    /** Thrown out by one's own choice, at a stage that is said. */
    DISCARDED(null, List.of()),
    /** Seen to; nothing changed. */
    SEEN(null, List.of());

    private final @Nullable NurseryStage to;
    private final List<NurseryStage> from;

    NurseryStep(@Nullable NurseryStage to, List<NurseryStage> from) {
        this.to = to;
        this.from = from;
    }

    /** The stage that seeds or seedlings come to by it; empty where they leave, or stay. */
    public Optional<NurseryStage> to() {
        return Optional.ofNullable(to);
    }

    /** The stages that it can be done from, the one that is emptied first in front. */
    public List<NurseryStage> from() {
        return from;
    }

    /** Whether seeds or seedlings leave by it, so that a stage must be said. */
    public boolean leaves() {
        return this == DIED || this == GIVEN_AWAY || this == DISCARDED;
    }
}
