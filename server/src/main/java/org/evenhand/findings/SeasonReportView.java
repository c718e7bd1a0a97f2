package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.evenhand.findings.FindingsView.LevelView;
import org.evenhand.findings.FindingsView.SetRate;

/**
 * A season of a crop in short, and year against year.
 *
 * @param done what was done, sentence by sentence
 * @param took what took
 * @param fathers the best first
 * @param otherwise what to do differently, and why
 * @param years every season of the crop, the latest first
 * @param between the season against the one before; empty where there is none
 */
@Schema(name = "SeasonReport")
record SeasonReportView(
        List<FindingsView.SeasonView> seasons,
        @Schema(description = OPTIONAL) FindingsView.SeasonView shown,
        String orchard,
        List<String> done,
        List<String> took,
        List<LevelView> varieties,
        List<LevelView> fathers,
        List<Advice> otherwise,
        List<Year> years,
        String between) {

    /** What to change, and what it rests on. */
    @Schema(name = "SeasonAdvice")
    record Advice(String change, String because) {}

    /**
     * One season.
     *
     * @param flowers flowers by hand
     * @param few whether those known are too few to lean on
     * @param fruits harvested
     */
    @Schema(name = "SeasonYear")
    record Year(
            int season,
            int flowers,
            @Schema(description = OPTIONAL) SetRate rate,
            boolean few,
            int fruits,
            double kilograms) {}
}
