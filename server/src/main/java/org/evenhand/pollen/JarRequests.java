package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.StorageStep;

/** What is sent about a jar after it was filled. */
final class JarRequests {
    private JarRequests() {}

    /**
     * Something done with it.
     *
     * @param confirmed questions that were asked before and answered with yes
     */
    @Schema(name = "KeepingStepRequest")
    record Step(
            Instant at,
            StorageStep.Kind kind,
            @Schema(description = OPTIONAL) Storage storage,
            @Schema(description = OPTIONAL) Double celsius,
            @Schema(description = OPTIONAL) Double humidity,
            @Schema(description = OPTIONAL) List<String> confirmed) {}

    /** A test: either fields of view, or flowers. */
    @Schema(name = "PollenTestRequest")
    record Test(
            Instant at,
            @Schema(description = OPTIONAL) List<Field> fields,
            @Schema(description = OPTIONAL) Integer flowers,
            @Schema(description = OPTIONAL) Integer taken,
            @Schema(description = OPTIONAL) Integer freshFlowers,
            @Schema(description = OPTIONAL) Integer freshTaken,
            @Schema(description = OPTIONAL) String note) {}

    /** One field of view. */
    @Schema(name = "FieldOfView")
    record Field(Integer grains, Integer tubes) {}

    /** A line of the ledger written by hand; doses are counted up, the kind says whether in or out. */
    @Schema(name = "LedgerLineRequest")
    record Line(
            PollenEntry.Kind kind,
            Integer doses,
            Instant at,
            @Schema(description = OPTIONAL) String note) {}

    /** Several jars poured together, or a part of one put into a jar of its own. */
    @Schema(name = "PouringRequest")
    record Pouring(
            List<Part> parts,
            Instant at,
            Storage storage,
            @Schema(description = OPTIONAL) String note,
            @Schema(description = OPTIONAL) List<String> confirmed) {}

    /** So many doses of one jar. */
    @Schema(name = "PouringPart")
    record Part(UUID lotId, Integer doses) {}

    static boolean confirms(List<String> confirmed, String key) {
        return confirmed != null && confirmed.contains(key);
    }
}
