package org.evenhand.pollination;

import java.util.UUID;
import org.evenhand.kit.Caller;

/** What those who write down a step of a walk ask of the walk. */
public interface WalkRecords {
    /** Answers "not found" where the orchard has no such walk. */
    void require(Caller caller, UUID walkId);
}
