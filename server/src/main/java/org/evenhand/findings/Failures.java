package org.evenhand.findings;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableSet;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeSet;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.ToIntFunction;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.findings.FailureDiagnosis;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.cropload.TreeLoads;
import org.evenhand.findings.FindingsView.SetRate;
import org.evenhand.fruitset.FlowerOutcomes;
import org.evenhand.fruitset.OutcomeBook;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;

/** Gathers the evidence for why flowers failed. */
@Service
class Failures {
    /** Weather and pollen are held against the latest records: more say the same. */
    private static final int MOST_RECORDS = 60;

    private static final int MOST_LINES = 18;

    private static final Map<OutcomeBook.Kind, Factor> FACTORS = Map.of(
            OutcomeBook.Kind.TREE, Factor.TREE, OutcomeBook.Kind.JAR, Factor.LOT, OutcomeBook.Kind.DAY, Factor.EVENING);

    private static final Map<FailureDiagnosis.Kind, String> NAMES = Map.ofEntries(
            Map.entry(FailureDiagnosis.Kind.POLLEN_TOO_OLD, "Pollen too old"),
            Map.entry(FailureDiagnosis.Kind.POLLEN_SPOILED, "Pollen mouldy"),
            Map.entry(FailureDiagnosis.Kind.WRONG_STAGE, "Wrong stage"),
            Map.entry(FailureDiagnosis.Kind.HOT_OR_DRY, "Too hot or too dry"),
            Map.entry(FailureDiagnosis.Kind.TOO_COLD, "Below the pollen's warmth"),
            Map.entry(FailureDiagnosis.Kind.PAIR_DOES_NOT_FIT, "The pair does not fit"),
            Map.entry(FailureDiagnosis.Kind.COVERED_IN_PART, "Stigma covered in part only"),
            Map.entry(FailureDiagnosis.Kind.OVERLOADED, "The tree carries too much"),
            Map.entry(FailureDiagnosis.Kind.NATURAL_SHEDDING, "Natural shedding"),
            Map.entry(FailureDiagnosis.Kind.THE_JAR, "Something with the jar"),
            Map.entry(FailureDiagnosis.Kind.THE_EVENING, "Something with the day"),
            Map.entry(FailureDiagnosis.Kind.THE_TREE, "Something with the tree"),
            Map.entry(FailureDiagnosis.Kind.NOT_LOOKED_ENOUGH, "Not looked often enough"));

    private final FlowerOutcomes outcomes;
    private final OutcomeBook book;
    private final Findings findings;
    private final FactorNames names;
    private final CropCatalogue crops;
    private final Crosses crosses;
    private final PollenShelf shelf;
    private final Weather weather;
    private final TreeLoads loads;
    private final Orchards orchards;

    Failures(
            FlowerOutcomes outcomes,
            OutcomeBook book,
            Findings findings,
            FactorNames names,
            CropCatalogue crops,
            Crosses crosses,
            PollenShelf shelf,
            Weather weather,
            TreeLoads loads,
            Orchards orchards) {
        this.outcomes = outcomes;
        this.book = book;
        this.findings = findings;
        this.names = names;
        this.crops = crops;
        this.crosses = crosses;
        this.shelf = shelf;
        this.weather = weather;
        this.loads = loads;
        this.orchards = orchards;
    }

    /** Trees, jars and days with the lowest shares. */
    FailureView.Worst worst(Caller caller, Integer season, String crop) {
        outcomes.refresh(caller);
        List<FindingsView.SeasonView> seasons = findings.seasons(caller);
        Optional<FindingsView.SeasonView> shown = Findings.shown(seasons, season, crop);
        return new FailureView.Worst(
                shown.orElse(null), seasons, shown.map(s -> lines(caller, s)).orElse(List.of()));
    }

    private List<FailureView.Line> lines(Caller caller, FindingsView.SeasonView s) {
        FactorNames.OfCrop named = names.of(caller, s.crop());
        Map<Factor, OutcomeBook.Kind> kinds =
                FACTORS.entrySet().stream().collect(Collectors.toMap(Map.Entry::getValue, Map.Entry::getKey));
        return outcomes.everyLevel(caller, s.season(), s.crop()).stream()
                .filter(l -> kinds.containsKey(l.factor())
                        && !l.level().isEmpty()
                        && l.decided() >= FactorContrast.LEAST_FLOWERS)
                .map(l -> new FailureView.Line(
                        kinds.get(l.factor()),
                        l.level(),
                        named.name(l.factor(), l.level()),
                        SetRate.of(l.share().orElseThrow())))
                .sorted(Comparator.comparingDouble(
                                (FailureView.Line l) -> l.rate().upper())
                        .thenComparing(FailureView.Line::what))
                .limit(MOST_LINES)
                .toList();
    }

