package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.evenhand.core.findings.Proportion;
import org.evenhand.round.PollinationView;

/** What the season's counts say; no rate in all while nothing is decided. */
@Schema(name = "Findings")
record FindingsView(@Schema(description = OPTIONAL) SetRate all, List<Finding> pollinations) {

    /** So many taken of so many decided, with Wilson's interval. */
    @Schema(name = "SetRate")
    record SetRate(int taken, int decided, double share, double lower, double upper, double confidence) {
        static SetRate of(Proportion p) {
            Proportion.Interval interval = p.wilson(Proportion.USUAL_CONFIDENCE);
            return new SetRate(
                    p.successes(),
                    p.trials(),
                    p.share(),
                    interval.lower(),
                    interval.upper(),
                    Proportion.USUAL_CONFIDENCE);
        }
    }

    /** A pollination and what its latest check says; no rate while nothing is decided. */
    @Schema(name = "Finding")
    record Finding(
            PollinationView pollination,
            int unknown,
            int notFound,
            boolean checked,
            @Schema(description = OPTIONAL) SetRate rate) {}
}
