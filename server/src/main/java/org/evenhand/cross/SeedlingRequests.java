package org.evenhand.cross;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.SeedlingEvent;
import org.evenhand.core.cross.SeedlingLife;
import org.evenhand.kit.Given;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;

/** What is written down of seedlings with numbers. */
public final class SeedlingRequests {
    /** Seedlings that are given numbers, or removed, at one stroke. */
    static final int MOST_AT_ONCE = LabelSheet.MOST_LABELS;

    private SeedlingRequests() {}

    /**
     * Numbers for seedlings of a lot, which they get in the order of their ids.
     *
     * @param ids one for each seedling
     * @param at where they are
     * @param place where they stand, in one's own words
     */
    @Schema(name = "SeedlingNumbersRequest")
    public record Numbers(
            @NotNull @Size(min = 1, max = MOST_AT_ONCE) List<@NotNull UUID> ids,
            @NotNull NurseryStage at,
            @NotNull LocalDate on,

            @Schema(description = OPTIONAL) @Size(max = 60) String place,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note) {
        Seedling.Start start() {
            return new Seedling.Start(at, on, place, note);
        }
    }

    /**
     * A seedling that is corrected.
     *
     * @param at where it was when it got its number
     * @param on the day of that
     * @param place where it stood then
     */
    @Schema(name = "SeedlingRequest")
    public record Correction(
            @NotNull NurseryStage at,
            @NotNull LocalDate on,

            @Schema(description = OPTIONAL) @Size(max = 60) String place,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @NotNull Long version) {
        Seedling.Start start() {
            return new Seedling.Start(at, on, place, note);
        }
    }

    /**
     * What happened to a seedling.
     *
     * @param place where it stands from then on; asked for where it was moved
     * @param rootstock what its wood was grafted on; there exactly where it was
     * @param version of the step that is corrected; absent for a new one
     */
    @Schema(name = "SeedlingStepRequest")
    public record Step(
            @NotNull SeedlingEvent event,
            @NotNull LocalDate on,

            @Schema(description = OPTIONAL) @Size(max = 60) String place,

            @Schema(description = OPTIONAL) @Size(max = 60) String rootstock,

            @Schema(description = OPTIONAL) @Size(max = 2000)
            String note,

            @Schema(description = OPTIONAL) Long version) {
        String placeOrNone() {
            return textOrNone(place);
        }

        String rootstockOrNone() {
            return textOrNone(rootstock);
        }

        private static String textOrNone(String text) {
            String given = Given.stripped(text);
            return given.isEmpty() ? null : given;
        }

        SeedlingLife.Happened happened() {
            return new SeedlingLife.Happened(event, on);
        }
    }

    /**
     * The variety that a seedling becomes.
     *
     * @param varietyId of the new variety
     */
    @Schema(name = "SeedlingNameRequest")
    public record Name(
            @NotNull UUID varietyId,
            @NotBlank @Size(max = 80) String name) {}

    /** Seedlings that are removed at one stroke. */
    @Schema(name = "SeedlingsRemoval")
    public record Removal(
            @NotNull @Size(min = 1, max = MOST_AT_ONCE) List<@NotNull UUID> ids,

            @NotBlank @Size(max = 500) String reason) {}

    /** A label for each of some seedlings. */
    @Schema(name = "SeedlingLabelsRequest")
    public record Labels(
            @NotNull @Size(min = 1, max = MOST_AT_ONCE) List<@NotNull UUID> ids,
            @NotNull LabelGrid grid,
            @Schema(description = OPTIONAL) Integer skip) {}
}
