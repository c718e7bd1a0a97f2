package org.evenhand.core.cross;

import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** What happens to a seedling that has a number of its own. */
public enum SeedlingEvent {
    POTTED(NurseryStep.POTTED),
    PLANTED(NurseryStep.PLANTED),
    /** Brought to another place. */
    MOVED(null),
    /** Its wood was grafted on a rootstock. */
    GRAFTED(null),
    /** Its first flowers. */
    FLOWERED(null),
    /** Its first fruit. */
    FRUITED(null),
    /** Chosen to be propagated or named. */
    SELECTED(null),
    /** Seen to; nothing changed. */
    SEEN(null),
    DISCARDED(NurseryStep.DISCARDED),
    DIED(NurseryStep.DIED),
    GIVEN_AWAY(NurseryStep.GIVEN_AWAY);

    private final @Nullable NurseryStep step;

    SeedlingEvent(@Nullable NurseryStep step) {
        this.step = step;
    }

    /** As it counts for its lot; empty where the lot does not change. */
    public Optional<NurseryStep> step() {
        return Optional.ofNullable(step);
    }

    /** Whether it is no longer there afterwards. */
    public boolean ends() {
        return step != null && step.leaves();
    }

    /** Whether it happens at most once. */
    boolean once() {
        return this == FLOWERED || this == FRUITED || this == SELECTED;
    }
}
