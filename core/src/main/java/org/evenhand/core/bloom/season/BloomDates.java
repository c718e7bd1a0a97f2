package org.evenhand.core.bloom.season;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.statistics.distribution.TDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.weather.DynamicModel;
import org.evenhand.core.weather.GrowingDegreeHours;

/**
 * When a variety will flower this year, from the years before.
 *
 * <p>Two ways compete. The calendar: the mean of the past days of the season. Chill, then heat: once the buds have had their chill
 * portions, growing degree hours add up until the mean of the past sums. The weather is known up to today only; from then on each past
 * year's weather in turn stands for what may come, and the day is the mean over these futures (not the day of the mean weather, whose
 * heat would be too little). Each way is tried by foreseeing every past year from the others as of the same day of its season; the one
 * with the smaller error is used. The interval holds eight times in ten, by Student's t.
 *
 * @param expected the day foreseen
 * @param earliest lower end of the interval
 * @param latest upper end
 * @param way which of the two was used
 * @param years past years it rests on
 * @param errorDays root mean square of the errors in foreseeing past years as of the same day, days
 */
public record BloomDates(
        LocalDate expected, LocalDate earliest, LocalDate latest, Method method, int years, double errorDays) {
    /** Nobody foresees bloom to the day: the error is never taken to be less. Our convention. */
    private static final double LEAST_ERROR_DAYS = 2;

    /** Years from which the ways can be compared. */
    private static final int COMPARABLE = 3;

    /** The way with the smaller of two errors was chosen, so that its error looks smaller than it is. Found on simulated winters. */
    private static final double CHOSEN = 1.2;

    /** Chance of each tail beyond the interval. */
    private static final double INSIDE = 0.9;

    private static final int HOURS_A_DAY = 24;

    /** How it was foreseen. */
    public enum Method {
        CALENDAR,
        CHILL_THEN_HEAT
    }

    /**
     * One past season.
     *
     * @param seasonStart first day of the season, from which days and chill count
     * @param bloom the day it flowered
     * @param hourlyC temperatures from the season's start on, to its bloom or better to the season's end, where they are known
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
     * @param knownC hourly temperatures of the coming season as far as they are measured or forecast, from its start on
     * @param chillPortions chill the buds need, where the crop rests in winter
     * @return nothing with fewer than two past years
     */
    public static Optional<BloomDates> of(
            List<PastSeason> past, LocalDate seasonStart, double[] knownC, Optional<Double> chillPortions) {
        if (past.size() < 2) {
            return Optional.empty();
        }
        int today = knownC.length / HOURS_A_DAY;
        double calendarError = error(past, (others, left) -> calendar(others));
        List<Heated> measured =
                past.stream().flatMap(p -> Heated.of(p, chillPortions).stream()).toList();
        if (measured.size() >= COMPARABLE) {
            OptionalDouble day = heated(knownC, measured);
            double heatError = error(measured.stream().map(Heated::season).toList(), (others, left) -> {
                // As of the same day of its season, and in any case before it flowered.
                int asOf = Math.min(today, left.day());
                double[] known = Arrays.copyOf(left.hourlyC().orElseThrow(), asOf * HOURS_A_DAY);
                return heated(
                        known, measured.stream().filter(m -> m.season != left).toList());
            });
            double sameYearsByCalendar =
                    error(measured.stream().map(Heated::season).toList(), (others, left) -> calendar(others));
            if (day.isPresent() && heatError <= sameYearsByCalendar) {
                return Optional.of(around(
                        seasonStart, day.getAsDouble(), today, Method.CHILL_THEN_HEAT, measured.size(), heatError));
            }
        }
        return Optional.of(
                around(seasonStart, calendar(past).getAsDouble(), today, Method.CALENDAR, past.size(), calendarError));
    }

    private static OptionalDouble calendar(List<PastSeason> seasons) {
        return seasons.stream().mapToInt(PastSeason::day).average();
    }

    private static BloomDates around(LocalDate start, double day, int today, Method method, int years, double error) {
        double spread = Math.max(error * CHOSEN, LEAST_ERROR_DAYS)
                * TDistribution.of(years - 1).inverseCumulativeProbability(INSIDE);
        // What has not flowered yet does not flower in the past; what should be long over flowered without being
        // written down.
        long notBefore = Math.round(day + spread) < today ? Long.MIN_VALUE : today;
        return new BloomDates(
                start.plusDays(Math.max(notBefore, Math.round(day))),
                start.plusDays(Math.max(notBefore, Math.round(day - spread))),
                start.plusDays(Math.max(notBefore, Math.round(day + spread))),
                method,
                years,
                error);
    }

    /** Foresees one season from others. */
    @FunctionalInterface
    private interface LeftOut {
        OptionalDouble foresee(List<PastSeason> others, PastSeason left);
    }

    /** Root mean square error in days; without bound when a season cannot be foreseen. */
    private static double error(List<PastSeason> past, LeftOut method) {
        double sum = 0;
        for (PastSeason left : past) {
            OptionalDouble day =
                    method.foresee(past.stream().filter(p -> p != left).toList(), left);
            if (day.isEmpty()) {
                return Double.POSITIVE_INFINITY;
            }
            sum += Math.pow(day.getAsDouble() - left.day(), 2);
        }
        return Math.sqrt(sum / past.size());
    }

    /**
     * A past season whose weather is known and whose chill was reached.
     *
     * @param heat growing degree hours from then to the noon of its bloom
     */
    private record Heated(PastSeason season, Optional<Double> chillPortions, double heat) {
        static Optional<Heated> of(PastSeason season, Optional<Double> chillPortions) {
            int until = season.day() * HOURS_A_DAY + HOURS_A_DAY / 2;
            if (season.hourlyC().isEmpty() || season.hourlyC().get().length < until) {
                return Optional.empty();
            }
            double[] hourly = season.hourlyC().get();
            int from = chilled(hourly, chillPortions);
            return from < 0 || from >= until
                    ? Optional.empty()
                    : Optional.of(new Heated(season, chillPortions, heatOver(hourly, from, until)));
        }

        private static double heatOver(double[] hourly, int from, int until) {
            double sum = 0;
            for (int h = from; h < until; h++) {
                sum += GrowingDegreeHours.of(hourly[h]);
            }
            return sum;
        }
    }

    /** The day by heat: what is known, then each past season's weather in turn. Nothing where not all of them get there. */
    private static OptionalDouble heated(double[] known, List<Heated> past) {
        double wanted = past.stream().mapToDouble(Heated::heat).average().orElseThrow();
        double sum = 0;
        for (Heated future : past) {
            double[] rest = future.season.hourlyC().orElseThrow();
            double[] hourly = Arrays.copyOf(known, Math.max(known.length, rest.length));
            if (rest.length > known.length) {
                System.arraycopy(rest, known.length, hourly, known.length, rest.length - known.length);
            }
            double day = dayOfHeat(hourly, future.chillPortions, wanted);
            if (Double.isNaN(day)) {
                return OptionalDouble.empty();
            }
            sum += day;
        }
        return OptionalDouble.of(sum / past.size());
    }

    /** Day on which the heat reaches a sum; not a number where it does not. */
    private static double dayOfHeat(double[] hourly, Optional<Double> chillPortions, double wanted) {
        int from = chilled(hourly, chillPortions);
        double heat = 0;
        for (int h = Math.max(from, 0); from >= 0 && h < hourly.length; h++) {
            heat += GrowingDegreeHours.of(hourly[h]);
            if (heat >= wanted) {
                return h / HOURS_A_DAY;
            }
        }
        return Double.NaN;
    }

    /** Hour at which the chill is reached: 0 where none is needed, -1 where it is not reached. */
    private static int chilled(double[] hourly, Optional<Double> chillPortions) {
        if (chillPortions.isEmpty()) {
            return 0;
        }
        DynamicModel portions = new DynamicModel();
        for (int h = 0; h < hourly.length; h++) {
            portions.hour(hourly[h]);
            if (portions.total() >= chillPortions.get()) {
                return h;
            }
        }
        return -1;
    }
}
