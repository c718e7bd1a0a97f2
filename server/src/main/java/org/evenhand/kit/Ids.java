package org.evenhand.kit;

import java.util.UUID;
import org.evenhand.core.InvalidInputException;

/** Ids are made by the client, so that a record can be sent twice and still be there once. */
public final class Ids {
    private Ids() {}

    /** Returns the id when it is a UUID of version 7 (time-ordered). */
    public static UUID requireVersion7(UUID id) {
        if (id.version() != 7) {
            throw new InvalidInputException("id", "is " + id + "; ids must be UUIDs of version 7.");
        }
        return id;
    }
}
