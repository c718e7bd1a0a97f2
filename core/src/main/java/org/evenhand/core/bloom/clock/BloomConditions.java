package org.evenhand.core.bloom.clock;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.GateRule;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;

/**
 * What drives the clock of one crop at one place: the temperature, and for each stage the hours in which its gate stands open.
 *
 * <p>All hours count from {@code temperatures.start()}. On a date on which the sun does not rise or set, a gate tied to that
 * event does not open.
 *
 * @param temperatures air temperature
 * @param gates one for each stage of the crop, {@link GateHours#never()} where it has none
 */
public record BloomConditions(HourlyTemperatures temperatures, List<GateHours> gates) {
    public BloomConditions {
        gates = List.copyOf(gates);
    }

    /**
     * Conditions for a crop sheet.
     *
     * @param until last moment that will be asked about
     */
    public static BloomConditions of(CropSheet sheet, Site site, HourlyTemperatures temperatures, Instant until) {
        Suns suns = new Suns(site);
        LocalDate first = localDate(temperatures.start(), site.zone()).minusDays(1);
        LocalDate last = localDate(until, site.zone()).plusDays(1);
        List<GateHours> gates = new ArrayList<>();
        for (StageSheet stage : sheet.stages()) {
            gates.add(stage.gate()
                    .map(rule -> gateHours(rule, suns, first, last, temperatures))
                    .orElse(GateHours.never()));
        }
        return new BloomConditions(temperatures, gates);
    }

    private static GateHours gateHours(
            GateRule rule, Suns suns, LocalDate first, LocalDate last, HourlyTemperatures temperatures) {
        List<double[]> windows = new ArrayList<>();
        for (LocalDate date = first; !date.isAfter(last); date = date.plusDays(1)) {
            Optional<Instant> opens = suns.moment(rule.opens(), date);
            Optional<Instant> closes = suns.moment(rule.closes(), spansMidnight(rule) ? date.plusDays(1) : date);
            if (opens.isPresent() && closes.isPresent()) {
                windows.add(new double[] {temperatures.hoursTo(opens.get()), temperatures.hoursTo(closes.get())});
            }
        }
        return GateHours.of(windows);
    }

    private static boolean spansMidnight(GateRule rule) {
        return rule.opens().anchor() == GateRule.Anchor.CLOCK
                && rule.closes().anchor() == GateRule.Anchor.CLOCK
                && rule.closes().hours().value() <= rule.opens().hours().value();
    }

    private static LocalDate localDate(Instant at, ZoneId zone) {
        return at.atZone(zone).toLocalDate();
    }

    /** Sun days, each computed once. */
    private static final class Suns {
        private final Site site;
        private final Map<LocalDate, SunDay> days = new HashMap<>();

        Suns(Site site) {
            this.site = site;
        }

        Optional<Instant> moment(GateRule.Edge edge, LocalDate date) {
            long seconds = Math.round(edge.hours().value() * 3600);
            if (edge.anchor() == GateRule.Anchor.CLOCK) {
                // By the wall clock, so that a gate keeps its clock hour on the days the clocks change.
                LocalDateTime wall = date.atStartOfDay().plusSeconds(seconds);
                return Optional.of(wall.atZone(site.zone()).toInstant());
            }
            SunDay day = days.computeIfAbsent(date, d -> SunDay.of(site, d));
            Optional<Instant> anchor = edge.anchor() == GateRule.Anchor.SUNRISE
                    ? day.sunrise().moment()
                    : day.sunset().moment();
            return anchor.map(a -> a.plusSeconds(seconds));
        }
    }
}