    FailureView of(Caller caller, Integer season, String crop, OutcomeBook.Kind kind, String key) {
        outcomes.refresh(caller);
        FindingsView.SeasonView shown = findings.required(caller, season, crop);
        OutcomeBook.Asked asked = asked(shown, kind, key);
        List<OutcomeBook.Row> rows = book.rows(caller, asked);
        if (rows.isEmpty()) {
            throw new InvalidInputException("key", "names no flowers done by hand in this season.");
        }
        FailureDiagnosis.Evidence evidence = evidence(caller, shown, asked, rows);
        FactorNames.OfCrop named = names.of(caller, shown.crop());
        FailureDiagnosis causes = FailureDiagnosis.of(evidence, named.units());
        return new FailureView(
                kind,
                key,
                what(named, kind, key),
                evidence.here().map(SetRate::of).orElse(null),
                evidence.undecided(),
                evidence.others().map(SetRate::of).orElse(null),
                causes.causes().stream()
                        .map(c -> new FailureView.Cause(c.kind(), NAMES.get(c.kind()), c.points(), c.evidence()))
                        .toList(),
                causes.ruledOut(),
                causes.test());
    }

    private static OutcomeBook.Asked asked(FindingsView.SeasonView shown, OutcomeBook.Kind kind, String key) {
        try {
            if (kind == OutcomeBook.Kind.DAY) {
                LocalDate.parse(key);
            } else {
                UUID.fromString(key);
            }
        } catch (RuntimeException e) {
            throw new InvalidInputException("key", "is '" + key + "'; give the id of a tree or jar, or a date.");
        }
        return new OutcomeBook.Asked(shown.season(), shown.crop(), kind, key);
    }

    private static String what(FactorNames.OfCrop named, OutcomeBook.Kind kind, String key) {
        return switch (kind) {
            case TREE -> named.name(Factor.TREE, key);
            case JAR -> named.name(Factor.LOT, key);
            case DAY -> named.name(Factor.EVENING, key);
        };
    }

    private FailureDiagnosis.Evidence evidence(
            Caller caller, FindingsView.SeasonView shown, OutcomeBook.Asked asked, List<OutcomeBook.Row> rows) {
        CropSheet sheet = crops.of(caller, shown.crop());
        List<FlowerOutcomes.Level> levels = outcomes.everyLevel(caller, shown.season(), shown.crop());
        FlowerOutcomes.Level here = level(levels, FACTORS.get(asked.kind()), asked.key());
        FlowerOutcomes.Level all = level(levels, Factor.TREATMENT, Treatment.HAND.name());
        NavigableSet<Instant> moments = new TreeSet<>(
                rows.stream().limit(MOST_RECORDS).map(OutcomeBook.Row::doneAt).toList());
        String place = asked.kind() == OutcomeBook.Kind.TREE
                ? weather.places(caller)
                        .of(orchards.tree(caller, UUID.fromString(asked.key())).block())
                : Places.ORCHARD;
        WeatherSeries air = weather.air(caller, place, moments.first(), moments.last());
        Map<UUID, LotView> jars = shelf.all(caller, orchards.now(caller)).stream()
                .collect(Collectors.toMap(LotView::id, Function.identity()));
        Pollen pollen = pollen(caller, jars, rows);
        TreeLoads.Load load = asked.kind() == OutcomeBook.Kind.TREE
                ? loads.of(caller, UUID.fromString(asked.key()))
                : TreeLoads.Load.UNKNOWN;
        return new FailureDiagnosis.Evidence(
                here.share(),
                here.undecided(),
                share(all.set() - here.set(), all.failed() - here.failed()),
                book.alike(caller, asked, OutcomeBook.Kind.JAR),
                book.alike(caller, asked, OutcomeBook.Kind.DAY),
                book.alike(caller, asked, OutcomeBook.Kind.TREE),
                pollen.alive(),
                pollen.spoiled(),
                poorStage(sheet, rows),
                moments.stream()
                        .mapToDouble(at -> air.temperatures().celsiusAt(at))
                        .average(),
                moments.stream()
                        .map(air::deficitAt)
                        .flatMapToDouble(OptionalDouble::stream)
                        .average(),
                sheet.hand().dryAirKpa().map(d -> OptionalDouble.of(d.value())).orElse(OptionalDouble.empty()),
                misfit(caller, jars, rows),
                partOf(
                        sum(rows, r -> r.strokes().equals("LIGHT") ? flowers(r) : 0),
                        sum(rows, r -> r.strokes().isEmpty() ? 0 : flowers(r))),
                partOf(sum(rows, OutcomeBook.Row::misshapen), sum(rows, r -> r.whole() + r.misshapen())),
                load.set(),
                load.carries(),
                lateLosses(sheet, rows),
                load.young());
    }

