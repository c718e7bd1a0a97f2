package org.evenhand.pollination;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.kit.Within;

/**
 * Figs of a tree in the order in which they are injected.
 *
 * @param rightFromMm smallest diameter that takes pollen
 * @param lateFromMm from here on it is too late
 * @param right how many are right now
 * @param suspensionMl what these take, with what is lost
 */
@Schema(name = "Figs")
public record FigsView(
        UUID treeId,
        String tree,
        double rightFromMm,
        double lateFromMm,
        int right,
        BigDecimal suspensionMl,
        List<Fig> figs) {

    /**
     * One fig.
     *
     * @param id of its latest measure
     * @param nowMm reckoned diameter
     * @param mmPerDay growth; absent where it was measured once
     */
    @Schema(name = "Fig")
    public record Fig(
            UUID id,
            String fig,
            double diameterMm,
            FigSize.Eye eye,
            Instant measuredAt,
            double nowMm,
            FigSize size,
            @Schema(description = OPTIONAL) Double mmPerDay,
            @Schema(description = OPTIONAL) Instant rightFrom,
            @Schema(description = OPTIONAL) Instant lateFrom,
            long version) {}

    /** A fig's size as it is sent. */
    @Schema(name = "FigRequest")
    public record Request(
            @NotNull UUID treeId,
            @NotBlank @Size(max = 40) String fig,
            @NotNull @Within(min = 1, max = 200) Double diameterMm,
            @NotNull FigSize.Eye eye,
            @NotNull Instant measuredAt) {}
}
