package org.evenhand.core.pollination;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evenhand.core.crop.SuspensionTraits;
import org.evenhand.core.pollen.FigSize;

/**
 * Figs in the order in which they are injected: those of the right size first, the largest of them in front as they are past soonest;
 * then those still too small, the next to be right in front; last those too late, which stay as a comparison.
 *
 * <p>A fig measured twice is reckoned to go on growing as it did in between, in mm a day. One measured once is taken as it was.
 */
public final class FigList {
    /** Two measures closer than this say nothing of growth: a calliper is off by as much. Our convention. */
    private static final Duration APART = Duration.ofHours(12);

    private static final double HOURS_A_DAY = 24;

    private FigList() {}

    /** One fig's size at a moment, by the name of its mark. */
    public record Measure(String fig, double diameterMm, FigSize.Eye eye, Instant at) {}

    /**
     * A fig and what is to be done with it.
     *
     * @param latest its latest measure
     * @param nowMm reckoned diameter, mm
     * @param mmPerDay growth; empty where it was measured only once
     * @param rightFrom when a small one should be right; empty where that cannot be said or has come
     * @param lateFrom when a right one should be too large; empty where that cannot be said
     */
    public record Row(
            Measure latest,
            double nowMm,
            FigSize size,
            Optional<Double> mmPerDay,
            Optional<Instant> rightFrom,
            Optional<Instant> lateFrom) {}

    /** @param measures of one tree, in any order; names that differ in case only are one fig */
    public static List<Row> of(List<Measure> measures, SuspensionTraits.SizeWindow window, Instant now) {
        Map<String, List<Measure>> byFig = measures.stream()
                .sorted(Comparator.comparing(Measure::at))
                .collect(Collectors.groupingBy(
                        m -> m.fig().toLowerCase(Locale.ROOT), TreeMap::new, Collectors.toList()));
        return byFig.values().stream()
                .map(of -> row(of, window, now))
                .sorted(Comparator.comparing(FigList::turn)
                        .thenComparing(r -> -r.nowMm())
                        .thenComparing(r -> r.latest().fig()))
                .toList();
    }

    private static int turn(Row row) {
        return switch (row.size()) {
            case RIGHT -> 0;
            case TOO_SMALL -> 1;
            case TOO_LATE -> 2;
        };
    }

    private static Row row(List<Measure> of, SuspensionTraits.SizeWindow window, Instant now) {
        Measure latest = of.get(of.size() - 1);
        Optional<Double> growth = of.stream()
                .filter(m -> !m.at().isAfter(latest.at().minus(APART)))
                .reduce((a, b) -> b)
                .map(before ->
                        Math.max(0, (latest.diameterMm() - before.diameterMm()) / days(before.at(), latest.at())));
        double nowMm = latest.diameterMm() + growth.orElse(0.0) * Math.max(0, days(latest.at(), now));
        FigSize size = FigSize.of(nowMm, latest.eye(), window);
        return new Row(
                latest,
                nowMm,
                size,
                growth,
                size == FigSize.TOO_SMALL
                        ? reaches(window.rightFromMm().value(), nowMm, growth, now)
                        : Optional.empty(),
                size == FigSize.TOO_LATE
                        ? Optional.empty()
                        : reaches(window.lateFromMm().value(), nowMm, growth, now));
    }

    private static Optional<Instant> reaches(double mm, double nowMm, Optional<Double> growth, Instant now) {
        return growth.filter(g -> g > 0)
                .map(g -> now.plus(Duration.ofMinutes(Math.round((mm - nowMm) / g * HOURS_A_DAY * 60))));
    }

    private static double days(Instant from, Instant to) {
        return Duration.between(from, to).toMinutes() / (HOURS_A_DAY * 60);
    }
}
