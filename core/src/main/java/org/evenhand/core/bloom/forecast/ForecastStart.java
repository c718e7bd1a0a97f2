package org.evenhand.core.bloom.forecast;

import java.time.Instant;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Where the forecasts of some trees begin: how their flowers walk, from when on, and how far the weather may go from its forecast.
 * Trees that begin alike share one of these, and with it what was computed of the way ahead; the latest of that is kept. Safe to be
 * used by several threads.
 */
final class ForecastStart {
    /** Moments of which the chances are kept. */
    private static final int MOST_KEPT = 260;

    private static final double ROUGH_HOURS = 0.5;

    private final FlowerModel model;
    private final double from;
    private final int daysAhead;
    private final WeatherDoubt weather;
    private final double weatherKnownUntil;
    private final Map<List<Instant>, PhaseChances> phases = new LinkedHashMap<>(16, 0.75f, true);
    private List<Instant> roughMoments = List.of();
    private @Nullable PhaseChances rough;
    private final Map<Instant, double[][]> places = new LinkedHashMap<>(16, 0.75f, true);

    /**
     * @param from hour of the start, after that of the model's conditions
     * @param daysAhead days whose buds are followed, the running one included
     * @param weatherKnownUntil hour from which the weather is only foreseen
     */
    ForecastStart(FlowerModel model, double from, int daysAhead, WeatherDoubt weather, double weatherKnownUntil) {
        this.model = model;
        this.from = from;
        this.daysAhead = daysAhead;
        this.weather = weather;
        this.weatherKnownUntil = Math.max(from, weatherKnownUntil);
    }

    FlowerModel model() {
        return model;
    }

    double from() {
        return from;
    }

    int daysAhead() {
        return daysAhead;
    }

    private double hoursTo(Instant at) {
        return model.conditions().temperatures().hoursTo(at);
    }

    /** Chances of the phases at moments in rising order; a moment before the start stands for the start. */
    synchronized PhaseChances phases(List<Instant> moments) {
        PhaseChances known = phases.get(moments);
        if (known == null) {
            double[] hours = moments.stream()
                    .mapToDouble(m -> Math.max(from, hoursTo(m)))
                    .toArray();
            known = new PhaseChances(
                    model, from, daysAhead, hours, weather.courses(model.conditions(), weatherKnownUntil));
            phases.put(List.copyOf(moments), known);
            forgetOldest();
        }
        return known;
    }

    /** The same under the weather as foreseen only, in longer steps: for choosing hours, not for showing numbers. */
    synchronized PhaseChances roughly(List<Instant> moments) {
        PhaseChances known = rough;
        if (known == null || !moments.equals(roughMoments)) {
            double[] hours = moments.stream()
                    .mapToDouble(m -> Math.max(from, hoursTo(m)))
                    .toArray();
            known = new PhaseChances(model.withLongestStepHours(ROUGH_HOURS), from, daysAhead, hours, List.of());
            rough = known;
            roughMoments = List.copyOf(moments);
        }
        return known;
    }

    private void forgetOldest() {
        int kept = phases.keySet().stream().mapToInt(List::size).sum();
        Iterator<List<Instant>> oldest = phases.keySet().iterator();
        while (kept > MOST_KEPT && phases.size() > 1) {
            kept -= oldest.next().size();
            oldest.remove();
        }
    }

    /** For one flower of each compartment and one bud of each day to come: the chance of each compartment at a moment. */
    synchronized double[][] places(Instant moment) {
        double[][] known = places.get(moment);
        if (known == null) {
            FlowersToCome flowers = new FlowersToCome(model, from, daysAhead);
            flowers.advanceTo(hoursTo(moment));
            known = flowers.chances();
            places.put(moment, known);
            if (places.size() > 8) {
                Iterator<Instant> oldest = places.keySet().iterator();
                oldest.next();
                oldest.remove();
            }
        }
        return known;
    }

    /** The sum of chances weighed by the flowers and buds that begin. */
    static double[] weighed(double[] flowers, double[][] chances) {
        double[] sums = new double[chances[0].length];
        for (int i = 0; i < flowers.length; i++) {
            double each = flowers[i];
            double[] row = chances[i];
            for (int c = 0; each != 0 && c < sums.length; c++) {
                sums[c] += each * row[c];
            }
        }
        return sums;
    }
}