    private static FlowerOutcomes.Level level(List<FlowerOutcomes.Level> levels, Factor factor, String key) {
        return levels.stream()
                .filter(l -> l.factor() == factor && l.level().equals(key))
                .findFirst()
                .orElse(new FlowerOutcomes.Level(factor, key, 0, 0, 0, 0));
    }

    private static Optional<Proportion> share(int took, int failed) {
        return took + failed == 0 ? Optional.empty() : Optional.of(new Proportion(took, took + failed));
    }

    private static int flowers(OutcomeBook.Row r) {
        return r.set() + r.failed() + r.undecided();
    }

    private static int sum(List<OutcomeBook.Row> rows, ToIntFunction<OutcomeBook.Row> of) {
        return rows.stream().mapToInt(of).sum();
    }

    private static OptionalDouble partOf(int of, int all) {
        return all == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) of / all);
    }

    /** Share of flowers at a poor stage, of those whose stage was written down. */
    private static OptionalDouble poorStage(CropSheet sheet, List<OutcomeBook.Row> rows) {
        Map<String, Double> receptivity = sheet.stages().stream()
                .collect(Collectors.toMap(StageSheet::key, s -> s.receptivity().value()));
        double best = receptivity.values().stream().mapToDouble(r -> r).max().orElse(1);
        return partOf(
                sum(
                        rows,
                        r -> receptivity.containsKey(r.stage())
                                        && FailureDiagnosis.poorStage(receptivity.get(r.stage()), best)
                                ? flowers(r)
                                : 0),
                sum(rows, r -> receptivity.containsKey(r.stage()) ? flowers(r) : 0));
    }

    private static OptionalDouble lateLosses(CropSheet sheet, List<OutcomeBook.Row> rows) {
        return FailureDiagnosis.lateLosses(
                rows.stream().flatMap(r -> r.course().stream()).toList(),
                sheet.checks().stream().findFirst().map(CheckDay::days).orElse(0));
    }

    private record Pollen(OptionalDouble alive, boolean spoiled) {}

    /** What should have been alive when it was used, against fresh. */
    private Pollen pollen(Caller caller, Map<UUID, LotView> jars, List<OutcomeBook.Row> rows) {
        List<OutcomeBook.Row> withJar = rows.stream()
                .filter(r -> jars.containsKey(r.lotId()))
                .limit(MOST_RECORDS)
                .toList();
        if (withJar.isEmpty()) {
            return new Pollen(OptionalDouble.empty(), false);
        }
        List<Instant> moments =
                withJar.stream().map(OutcomeBook.Row::doneAt).distinct().toList();
        Map<UUID, List<Double>> shares = shelf.alive(caller, moments);
        Map<String, Double> fresh = new HashMap<>();
        double alive = 0;
        boolean spoiled = false;
        for (OutcomeBook.Row r : withJar) {
            double share = shares.get(r.lotId()).get(moments.indexOf(r.doneAt()));
            double whole = fresh.computeIfAbsent(
                    jars.get(r.lotId()).crop(),
                    crop -> crops.of(caller, crop).pollen().freshViability().value());
            alive += Math.min(1, share / whole) * flowers(r);
            spoiled |= share == 0;
        }
        return new Pollen(OptionalDouble.of(alive / sum(withJar, Failures::flowers)), spoiled);
    }

    /** Why a pair does not fit, of the first that does not. */
    private String misfit(Caller caller, Map<UUID, LotView> jars, List<OutcomeBook.Row> rows) {
        CrossBook known = crosses.book(caller);
        record Pair(UUID mother, LotView jar) {}
        return rows.stream()
                .filter(r -> jars.containsKey(r.lotId()))
                .map(r -> new Pair(r.varietyId(), jars.get(r.lotId())))
                .distinct()
                .map(p -> {
                    CrossCompatibility cross = known.cross(p.mother(), p.jar());
                    return cross.misfit() ? p.jar().code() + ": " + cross.why() : "";
                })
                .filter(s -> !s.isEmpty())
                .findFirst()
                .orElse("");
    }
}
