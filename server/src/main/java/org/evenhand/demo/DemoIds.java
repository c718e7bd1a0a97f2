package org.evenhand.demo;

import java.time.Instant;
import java.util.UUID;
import org.evenhand.kit.Ids;

/** Makes ids for the demo's records, as a client would: one a millisecond. */
final class DemoIds {
    private Instant next;

    DemoIds(Instant first) {
        this.next = first;
    }

    UUID next() {
        next = next.plusMillis(1);
        return Ids.newVersion7(next);
    }
}
