package org.evenhand.round;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.bloom.TreeOutlook;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.core.round.BestHours;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.core.weather.SunDay;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans a round from the forecast, the shelf and what was done before. */
@Service
class Rounds {
    private static final Duration FARTHEST = Duration.ofHours(72);
    private static final Duration STEP = Duration.ofMinutes(10);
    private static final Duration LOOK_AHEAD = Duration.ofHours(24);
    private static final Duration THIS_ROUND = Duration.ofHours(12);

    private final Orchards orchards;
    private final Forecasts forecasts;
    private final PollenShelf shelf;
    private final Pollinations pollinations;
    private final Crosses crosses;
    private final Weather weather;
    private final Settings settings;
    private final Targets targets;
    private final RoundChoices choices;

    Rounds(
            Orchards orchards,
            Forecasts forecasts,
            PollenShelf shelf,
            Pollinations pollinations,
            Crosses crosses,
            Weather weather,
            Settings settings,
            Targets targets,
            RoundChoices choices) {
        this.orchards = orchards;
        this.forecasts = forecasts;
        this.shelf = shelf;
        this.pollinations = pollinations;
        this.crosses = crosses;
        this.weather = weather;
        this.settings = settings;
        this.targets = targets;
        this.choices = choices;
    }

    /** The round of an hour; without one, of the best hour from now on. */
    @Transactional(readOnly = true)
    RoundView plan(Caller caller, Instant asked, Integer mostFlowers) {
        Instant now = orchards.now(caller);
        List<Foreseen> trees =
                forecasts.all(caller, now).stream().filter(Foreseen::known).toList();
        SettingsView habits = settings.of(caller);
        Optional<RoundView.Hours> hours = bestHours(caller, trees, now, habits.pollenAge());
        Instant at = asked == null ? hours.map(RoundView.Hours::from).orElse(now) : checked(caller, asked, now);
        List<LotView> lots = usable(shelf.all(caller, at), at, habits.pollenAge());
        List<PollinationView> before = pollinations.since(caller, now.minus(PlanMothers.DONE_MATTERS));
        Map<UUID, TargetView.Budget> budgets = targets.budgets(caller).stream()
                .collect(Collectors.toMap(TargetView.Budget::treeId, Function.identity()));
        Map<TreeForecast, Openings> openings =
                Openings.ofAll(trees.stream().map(Foreseen::forecast).toList(), now, List.of(at));
        RoundRequest request = new RoundRequest(
                List.of(mostFlowers == null ? RoundRequest.NO_LIMIT : mostFlowers),
                trees.stream()
                        .map(t -> PlanMothers.of(
                                t,
                                at,
                                openings.get(t.forecast()),
                                before,
                                budgets.get(t.tree().id())))
                        .toList(),
                IntStream.range(0, lots.size())
                        .mapToObj(rank -> lot(lots.get(rank), rank))
                        .toList(),
                served(caller, trees, lots),
                List.of());
        return view(chosen(caller, request, at), at, hours, trees, lots, before, now, habits.strokes());
    }

    /** The plan of one hour, kept to what people chose for that day or for all. */
    private RoundPlan chosen(Caller caller, RoundRequest request, Instant at) {
        LocalDate day = at.atZone(orchards.details(caller).site().zone()).toLocalDate();
        return ChosenPlan.of(
                        request,
                        choices.of(caller),
                        c -> c.onDay() == null || c.onDay().equals(day) ? OptionalInt.empty() : null)
                .plan();
    }

    private Instant checked(Caller caller, Instant asked, Instant now) {
        if (asked.isBefore(now.minus(STEP)) || asked.isAfter(now.plus(FARTHEST))) {
            var zone = orchards.details(caller).site().zone();
            throw new InvalidInputException(
                    "at",
                    "is " + Given.say(asked, zone) + "; a round can be planned from now, " + Given.say(now, zone)
                            + ", up to " + FARTHEST.toHours() + " hours ahead.");
        }
        return asked.isBefore(now) ? now : asked;
    }

    private Optional<RoundView.Hours> bestHours(Caller caller, List<Foreseen> trees, Instant now, PollenAge age) {
        List<Instant> moments = IntStream.rangeClosed(0, (int) LOOK_AHEAD.dividedBy(STEP))
                .mapToObj(i -> now.plus(STEP.multipliedBy(i)))
                .toList();
        double[] taking = new double[moments.size()];
        double[] giving = new double[moments.size()];
        for (Foreseen tree : trees) {
            List<ForecastPoint> points = tree.forecast().at(moments);
            for (int i = 0; i < taking.length; i++) {
                taking[i] += points.get(i).taking().mean();
                giving[i] += points.get(i).giving().mean();
            }
        }
        boolean onShelf = !usable(shelf.all(caller, now), now, age).isEmpty();
        Optional<Instant> pollenFrom = onShelf
                ? Optional.of(now)
                : IntStream.range(0, giving.length)
                        .filter(i -> giving[i] >= TreeOutlook.THERE)
                        .mapToObj(moments::get)
                        .findFirst();
        List<Instant> dark = weather.suns(orchards.details(caller).site(), now, now.plus(LOOK_AHEAD)).stream()
                .map(SunDay::civilDusk)
                .flatMap(dusk -> dusk.moment().stream())
                .toList();
        return pollenFrom
                .flatMap(from -> BestHours.of(moments, taking, from, dark))
                .map(b -> new RoundView.Hours(b.from(), b.until(), b.flowersAtStart(), b.endsWithDark(), onShelf));
    }

