package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.fruitset.CheckCalendar;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.fruitset.FlowerOutcome;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.WeatherSeries;

/** Fates out of the records of one orchard. */
final class OutcomeAnalysis {
    private final UUID orchard;
    private final Site site;
    private final Function<String, CropSheet> sheets;
    private final PollenUsed pollen;
    private final BiFunction<String, LocalDate, WeatherSeries> airOfDay;
    private final Map<BlockDay, WeatherSeries> airs = new HashMap<>();

    /**
     * @param pollen whose pollen a jar holds and whether it could serve
     * @param airOfDay the air of a block on a local day
     */
    OutcomeAnalysis(
            UUID orchard,
            Site site,
            Function<String, CropSheet> sheets,
            PollenUsed pollen,
            BiFunction<String, LocalDate, WeatherSeries> airOfDay) {
        this.orchard = orchard;
        this.site = site;
        this.sheets = sheets;
        this.pollen = pollen;
        this.airOfDay = airOfDay;
    }

    OutcomeRows.OutcomeRow of(OutcomeRows.Facts facts, List<OutcomeRows.CheckRow> checks) {
        ZoneId zone = site.zone();
        LocalDate doneOn = facts.doneAt().atZone(zone).toLocalDate();
        List<CheckCalendar.Check> taken = checks.stream()
                .map(l -> new CheckCalendar.Check(l.at().atZone(zone).toLocalDate(), l.outcome()))
                .toList();
        CropSheet sheet = sheets.apply(facts.crop());
        FlowerOutcome looked = FlowerOutcome.of(
                facts.flowers(),
                taken.stream()
                        .map(t -> new FlowerOutcome.FruitSetCheck(
                                Math.max(0, ChronoUnit.DAYS.between(doneOn, t.on())), t.outcome()))
                        .toList());
        FlowerOutcome outcome =
                sheet.swellsUnpollinated() ? looked.judgedBySeeds(facts.fullFruits(), facts.emptyFruits()) : looked;
        String father = facts.lotId() == null ? "" : pollen.onlyFather(facts.lotId());
        return new OutcomeRows.OutcomeRow(
                facts.id(),
                orchard,
                site.bloomYear(doneOn),
                facts.crop(),
                facts.treeId(),
                facts.varietyId(),
                father.isEmpty() ? null : UUID.fromString(father),
                facts.treatment(),
                evidence(facts),
                doneOn,
                outcome.flowers(),
                outcome.set(),
                outcome.failed(),
                outcome.dropped(),
                looked.set(),
                facts.standing()
                        ? CheckCalendar.next(sheet, doneOn, taken)
                                .map(CheckCalendar.Due::due)
                                .orElse(null)
                        : null,
                levels(facts, doneOn, father),
                outcome.course());
    }

    private Evidence evidence(OutcomeRows.Facts facts) {
        return facts.lotId() == null
                ? Evidence.of(facts.trial(), true, true)
                : Evidence.of(
                        facts.trial(),
                        pollen.fits(facts.varietyId(), facts.lotId()),
                        pollen.alive(facts.lotId(), facts.doneAt()));
    }

    /** The class of each factor in their order; empty where it is not known. */
    private String levels(OutcomeRows.Facts facts, LocalDate doneOn, String father) {
        Map<Factor, String> levels = new EnumMap<>(Factor.class);
        levels.put(Factor.VARIETY, facts.varietyId().toString());
        levels.put(Factor.TREE, facts.treeId().toString());
        levels.put(Factor.EVENING, doneOn.toString());
        levels.put(Factor.TREATMENT, facts.treatment());
        levels.put(Factor.TREE_AND_TREATMENT, facts.treeId() + " " + facts.treatment());
        if (facts.treatment().equals(Treatment.HAND.name())) {
            WeatherSeries air =
                    airs.computeIfAbsent(new BlockDay(facts.block(), doneOn), b -> airOfDay.apply(b.block(), b.day()));
            levels.put(Factor.FATHER, father);
            levels.put(
                    Factor.HOUR,
                    klass(Factor.hour(facts.doneAt().atZone(site.zone()).getHour())));
            levels.put(
                    Factor.TEMPERATURE,
                    klass(Factor.temperature(air.temperatures().celsiusAt(facts.doneAt()))));
            OptionalDouble dry = air.deficitAt(facts.doneAt());
            levels.put(Factor.DRY_AIR, dry.isPresent() ? klass(Factor.dryAir(dry.getAsDouble())) : "");
            levels.put(Factor.STAGE, facts.stage());
            levels.put(Factor.STROKES, facts.strokes());
            levels.put(Factor.TOOL, facts.tool());
            levels.put(Factor.LIMB, facts.limb());
            levels.put(Factor.HELPER, facts.helper().toString());
            levels.put(Factor.VISITS, klass(Math.min(facts.visits(), 2) - 1));
            if (facts.lotId() != null) {
                levels.put(Factor.LOT, facts.lotId().toString());
                levels.put(Factor.STORAGE, facts.storage());
                levels.put(
                        Factor.LOT_AGE,
                        facts.collectedAt() == null
                                ? ""
                                : klass(Factor.lotAge(hours(facts.collectedAt(), facts.doneAt()))));
            }
        }
        return Stream.of(Factor.values())
                .map(f -> levels.get(f) == null ? "" : levels.get(f))
                .collect(Collectors.joining(OutcomeSums.BETWEEN));
    }

    private record BlockDay(String block, LocalDate day) {}

    private static double hours(Instant from, Instant until) {
        return ChronoUnit.MINUTES.between(from, until) / 60.0;
    }

    private static String klass(int number) {
        return Integer.toString(number);
    }
}
