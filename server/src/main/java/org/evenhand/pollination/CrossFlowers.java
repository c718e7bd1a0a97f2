package org.evenhand.pollination;

import java.time.Instant;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.Caller;

/** What pollinations ask of the crosses whose flowers they serve. */
public interface CrossFlowers {
    /** A cross that is being made, with the number on its label. */
    record Cross(UUID id, String label, UUID treeId, UUID fatherId) {}

    /** The cross when it is there and not taken out, else "not found". */
    Cross cross(Caller caller, UUID id);

    /** Refuses more flowers in a step than the step before left. */
    void refuseMoreThanThere(Caller caller, UUID crossId, CrossProtocol.Step step, int flowers, Instant at);

    /** Holds the orchard's numbers until the transaction ends. */
    void holdNumbers(Caller caller);

    /** The cross of that year whose number a tag reads as. */
    Optional<Cross> labelled(Caller caller, int year, String tag);

    /** Numbers by cross, of those taken out too. */
    Map<UUID, String> labels(Caller caller, Collection<UUID> ids);
}
