package org.evenhand.pollen;

import java.time.Instant;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.crop.Storage;

/** What went into a jar: flowers by tree, and how many doses they gave. */
record LotDetails(
        UUID varietyId, Instant collectedAt, Storage storage, int doses, String note, Map<UUID, Integer> sources) {}