    /** Jars with something left and alive, those that are good for the shortest time first. */
    private static List<LotView> usable(List<LotView> lots, Instant at, PollenAge age) {
        return lots.stream()
                .filter(l -> l.dosesLeft() > 0
                        && !l.viability().spoiled()
                        && !l.collectedAt().isAfter(at)
                        && age.allows(l.collectedAt(), at))
                .sorted(Comparator.comparing((LotView l) -> l.viability().goodUntil() == null
                                ? Instant.MIN
                                : l.viability().goodUntil())
                        .thenComparing(LotView::code))
                .toList();
    }

    private RoundRequest.Crosses served(Caller caller, List<Foreseen> trees, List<LotView> lots) {
        CrossBook book = crosses.book(caller);
        Map<UUID, UUID> varieties = trees.stream()
                .collect(Collectors.toMap(t -> t.tree().id(), t -> t.tree().varietyId()));
        Map<UUID, LotView> byId = lots.stream().collect(Collectors.toMap(LotView::id, Function.identity()));
        return (tree, lot) -> book.cross(varieties.get(tree.value()), byId.get(lot.value()));
    }

    private static RoundRequest.Lot lot(LotView lot, int rank) {
        return new RoundRequest.Lot(
                new LotId(lot.id()), lot.dosesLeft(), List.of(lot.viability().share()), rank);
    }

    private static RoundView view(
            RoundPlan plan,
            Instant at,
            Optional<RoundView.Hours> hours,
            List<Foreseen> trees,
            List<LotView> lots,
            List<PollinationView> before,
            Instant now,
            Strokes school) {
        Map<UUID, Foreseen> byTree =
                trees.stream().collect(Collectors.toMap(t -> t.tree().id(), Function.identity()));
        Map<UUID, LotView> byLot = lots.stream().collect(Collectors.toMap(LotView::id, Function.identity()));
        List<String> cautions = new ArrayList<>();
        trees.stream().map(Foreseen::sheet).distinct().forEach(s -> cautions.addAll(s.cautions()));
        return new RoundView(
                at,
                hours.orElse(null),
                stops(plan.stops(), byTree, byLot, school),
                plan.unserved().stream()
                        .map(u -> new RoundView.UnservedView(
                                u.tree().value(),
                                byTree.get(u.tree().value()).tree().name(),
                                u.flowers(),
                                u.reason().name()))
                        .toList(),
                before.stream()
                        .filter(p -> p.doneAt().isAfter(now.minus(THIS_ROUND)))
                        .toList(),
                plan.value(),
                plan.proven(),
                cautions.stream().distinct().toList());
    }

    private static List<RoundView.StopView> stops(
            List<RoundPlan.Stop> stops, Map<UUID, Foreseen> byTree, Map<UUID, LotView> byLot, Strokes school) {
        List<RoundView.StopView> views = new ArrayList<>();
        Set<UUID> before = Set.of();
        for (RoundPlan.Stop stop : stops) {
            Foreseen tree = byTree.get(stop.tree().value());
            LotView lot = byLot.get(stop.lot().value());
            Set<UUID> next =
                    lot.fathers().stream().map(LotView.Father::varietyId).collect(Collectors.toSet());
            views.add(
                    stop(stop, tree, lot, strokes(tree.sheet(), school), Hygiene.between(tree.sheet(), before, next)));
            before = next;
        }
        return views;
    }

    private static String strokes(CropSheet sheet, Strokes school) {
        return switch (school) {
            case AS_SHEET -> sheet.hand().strokes();
            case FULL -> "Many strokes, all round, until the whole stigma is covered.";
            case LIGHT -> "Once to the stigma and out: a light touch, for fewer seeds.";
        };
    }

    private static RoundView.StopView stop(
            RoundPlan.Stop stop, Foreseen tree, LotView lot, String strokes, List<String> cleanBefore) {
        CropSheet sheet = tree.sheet();
        List<RoundView.StageFlowers> byStage = stop.byStage().entrySet().stream()
                .map(e -> new RoundView.StageFlowers(
                        e.getKey(),
                        e.getValue(),
                        sheet.stages()
                                .get(sheet.indexOf(e.getKey()))
                                .receptivity()
                                .value()))
                .toList();
        return new RoundView.StopView(
                tree.tree().id(),
                tree.tree().name(),
                tree.tree().varietyName(),
                tree.tree().crop(),
                tree.tree().block(),
                tree.tree().row(),
                tree.tree().position(),
                lot.id(),
                lot.code(),
                lot.varietyName(),
                stop.flowers(),
                byStage,
                stop.expected(),
                lot.viability().share(),
                stop.cross().why(),
                strokes,
                cleanBefore);
    }
}
