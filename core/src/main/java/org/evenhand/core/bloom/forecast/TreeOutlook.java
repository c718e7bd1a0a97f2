package org.evenhand.core.bloom.forecast;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import org.evenhand.core.InvalidInputException;

/**
 * The few moments of a forecast that matter to somebody who plans an evening.
 *
 * <p>Flowers of a phase are <em>there</em> while at least half a flower is expected ({@link #THERE}); that threshold is ours.
 *
 * @param receptiveNow flowers that can take pollen at the forecast's first point
 * @param sheddingNow flowers that give pollen then
 * @param receptive the next stretch in which some can take pollen, if there is one
 * @param shedding the next stretch in which some give it, if there is one
 */
public record TreeOutlook(
        FlowerCount receptiveNow,
        FlowerCount sheddingNow,
        Optional<TimeWindow> receptive,
        Optional<TimeWindow> shedding) {
    /** Expected flowers from which a phase counts as present. */
    public static final double THERE = 0.5;

    /**
     * A stretch of time in which flowers of a phase are there.
     *
     * @param from first moment, the forecast's own start when they are there already
     * @param until first moment at which they are gone, or the forecast's end
     * @param endsInForecast false when they are still there at the forecast's end
     * @param peakAt when most are expected
     * @param peak how many then
     */
    public record TimeWindow(Instant from, Instant until, boolean endsInForecast, Instant peakAt, FlowerCount peak) {}

    /**
     * @param points a forecast, at least one point, in rising order
     * @throws InvalidInputException if {@code points} is not valid
     */
    public static TreeOutlook of(List<ForecastPoint> points) {
        if (points.isEmpty()) {
            throw new InvalidInputException("points", "are none; an outlook needs a forecast.");
        }
        ForecastPoint now = points.get(0);
        return new TreeOutlook(
                now.receptive(),
                now.shedding(),
                firstWindow(points, ForecastPoint::receptive),
                firstWindow(points, ForecastPoint::shedding));
    }

    private static Optional<TimeWindow> firstWindow(
            List<ForecastPoint> points, Function<ForecastPoint, FlowerCount> count) {
        int first = 0;
        while (first < points.size() && !there(count.apply(points.get(first)))) {
            first++;
        }
        if (first == points.size()) {
            return Optional.empty();
        }
        int end = first;
        int peak = first;
        while (end < points.size() && there(count.apply(points.get(end)))) {
            peak = count.apply(points.get(end)).mean()
                            > count.apply(points.get(peak)).mean()
                    ? end
                    : peak;
            end++;
        }
        boolean ends = end < points.size();
        return Optional.of(new TimeWindow(
                points.get(first).at(),
                points.get(ends ? end : end - 1).at(),
                ends,
                points.get(peak).at(),
                count.apply(points.get(peak))));
    }

    private static boolean there(FlowerCount count) {
        return count.mean() >= THERE;
    }
}
