package org.evenhand.kit;

import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;
import java.util.concurrent.atomic.AtomicLong;
import org.evenhand.core.InvalidInputException;

/** Ids are made by the client, so that a record can be sent twice and still be there once; few records begin on the server. */
public final class Ids {
    /** The twelve bits in which ids of one moment are counted. */
    private static final long COUNT = 0xfff;

    private static final long COUNT_BEGINS_BELOW = 0x400;
    private static final AtomicLong LAST = new AtomicLong();

    private Ids() {}

    /** Returns the id when it is a UUID of version 7 (time-ordered). */
    public static UUID requireVersion7(UUID id) {
        if (id.version() != 7) {
            throw new InvalidInputException("id", "is " + id + "; ids must be UUIDs of version 7.");
        }
        return id;
    }

    /** A new id of version 7 (RFC 9562): the moment first, then a count within it, then chance. Of one moment the later made is the greater. */
    public static UUID newVersion7(Instant at) {
        ThreadLocalRandom random = ThreadLocalRandom.current();
        long moment = at.toEpochMilli() << 16 | 0x7000L;
        long anew = moment | random.nextLong(COUNT_BEGINS_BELOW);
        long high = LAST.updateAndGet(last -> last >> 12 == moment >> 12 && (last & COUNT) < COUNT ? last + 1 : anew);
        long low = 0x8000000000000000L | (random.nextLong() & 0x3fffffffffffffffL);
        return new UUID(high, low);
    }
}
