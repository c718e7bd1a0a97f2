package org.evenhand.pollination;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Component;

/** Pollinations looked up by those whose flowers they served. */
@Component
public class PollinationBook {
    private final PollinationRepository pollinations;

    PollinationBook(PollinationRepository pollinations) {
        this.pollinations = pollinations;
    }

    /**
     * Pollen given to flowers of a cross.
     *
     * @param again whether they had had pollen before
     */
    public record OnCross(
            UUID id,
            UUID crossId,
            boolean again,
            int flowers,
            Instant doneAt,
            UUID by,
            UUID walkId,
            Integer stop,
            long version) {}

    /** Those on some crosses, voided ones left out, in no order. */
    public List<OnCross> onCrosses(Caller caller, Collection<UUID> crossIds) {
        return pollinations.findByOrchardIdAndCrossIdInAndVoidedAtIsNull(caller.orchardId(), crossIds).stream()
                .map(Pollination::onCross)
                .toList();
    }

    /** Whether a flower of that year has this tag. */
    public boolean tagged(Caller caller, int year, String tag) {
        return pollinations.tagged(caller.orchardId(), year, tag).isPresent();
    }
}
