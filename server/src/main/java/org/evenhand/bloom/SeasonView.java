package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.bloom.season.BloomDates;
import org.evenhand.core.bloom.season.Overlap;

/** The season ahead. */
@Schema(name = "Season")
record SeasonView(int year, LocalDate start, LocalDate today, Rest rest, List<Variety> varieties, List<Pair> pairs) {

    /**
     * Chill and heat since the season's start.
     *
     * @param knownShare share of the hours so far whose weather was measured or imported
     * @param enoughKnown whether that is enough to tell the sums
     * @param weeks the sums at the end of each week
     */
    @Schema(name = "WinterRest")
    record Rest(
            int hours,
            double knownShare,
            boolean enoughKnown,
            int chillingHours,
            int hoursBelow,
            double utahUnits,
            double utahSinceLowest,
            double chillPortions,
            double growingDegreeHours,
            List<Week> weeks) {}

    @Schema(name = "WinterWeek")
    record Week(LocalDate until, double chillPortions, double growingDegreeHours) {}

    /** One variety: its history, this year's dates, and its course over the days. */
    @Schema(name = "SeasonVariety")
    record Variety(
            UUID varietyId,
            String name,
            String crop,
            List<BloomDateView> history,
            @Schema(description = OPTIONAL) Outlook first,
            @Schema(description = OPTIONAL) Outlook full,
            boolean recorded,
            @Schema(description = OPTIONAL) Double chillNeeded,
            @Schema(description = OPTIONAL) LocalDate beginOn,
            String rhythm,
            @Schema(description = OPTIONAL) Course course,
            @Schema(description = OPTIONAL) Visits visits) {}

    /** A day foreseen, with the interval that holds eight times in ten. */
    @Schema(name = "BloomOutlook")
    record Outlook(
            LocalDate expected,
            LocalDate earliest,
            LocalDate latest,
            BloomDates.Method method,
            int years,
            double errorDays) {
        static Outlook of(BloomDates d) {
            return new Outlook(d.expected(), d.earliest(), d.latest(), d.method(), d.years(), d.errorDays());
        }
    }

    /** Shares of the best day, one a day from {@code from}. */
    @Schema(name = "BloomCourse")
    record Course(LocalDate from, double[] receptive, double[] shedding) {}

    /** Days after opening on which a visit still helps, at the mean temperatures around full bloom. */
    @Schema(name = "EffectiveVisits")
    record Visits(
            double meanC,
            List<Integer> days,
            @Schema(description = OPTIONAL) Integer tubeDays) {}

    /** Whether one variety's pollen reaches another's females. */
    @Schema(name = "BloomOverlap")
    record Pair(
            UUID giver,
            UUID taker,
            Overlap.Kind kind,
            @Schema(description = OPTIONAL) LocalDate freshFrom,
            @Schema(description = OPTIONAL) LocalDate freshUntil,
            int keepDays) {}
}
