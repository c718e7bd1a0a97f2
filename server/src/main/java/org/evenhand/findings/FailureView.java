package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.evenhand.core.findings.FailureDiagnosis;
import org.evenhand.fruitset.OutcomeBook;

/**
 * Why flowers of a tree, a jar or a day failed.
 *
 * @param what the tree, jar or day in words
 * @param rate absent while nothing is decided
 * @param others all others of crop and season
 * @param causes the strongest first
 * @param ruledOut what does not explain it
 * @param test the cheapest next test
 */
@Schema(name = "Failure")
record FailureView(
        OutcomeBook.Kind kind,
        String key,
        String what,
        @Schema(description = OPTIONAL) FindingsView.SetRate rate,
        int undecided,
        @Schema(description = OPTIONAL) FindingsView.SetRate others,
        List<Cause> causes,
        List<String> ruledOut,
        String test) {

    @Schema(name = "FailureCause")
    record Cause(FailureDiagnosis.Kind kind, String name, int points, List<String> evidence) {}

    /** Trees, jars and days that did worst, to begin with. */
    @Schema(name = "WorstList")
    record Worst(
            @Schema(description = OPTIONAL) FindingsView.SeasonView shown,
            List<FindingsView.SeasonView> seasons,
            List<Line> lines) {}

    /** One of them. */
    @Schema(name = "WorstLine")
    record Line(OutcomeBook.Kind kind, String key, String what, FindingsView.SetRate rate) {}
}
