package org.evenhand.demo;

import java.time.Instant;
import java.util.UUID;
import java.util.concurrent.ThreadLocalRandom;

/** Makes UUIDs of version 7 (RFC 9562) for the demo's records, as a client would. */
final class DemoIds {
    private long millis;

    DemoIds(Instant first) {
        this.millis = first.toEpochMilli();
    }

    UUID next() {
        ThreadLocalRandom random = ThreadLocalRandom.current();
        long high = (millis++ << 16) | 0x7000L | random.nextLong(0x1000);
        long low = 0x8000000000000000L | (random.nextLong() & 0x3fffffffffffffffL);
        return new UUID(high, low);
    }
}
