package org.evenhand.core.bloom.season;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Optional;
import java.util.TreeMap;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.crop.Phase;

/**
 * A variety's season: on each day, how many of its flowers take pollen and how many give it, against its best day.
 *
 * <p>Flowers enter their first open stage along a triangle from the day of first bloom over full bloom to the last, and then walk by
 * the flower clock.
 *
 * @param receptive share of the best day, by date; days below 1 % are left out
 * @param shedding the same for flowers that give
 */
public record BloomProgress(TreeMap<LocalDate, Double> receptive, TreeMap<LocalDate, Double> shedding) {
    /** A day counts when at least this share of the best day's flowers are there. Our judgement. */
    public static final double COUNTS = 0.1;

    private static final double LEAST = 0.01;
    private static final int DAYS_AFTER = 21;

    /**
     * @param supply of the crop, over the season's air
     * @param first day of first bloom
     * @param full day of full bloom, not before the first
     * @param last day of the last new flowers, not before full bloom
     * @throws InvalidInputException if {@code bloom} is not valid
     */
    public static BloomProgress of(BudSupply supply, ZoneId zone, LocalDate first, LocalDate full, LocalDate last) {
        if (full.isBefore(first) || last.isBefore(full)) {
            throw new InvalidInputException(
                    "bloom", "must run from first over full to last: " + first + ", " + full + ", " + last + ".");
        }
        TreeMap<LocalDate, Double> receptive = new TreeMap<>();
        TreeMap<LocalDate, Double> shedding = new TreeMap<>();
        int opening = opening(supply);
        FlowerState state = supply.clock().entering(opening, 0);
        double at = hours(supply, zone, first);
        for (LocalDate date = first; !date.isAfter(last.plusDays(DAYS_AFTER)); date = date.plusDays(1)) {
            double next = hours(supply, zone, date.plusDays(1));
            double perQuarter = density(date, first, full, last) / 4;
            double most = 0;
            double mostShedding = 0;
            for (int quarter = 0; quarter < 4; quarter++) {
                double until = at + (next - at) / (4 - quarter);
                state = supply.advance(state.withNew(opening, perQuarter), at, until);
                most = Math.max(most, sum(supply, state, true));
                mostShedding = Math.max(mostShedding, sum(supply, state, false));
                at = until;
            }
            receptive.put(date, most);
            shedding.put(date, mostShedding);
        }
        return new BloomProgress(scaled(receptive), scaled(shedding));
    }

    private static int opening(BudSupply supply) {
        for (int s = 0; s < supply.sheet().stages().size(); s++) {
            if (supply.sheet().stages().get(s).phase() != Phase.BUD) {
                return s;
            }
        }
        throw new InvalidInputException("stages", "never open.");
    }

    private static double hours(BudSupply supply, ZoneId zone, LocalDate date) {
        Instant midnight = date.atStartOfDay(zone).toInstant();
        return supply.hoursTo(midnight);
    }

    /** New flowers of a day, of one in all. */
    private static double density(LocalDate date, LocalDate first, LocalDate full, LocalDate last) {
        double up = ChronoUnit.DAYS.between(first, full) + 1.0;
        double down = ChronoUnit.DAYS.between(full, last) + 1.0;
        double height = 2 / (up + down);
        if (date.isAfter(last)) {
            return 0;
        }
        return date.isAfter(full)
                ? height * (ChronoUnit.DAYS.between(date, last) + 0.5) / down
                : height * (ChronoUnit.DAYS.between(first, date) + 0.5) / up;
    }

    private static double sum(BudSupply supply, FlowerState state, boolean receptive) {
        double[] totals = state.stageTotals();
        double sum = 0;
        for (int s = 0; s < totals.length - 1; s++) {
            Phase phase = supply.sheet().stages().get(s).phase();
            sum += (receptive ? phase.receives() : phase.sheds()) ? totals[s] : 0;
        }
        return sum;
    }

    private static TreeMap<LocalDate, Double> scaled(TreeMap<LocalDate, Double> days) {
        double most = days.values().stream().mapToDouble(d -> d).max().orElse(0);
        TreeMap<LocalDate, Double> scaled = new TreeMap<>();
        days.forEach((date, flowers) -> {
            if (most > 0 && flowers / most >= LEAST) {
                scaled.put(date, flowers / most);
            }
        });
        return scaled;
    }

    /** The days on which enough flowers take pollen. */
    public Optional<Days> receives() {
        return days(receptive);
    }

    public Optional<Days> sheds() {
        return days(shedding);
    }

    private static Optional<Days> days(TreeMap<LocalDate, Double> shares) {
        var counting = shares.entrySet().stream()
                .filter(e -> e.getValue() >= COUNTS)
                .map(java.util.Map.Entry::getKey)
                .toList();
        return counting.isEmpty()
                ? Optional.empty()
                : Optional.of(new Days(counting.get(0), counting.get(counting.size() - 1)));
    }

    /** A stretch of days, both ends in it. */
    public record Days(LocalDate first, LocalDate last) {}
}
