package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.UUID;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.ReceivedPollen;
import org.evenhand.kit.Within;

/**
 * A jar of pollen that came from elsewhere, and what is known of it.
 *
 * @param varietyId its father; a variety need not have a tree here
 * @param from the person, firm or place it came from
 * @param storage where it went when it came
 * @param dry whether it came dry
 * @param doses flowers it is to serve
 * @param collectedAt when it was collected
 * @param keptBefore where it was from then until it came
 * @param statedAlive share of living grains that was stated with it, above 0 to 1
 */
record ReceivedPollenRequest(
        @NotNull UUID varietyId,
        @NotNull Received.How how,
        @NotBlank @Size(max = 200) String from,
        @NotNull Instant receivedAt,
        @NotNull Storage storage,
        @NotNull Boolean dry,
        @NotNull @Within(min = 1, max = 1_000_000) Integer doses,
        @Schema(description = OPTIONAL) Instant collectedAt,
        @Schema(description = OPTIONAL) Storage keptBefore,
        @Schema(description = OPTIONAL) Double statedAlive,

        @Schema(description = OPTIONAL) @Size(max = 2000) String note) {

    Received received(Instant receivedAt, Instant collectedAt) {
        return new Received(
                how, from.strip(), new ReceivedPollen(receivedAt, storage, dry, collectedAt, keptBefore, statedAlive));
    }
}
