package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.bloom.FlowerCount;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.core.bloom.TreeOutlook;

/**
 * The bloom board.
 *
 * @param stepMinutes minutes between the points of every ribbon, the first at {@code from}
 */
@Schema(name = "Bloom")
record BloomView(
        Instant from,
        Instant until,
        int stepMinutes,
        double takingNow,
        double givingNow,
        List<Row> trees,
        String weather) {

    /** Expected flowers and the interval that holds eight times in ten. */
    @Schema(name = "FlowerCount")
    record Count(double mean, int low, int high) {
        static Count of(FlowerCount c) {
            return new Count(c.mean(), c.low(), c.high());
        }
    }

    /** A stretch of time in which flowers are there. */
    @Schema(name = "FlowerStretch")
    record Stretch(Instant from, Instant until, boolean endsInForecast, Instant peakAt, Count peak) {
        static Stretch of(TreeOutlook.Stretch s) {
            return new Stretch(s.from(), s.until(), s.endsInForecast(), s.peakAt(), Count.of(s.peak()));
        }
    }

    /** A tree's ribbon; without a reading it has no points. */
    @Schema(name = "BloomRow")
    record Row(
            UUID treeId,
            String treeName,
            UUID varietyId,
            String varietyName,
            String crop,
            String block,
            int row,
            int position,
            @Schema(description = OPTIONAL) ReadingView reading,
            List<Count> taking,
            List<Count> giving,
            @Schema(description = OPTIONAL) Stretch nextTaking,
            @Schema(description = OPTIONAL) Stretch nextGiving) {

        static Row of(Forecasts.Foreseen f, List<ForecastPoint> points) {
            TreeOutlook outlook = points.isEmpty() ? null : TreeOutlook.of(points);
            return new Row(
                    f.tree().id(),
                    f.tree().name(),
                    f.tree().varietyId(),
                    f.tree().varietyName(),
                    f.tree().crop(),
                    f.tree().block(),
                    f.tree().row(),
                    f.tree().position(),
                    f.reading(),
                    points.stream().map(p -> Count.of(p.taking())).toList(),
                    points.stream().map(p -> Count.of(p.giving())).toList(),
                    outlook == null ? null : outlook.taking().map(Stretch::of).orElse(null),
                    outlook == null ? null : outlook.giving().map(Stretch::of).orElse(null));
        }
    }
}
