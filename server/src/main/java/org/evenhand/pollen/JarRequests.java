package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.StorageStep;
import org.evenhand.kit.Within;

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
            @NotNull Instant at,
            @NotNull StorageStep.Kind kind,
            @Schema(description = OPTIONAL) Storage storage,
            @Schema(description = OPTIONAL) Double celsius,
            @Schema(description = OPTIONAL) Double humidity,
            @Schema(description = OPTIONAL) List<String> confirmed) {}

    /** A test: either fields of view, or flowers. */
    @Schema(name = "PollenTestRequest")
    record Test(
            @NotNull Instant at,

            @Schema(description = OPTIONAL) @Size(min = 1, max = 100)
            List<@NotNull @Valid Field> fields,

            @Schema(description = OPTIONAL) Integer flowers,
            @Schema(description = OPTIONAL) Integer taken,
            @Schema(description = OPTIONAL) Integer freshFlowers,
            @Schema(description = OPTIONAL) Integer freshTaken,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note) {}

    /** One field of view. */
    @Schema(name = "FieldOfView")
    record Field(
            @NotNull @Within(min = 0, max = 1_000_000) Integer grains,
            @NotNull Integer tubes) {}

    /** A line of the ledger written by hand; doses are counted up, the kind says whether in or out. */
    @Schema(name = "LedgerLineRequest")
    record Line(
            @NotNull PollenEntry.Kind kind,
            @NotNull @Within(min = 1, max = 1_000_000) Integer doses,
            @NotNull Instant at,
            @Schema(description = OPTIONAL) @Size(max = 500) String note) {}

    /** Several jars poured together, or a part of one put into a jar of its own. */
    @Schema(name = "BlendingRequest")
    record Blending(
            @NotNull List<@NotNull @Valid Part> parts,
            @NotNull Instant at,
            @NotNull Storage storage,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) List<String> confirmed) {}

    /** So many doses of one jar. */
    @Schema(name = "BlendingPart")
    record Part(
            @NotNull UUID lotId,
            @NotNull @Within(min = 1, max = 1_000_000) Integer doses) {}

    static boolean confirms(List<String> confirmed, String key) {
        return confirmed != null && confirmed.contains(key);
    }
}
