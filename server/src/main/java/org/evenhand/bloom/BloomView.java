package org.evenhand.bloom;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.bloom.forecast.DevelopmentRateEstimate;
import org.evenhand.core.bloom.forecast.FlowerCount;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.bloom.season.BloomSynchrony;
import org.evenhand.core.weather.WeatherSource;
import org.evenhand.kit.WrittenOnce;
import org.evenhand.weather.Weather;
import tools.jackson.databind.annotation.JsonSerialize;

/**
 * The bloom board.
 *
 * @param stepMinutes minutes between the points of every ribbon, the first at {@code from}
 * @param everRead whether flowers of any tree were ever read here
 * @param varieties for each variety when pollen and females meet, and when they miss each other
 * @param weather what the air was reckoned with, stretch by stretch
 * @param ageSeconds how long ago it was made, where a new one follows; else absent
 */
@Schema(name = "Bloom")
record BloomView(
        Instant from,
        Instant until,
        int stepMinutes,
        double receptiveNow,
        double sheddingNow,
        boolean everRead,
        @JsonSerialize(using = WrittenOnce.class) List<Row> trees,
        List<VarietyOverlap> varieties,
        List<WeatherPeriod> weather,
        @Schema(description = OPTIONAL) Long ageSeconds) {

    BloomView ofAge(Duration age) {
        return new BloomView(
                from,
                until,
                stepMinutes,
                receptiveNow,
                sheddingNow,
                everRead,
                trees,
                varieties,
                weather,
                age.toSeconds());
    }

    /** Expected flowers and the interval that holds eight times in ten. */
    @Schema(name = "FlowerCount")
    record Count(double mean, int low, int high) {
        static Count of(FlowerCount c) {
            return new Count(rounded(c.mean()), c.low(), c.high());
        }
    }

    /** Expected flowers at each moment, and the interval that holds eight times in ten. */
    @Schema(name = "FlowerSeries")
    record Series(double[] mean, int[] low, int[] high) {
        static Series of(List<ForecastPoint> points, Function<ForecastPoint, FlowerCount> count) {
            return new Series(
                    points.stream()
                            .mapToDouble(p -> rounded(count.apply(p).mean()))
                            .toArray(),
                    points.stream().mapToInt(p -> count.apply(p).low()).toArray(),
                    points.stream().mapToInt(p -> count.apply(p).high()).toArray());
        }
    }

    private static double rounded(double flowers) {
        return Math.round(flowers * 100) / 100.0;
    }

    /** A stretch of time in which flowers are there. */
    @Schema(name = "FlowerStretch")
    record TimeWindow(Instant from, Instant until, boolean endsInForecast, Instant peakAt, Count peak) {
        static TimeWindow of(TreeOutlook.TimeWindow s) {
            return new TimeWindow(s.from(), s.until(), s.endsInForecast(), s.peakAt(), Count.of(s.peak()));
        }
    }

    /**
     * How much slower or faster than its sheet a variety develops: a factor on all durations, and what it lies between eight times in
     * ten.
     *
     * @param readings of its trees that it rests on
     */
    @Schema(name = "DevelopmentRate")
    record Rate(double factor, double low, double high, int readings) {
        static Rate of(DevelopmentRateEstimate r) {
            return r == null ? null : new Rate(r.factor(), r.low(), r.high(), r.readings());
        }
    }

    /** A stretch of the air's source. */
    @Schema(name = "AirStretch")
    record WeatherPeriod(Instant from, Instant until, WeatherSource source) {
        static WeatherPeriod of(Weather.TimeWindow s) {
            return new WeatherPeriod(s.from(), s.until(), s.source());
        }
    }

    /** When a variety's females and the pollen that serves them meet. */
    @Schema(name = "VarietyMeeting")
    record VarietyOverlap(
            UUID varietyId,
            String varietyName,
            String crop,
            @Schema(description = OPTIONAL) Hours collect,
            @Schema(description = OPTIONAL) Hours pollinate,
            List<Miss> misses) {
        static VarietyOverlap of(UUID id, String name, String crop, BloomSynchrony m) {
            return new VarietyOverlap(
                    id,
                    name,
                    crop,
                    m.collect().map(Hours::of).orElse(null),
                    m.pollinate().map(Hours::of).orElse(null),
                    m.misses().stream()
                            .map(x -> new Miss(
                                    x.date(), x.females(), x.collectOn().orElse(null)))
                            .toList());
        }
    }

    /** Good hours, and the most flowers in them. */
    @Schema(name = "MeetingHours")
    record Hours(Instant from, Instant until, double flowers, boolean endsWithDark) {
        static Hours of(BloomSynchrony.Hours h) {
            return new Hours(h.from(), h.until(), h.flowers(), h.endsWithDark());
        }
    }

    /** A day with females and no pollen; {@code collectOn} is the latest day before it with pollen. */
    @Schema(name = "PollenMiss")
    record Miss(
            LocalDate date,
            double females,
            @Schema(description = OPTIONAL) LocalDate collectOn) {}

    /** A tree's ribbon; without a reading its series are empty. */
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
            Series receptive,
            Series shedding,
            double receptiveThisEvening,
            @Schema(description = OPTIONAL) TimeWindow nextReceptive,
            @Schema(description = OPTIONAL) TimeWindow nextShedding,
            @Schema(description = OPTIONAL) Rate developmentRate) {

        static Row of(Foreseen f, List<ForecastPoint> points, double receptiveThisEvening) {
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
                    Series.of(points, ForecastPoint::receptive),
                    Series.of(points, ForecastPoint::shedding),
                    rounded(receptiveThisEvening),
                    outlook == null
                            ? null
                            : outlook.receptive().map(TimeWindow::of).orElse(null),
                    outlook == null
                            ? null
                            : outlook.shedding().map(TimeWindow::of).orElse(null),
                    Rate.of(f.rate()));
        }
    }
}
