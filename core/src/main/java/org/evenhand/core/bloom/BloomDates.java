package org.evenhand.core.bloom;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.ToDoubleFunction;
import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.TDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.weather.WinterRest;

/**
 * When a variety will flower this year, from the years before.
 *
 * <p>Two ways compete. The calendar: the mean of the past days of the season. Chill, then heat: once the buds have had their chill
 * portions, growing degree hours add up until the mean of the past sums; it needs the past years' weather. Each is tried by leaving
 * out one year at a time and foreseeing it from the others; the one with the smaller error is used. The interval holds eight times in
 * ten, by Student's t with one degree of freedom less than the years.
 *
 * @param expected the day foreseen
 * @param earliest lower end of the interval
 * @param latest upper end
 * @param way which of the two was used
 * @param years past years it rests on
 * @param errorDays root mean square of the errors in foreseeing left-out years, days
 */
public record BloomDates(
        LocalDate expected, LocalDate earliest, LocalDate latest, Way way, int years, double errorDays) {
    /** Nobody foresees bloom to the day: the error is never taken to be less. Our judgement. */
    private static final double LEAST_ERROR_DAYS = 2;

    /** Years from which the ways can be compared. */
    private static final int COMPARABLE = 3;

    /** How it was foreseen. */
    public enum Way {
        CALENDAR,
        CHILL_THEN_HEAT
    }

    /**
     * One past season.
     *
     * @param seasonStart first day of the season, from which days and chill count
     * @param bloom the day it flowered
     * @param hourlyC temperatures from the season's start to its bloom or beyond, where they are known
     */
    public record PastSeason(LocalDate seasonStart, LocalDate bloom, Optional<double[]> hourlyC) {
        public PastSeason {
            if (bloom.isBefore(seasonStart)) {
                throw new InvalidInputException(
                        "bloom", "is " + bloom + ", before the season began, " + seasonStart + ".");
            }
        }

        int day() {
            return (int) ChronoUnit.DAYS.between(seasonStart, bloom);
        }
    }

    /**
     * @param past seasons with a known bloom, any number
     * @param seasonStart first day of the coming season
     * @param hourlyC temperatures of the coming season as known and foreseen, from its start on
     * @param chillPortions chill the buds need, where the crop rests in winter
     */
    public static Optional<BloomDates> of(
            List<PastSeason> past, LocalDate seasonStart, double[] hourlyC, Optional<Double> chillPortions) {
        if (past.size() < 2) {
            return Optional.empty();
        }
        ToDoubleFunction<List<PastSeason>> calendar =
                seasons -> seasons.stream().mapToInt(PastSeason::day).average().orElseThrow();
        double calendarError =
                error(past, (others, left) -> OptionalInt.of((int) Math.round(calendar.applyAsDouble(others))));
        List<PastSeason> measured =
                past.stream().filter(p -> heatOf(p, chillPortions).isPresent()).toList();
        if (measured.size() >= COMPARABLE) {
            double heatError = error(
                    measured,
                    (others, left) ->
                            dayOfHeat(left.hourlyC().orElseThrow(), chillPortions, meanHeat(others, chillPortions)));
            OptionalInt day = dayOfHeat(hourlyC, chillPortions, meanHeat(measured, chillPortions));
            if (day.isPresent() && heatError <= calendarError) {
                return Optional.of(
                        around(seasonStart, day.getAsInt(), Way.CHILL_THEN_HEAT, measured.size(), heatError));
            }
        }
        double day = calendar.applyAsDouble(past);
        return Optional.of(around(seasonStart, (int) Math.round(day), Way.CALENDAR, past.size(), calendarError));
    }

    private static BloomDates around(LocalDate start, int day, Way way, int years, double error) {
        double spread =
                Math.max(error, LEAST_ERROR_DAYS) * TDistribution.of(years - 1).inverseCumulativeProbability(0.9);
        LocalDate expected = start.plusDays(day);
        long off = Math.round(spread);
        return new BloomDates(expected, expected.minusDays(off), expected.plusDays(off), way, years, error);
    }

    /** Foresees one season from others. */
    @FunctionalInterface
    private interface LeftOut {
        OptionalInt foresee(List<PastSeason> others, PastSeason left);
    }

    /** Root mean square error in days; without bound when a season cannot be foreseen. */
    private static double error(List<PastSeason> past, LeftOut way) {
        double sum = 0;
        for (PastSeason left : past) {
            List<PastSeason> others = past.stream().filter(p -> p != left).toList();
            OptionalInt day = way.foresee(others, left);
            if (day.isEmpty()) {
                return Double.POSITIVE_INFINITY;
            }
            sum += Math.pow(day.getAsInt() - left.day(), 2);
        }
        return Math.sqrt(sum / past.size());
    }

    private static double meanHeat(List<PastSeason> seasons, Optional<Double> chillPortions) {
        return seasons.stream()
                .mapToDouble(s -> heatOf(s, chillPortions).orElseThrow())
                .average()
                .orElseThrow();
    }

    /** Growing degree hours from the end of chilling to bloom, where the weather is known and the chill was reached. */
    private static Optional<Double> heatOf(PastSeason season, Optional<Double> chillPortions) {
        int hours = (season.day() + 1) * 24;
        if (season.hourlyC().isEmpty() || season.hourlyC().get().length < hours) {
            return Optional.empty();
        }
        double[] hourly = season.hourlyC().get();
        int from = chilled(hourly, chillPortions);
        return from < 0 || from >= hours
                ? Optional.empty()
                : Optional.of(WinterRest.over(java.util.Arrays.copyOfRange(hourly, from, hours))
                        .growingDegreeHours());
    }

    /** Day on which the heat reaches a sum. */
    private static OptionalInt dayOfHeat(double[] hourly, Optional<Double> chillPortions, double wanted) {
        int from = chilled(hourly, chillPortions);
        if (from < 0) {
            return OptionalInt.empty();
        }
        WinterRest rest = new WinterRest();
        return IntStream.range(from, hourly.length)
                .filter(h -> {
                    rest.hour(hourly[h]);
                    return rest.growingDegreeHours() >= wanted;
                })
                .map(h -> h / 24)
                .findFirst();
    }

    /** Hour at which the chill is reached: 0 where none is needed, -1 where it is not reached. */
    private static int chilled(double[] hourly, Optional<Double> chillPortions) {
        if (chillPortions.isEmpty()) {
            return 0;
        }
        WinterRest rest = new WinterRest();
        for (int h = 0; h < hourly.length; h++) {
            rest.hour(hourly[h]);
            if (rest.chillPortions() >= chillPortions.get()) {
                return h;
            }
        }
        return -1;
    }
}
