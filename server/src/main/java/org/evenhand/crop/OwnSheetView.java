package org.evenhand.crop;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;

/** One change in the history of an orchard's own numbers, the latest first; the first that is listed counts. */
record OwnSheetView(
        UUID id, String crop, Map<String, Double> numbers, String note, Instant recordedAt, UUID recordedBy) {
    static OwnSheetView of(OwnSheet s) {
        return new OwnSheetView(s.id(), s.crop(), s.numbers(), s.note(), s.recordedAt(), s.recordedBy());
    }
}
