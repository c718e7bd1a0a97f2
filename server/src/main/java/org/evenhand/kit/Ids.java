package org.evenhand.kit;

import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import org.evenhand.core.InvalidInputException;

/** Ids are made by the client, so that a record can be sent twice and still be there once; few records begin on the server. */
public final class Ids {
    private Ids() {}

    /** Returns the id when it is a UUID of version 7 (time-ordered). */
    public static UUID requireVersion7(UUID id) {
        if (id.version() != 7) {
            throw new InvalidInputException("id", "is " + id + "; ids must be UUIDs of version 7.");
        }
        return id;
    }

    /** A new id of version 7 (RFC 9562): the moment first, then chance. */
    public static UUID newVersion7(Instant at) {
        ThreadLocalRandom random = ThreadLocalRandom.current();
        long high = (at.toEpochMilli() << 16) | 0x7000L | random.nextLong(0x1000);
        long low = 0x8000000000000000L | (random.nextLong() & 0x3fffffffffffffffL);
        return new UUID(high, low);
    }
}
