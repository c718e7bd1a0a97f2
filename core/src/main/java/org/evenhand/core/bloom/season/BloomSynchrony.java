package org.evenhand.core.bloom.season;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.forecast.TreeOutlook;

/**
 * When females of one variety and the pollen that serves them are there together, and on which days they miss each other.
 *
 * @param collect the next stretch in which pollen is at its best
 * @param pollinate the next stretch in which there are females, and pollen has been there to fetch
 * @param misses days with females and no pollen
 */
public record BloomSynchrony(Optional<Hours> collect, Optional<Hours> pollinate, List<Miss> misses) {
    /** Females from which a day without pollen is worth a word. Our judgement. */
    static final double WORTH_A_WORD = 3;

    private static final double AT_ITS_BEST = 0.5;
    private static final Duration SAME_DAY = Duration.ofHours(14);
    private static final Duration WORTH_AN_EVENING = Duration.ofHours(1);

    public BloomSynchrony {
        misses = List.copyOf(misses);
    }

    /**
     * A stretch of hours.
     *
     * @param flowers the most flowers in it
     * @param endsWithDark whether it is cut short by darkness
     */
    public record Hours(Instant from, Instant until, double flowers, boolean endsWithDark) {
        /** Cut at the first dusk that leaves at least an hour before it. */
        private Hours untilDark(List<Instant> dusks) {
            return dusks.stream()
                    .filter(d -> d.isAfter(from.plus(WORTH_AN_EVENING)) && d.isBefore(until))
                    .filter(d -> d.isBefore(from.plus(SAME_DAY)))
                    .findFirst()
                    .map(d -> new Hours(from, d, flowers, true))
                    .orElse(this);
        }
    }

    /**
     * A day on which females wait in vain.
     *
     * @param date the day
     * @param females the most that can take pollen at one time on that day
     * @param collectOn the latest day before it on which pollen can be gathered and kept
     */
    public record Miss(LocalDate date, double females, Optional<LocalDate> collectOn) {}

    /**
     * @param moments in rising order
     * @param receptive females of the variety at each moment
     * @param shedding male flowers that serve it, on all trees, at each moment
     * @param dusks moments at which it gets dark, in rising order
     * @throws InvalidInputException if {@code moments} is not valid
     */
    public static BloomSynchrony of(
            List<Instant> moments, double[] receptive, double[] shedding, List<Instant> dusks, ZoneId zone) {
        if (moments.size() != receptive.length || moments.size() != shedding.length) {
            throw new InvalidInputException("moments", "must be as many as the flowers.");
        }
        Optional<Hours> collect = best(moments, shedding, 0);
        int pollenFrom = collect.map(c -> moments.indexOf(c.from())).orElse(-1);
        Optional<Hours> pollinate = pollenFrom < 0 ? Optional.empty() : best(moments, receptive, pollenFrom);
        return new BloomSynchrony(
                collect.map(c -> c.untilDark(dusks)),
                pollinate.map(p -> p.untilDark(dusks)),
                misses(moments, receptive, shedding, zone));
    }

    private static int first(double[] flowers, int from) {
        for (int i = from; i < flowers.length; i++) {
            if (flowers[i] >= TreeOutlook.THERE) {
                return i;
            }
        }
        return -1;
    }

    /** The next stretch with at least half of that stretch's own peak within a day of its begin. */
    private static Optional<Hours> best(List<Instant> moments, double[] flowers, int from) {
        int begin = first(flowers, from);
        if (begin < 0) {
            return Optional.empty();
        }
        double peak = 0;
        for (int i = begin; i < flowers.length && withinADay(moments, begin, i); i++) {
            peak = Math.max(peak, flowers[i]);
        }
        double enough = Math.max(TreeOutlook.THERE, AT_ITS_BEST * peak);
        int start = begin;
        while (flowers[start] < enough) {
            start++;
        }
        int end = start;
        while (end + 1 < flowers.length && flowers[end + 1] >= enough && withinADay(moments, start, end + 1)) {
            end++;
        }
        return Optional.of(new Hours(moments.get(start), moments.get(end), peak, false));
    }

    private static boolean withinADay(List<Instant> moments, int from, int to) {
        return moments.get(to).getEpochSecond() - moments.get(from).getEpochSecond() <= 24 * 3600;
    }

    private static List<Miss> misses(List<Instant> moments, double[] receptive, double[] shedding, ZoneId zone) {
        Map<LocalDate, double[]> days = new LinkedHashMap<>();
        for (int i = 0; i < moments.size(); i++) {
            double[] most = days.computeIfAbsent(moments.get(i).atZone(zone).toLocalDate(), d -> new double[2]);
            most[0] = Math.max(most[0], receptive[i]);
            most[1] = Math.max(most[1], shedding[i]);
        }
        List<Miss> misses = new ArrayList<>();
        LocalDate latestPollen = null;
        for (Map.Entry<LocalDate, double[]> day : days.entrySet()) {
            boolean pollen = day.getValue()[1] >= TreeOutlook.THERE;
            if (!pollen && day.getValue()[0] >= WORTH_A_WORD) {
                misses.add(new Miss(day.getKey(), day.getValue()[0], Optional.ofNullable(latestPollen)));
            }
            latestPollen = pollen ? day.getKey() : latestPollen;
        }
        return misses;
    }
}
