package org.evenhand.judging;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.judging.TraitScale;
import org.evenhand.kit.Within;

/**
 * Scores that one taster gave one plant on one day.
 *
 * @param seedlingId the seedling; exactly one of this and the next is there
 * @param varietyId the variety
 * @param taster who scored
 * @param scores one for each trait
 */
public record ScoresRequest(
        @Schema(description = OPTIONAL) UUID seedlingId,
        @Schema(description = OPTIONAL) UUID varietyId,
        @NotNull LocalDate on,
        @NotBlank @Size(max = 60) String taster,

        @Schema(description = OPTIONAL) @Size(max = 2000) String note,

        @NotNull @Size(min = 1, max = MOST) List<@NotNull @Valid One> scores) {
    /** Scores written or removed at one stroke. */
    static final int MOST = 100;

    /** One number in one trait. */
    @Schema(name = "ScoreRequest")
    public record One(
            @NotNull UUID id,
            @NotNull UUID traitId,

            @NotNull @Within(min = -TraitScale.FARTHEST, max = TraitScale.FARTHEST)
            Double value) {}

    /** Scores that are removed at one stroke. */
    @Schema(name = "ScoresRemoval")
    public record Removal(
            @NotNull @Size(min = 1, max = MOST) List<@NotNull UUID> ids,

            @NotBlank @Size(max = 500) String reason) {}
}
