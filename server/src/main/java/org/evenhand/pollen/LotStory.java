package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.StorageStep;
import org.evenhand.core.weather.WeatherSource;

/**
 * All that is known of a jar.
 *
 * @param hour the air of the hour in which it was collected; absent for a poured jar
 * @param hazards what happened to it that pollen takes ill
 * @param course what is alive in it, from when it was filled until it is no good
 * @param pouredInto jars that got some of it
 */
@Schema(name = "LotStory")
record LotStory(
        LotView lot,
        @Schema(description = OPTIONAL) Hour hour,
        List<Step> steps,
        List<String> hazards,
        List<Test> tests,
        List<Point> course,
        double usefulFrom,
        List<Line> lines,
        List<LotView.PartView> pouredInto) {

    /** The air of an hour. */
    @Schema(name = "LotHour")
    record Hour(
            double celsius, @Schema(description = OPTIONAL) Double humidity, WeatherSource source) {}

    /** A step in its keeping. The first, where it went when it was filled, has no id. */
    @Schema(name = "KeepingStep")
    record Step(
            @Schema(description = OPTIONAL) UUID id,
            Instant at,
            StorageStep.Kind kind,
            @Schema(description = OPTIONAL) Storage storage,
            @Schema(description = OPTIONAL) Double celsius,
            @Schema(description = OPTIONAL) Double humidity,
            long version) {}

    /**
     * A test and what it taught.
     *
     * @param before share believed before
     * @param after share believed after
     * @param clumping how much more the fields differ than chance would have it, 1 for a trial on flowers
     */
    @Schema(name = "PollenTest")
    record Test(
            UUID id,
            Instant at,
            boolean germination,
            int seen,
            int alive,
            int freshSeen,
            int freshAlive,
            int fields,
            double clumping,
            double before,
            double after,
            String note,
            long version) {}

    /** One point of the course. */
    @Schema(name = "ViabilityPoint")
    record Point(Instant at, double share, double low, double high) {}

    /**
     * A line of the ledger, the latest first.
     *
     * @param id given for lines written by hand, which can be undone
     * @param undone whether another line answers it
     * @param left doses left after it
     */
    @Schema(name = "LedgerLine")
    record Line(
            @Schema(description = OPTIONAL) UUID id,
            Instant at,
            PollenEntry.Kind kind,
            int change,
            boolean undone,
            int left,
            @Schema(description = OPTIONAL) String otherLot,
            String note) {}
}
