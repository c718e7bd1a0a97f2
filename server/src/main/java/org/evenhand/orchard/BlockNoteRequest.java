package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import org.evenhand.core.bloom.season.HandPollinationNeed;

/**
 * What is known of a block; with a version it changes what is there.
 *
 * @param indoors whether it stands under cover, so that the orchard's air is not its own
 * @param typicalMinimumC lowest temperature of its ordinary day, °C; given together with the next, or not at all
 * @param typicalMaximumC highest temperature of its ordinary day, °C
 */
public record BlockNoteRequest(
        @NotNull @Size(max = 80) String block,
        @Schema(description = OPTIONAL) Double seaKm,
        @NotNull HandPollinationNeed.Insects insects,
        boolean indoors,
        @Schema(description = OPTIONAL) Double typicalMinimumC,
        @Schema(description = OPTIONAL) Double typicalMaximumC,
        @Schema(description = OPTIONAL) Long version) {}
