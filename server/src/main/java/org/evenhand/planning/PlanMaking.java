package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.availability.Settings;
import org.evenhand.availability.SettingsView;
import org.evenhand.bloom.BloomDateView;
import org.evenhand.bloom.BloomDiary;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.Cancellation;
import org.evenhand.core.planning.LearnedPace;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.planning.PlanWeights;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.cropload.TargetView;
import org.evenhand.cropload.Targets;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Component;

/** Makes the plan of some rounds: what trees want, what pollen there is, what crosses ask, what people chose. */
@Component
class PlanMaking {
    private static final Duration GRAIN = Duration.ofMinutes(10);

    private final Orchards orchards;
    private final Forecasts forecasts;
    private final Pollinations pollinations;
    private final Crosses crosses;
    private final ControlledCrosses controlledCrosses;
    private final Settings settings;
    private final Targets targets;
    private final PollenOptions pollen;
    private final PollenOverrides choices;
    private final PlanOverrides overrides;
    private final BloomDiary bloomDates;
    private final SolvedQuestions solved;

    PlanMaking(
            Orchards orchards,
            Forecasts forecasts,
            Pollinations pollinations,
            Crosses crosses,
            ControlledCrosses controlledCrosses,
            Settings settings,
            Targets targets,
            PollenOptions pollen,
            PollenOverrides choices,
            PlanOverrides overrides,
            BloomDiary bloomDates,
            SolvedQuestions solved) {
        this.orchards = orchards;
        this.forecasts = forecasts;
        this.pollinations = pollinations;
        this.crosses = crosses;
        this.controlledCrosses = controlledCrosses;
        this.settings = settings;
        this.targets = targets;
        this.pollen = pollen;
        this.choices = choices;
        this.overrides = overrides;
        this.bloomDates = bloomDates;
        this.solved = solved;
    }

    /** The orchard's clock, up to the next ten minutes. */
    Instant now(Caller caller) {
        long grain = GRAIN.toMillis();
        return Instant.ofEpochMilli(-Math.floorDiv(-orchards.now(caller).toEpochMilli(), grain) * grain);
    }

    PlanningContext ground(Caller caller) {
        Instant now = now(caller);
        SettingsView habits = settings.of(caller);
        List<LotView> jars = pollen.jars(caller, now);
        Map<UUID, TargetView.Budget> budgets = targets.budgets(caller).stream()
                .collect(Collectors.toMap(TargetView.Budget::treeId, Function.identity()));
        return new PlanningContext(
                caller,
                now,
                orchards.details(caller).site(),
                habits,
                forecasts.all(caller, now).stream()
                        .filter(Foreseen::known)
                        // One that came or went between the two readings is left to the plan that its change asks for.
                        .filter(f -> budgets.containsKey(f.tree().id()))
                        .toList(),
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                budgets,
                crosses.book(caller),
                controlledCrosses.needs(caller),
                jars,
                new CollectedFlowers(jars),
                pollen.groups(caller, jars, now, habits.pollenAge()),
                leafOut(caller),
                overrides.of(caller, now, orchards.details(caller).site().zone()).stream()
                        .map(PlanOverride::request)
                        .toList(),
                LearnedPace.of(pollinations.atStops(caller)),
                pollinations.since(caller, now.minus(PlanConventions.NO_POLLEN_AFTER)),
                habits.repeatVisits() ? onceMore(caller, now.minus(PlanConventions.LONGEST_STIGMA)) : List.of());
    }

    private List<PlanSecondVisits.OnceMore> onceMore(Caller caller, Instant after) {
        return PlanSecondVisits.OnceMore.of(pollinations.since(caller, after), pollinations.visitsSince(caller, after));
    }

    /** Of each variety the latest day within a year. */
    private Map<UUID, LocalDate> leafOut(Caller caller) {
        LocalDate yearAgo = orchards.today(caller).minusYears(1);
        return bloomDates.all(caller).stream()
                .filter(d -> d.leafOut() != null && d.leafOut().isAfter(yearAgo))
                .collect(Collectors.toMap(
                        BloomDateView::varietyId, BloomDateView::leafOut, (a, b) -> a.isAfter(b) ? a : b));
    }

    /** The plan of an orchard's hours; of an hour in which nothing can be done where there is none to go. */
    SolvedOrchard solve(VisitWindows hours, Cancellation cancellation) {
        PreparedPlan made = make(hours, cancellation);
        return new SolvedOrchard(hours.ground(), hours, made, new PlanWords(made), cost(hours, made, cancellation));
    }

    PreparedPlan make(VisitWindows hours) {
        return make(hours, new Cancellation());
    }

    private PreparedPlan make(VisitWindows hours, Cancellation cancellation) {
        List<VisitWindow> slots = hours.slots();
        return make(
                hours.ground(),
                slots.isEmpty() ? List.of(VisitWindow.none(hours.ground().now())) : slots,
                cancellation);
    }

    private Double cost(VisitWindows hours, PreparedPlan made, Cancellation cancellation) {
        boolean overridden = !hours.ground().overrides().isEmpty();
        if (made.choices().isEmpty() && !overridden) {
            return null;
        }
        PreparedPlan free = overridden ? make(hours.with(List.of()), cancellation) : made;
        return Math.max(0, free.fruits(free.chosen().free().stops()) - made.fruits());
    }

    /** @param slots at least one visit */
    private PreparedPlan make(PlanningContext ground, List<VisitWindow> slots, Cancellation cancellation) {
        AnthesisForecast openings =
                AnthesisForecast.at(slots.stream().map(VisitWindow::at).toList());
        List<PollenOption> sources = pollen.of(ground, slots, openings);
        PlanCrosses ofCrosses = new PlanCrosses(ground, slots, sources);
        PlanSecondVisits again = new PlanSecondVisits(ground, slots, sources);
        List<PollenOverride> chosen = choices.of(ground.caller());
        OverriddenPlan plan = solved.plan(
                request(ground, slots, sources, ofCrosses, again, openings),
                shares(ground),
                ground.settings().worthGoing(),
                needed(ground, slots, ofCrosses, chosen),
                chosen,
                c -> round(c, slots, ground.zone()),
                cancellation);
        return new PreparedPlan(
                ground, slots, new VisitForecasts(slots), sources, ofCrosses, again, plan.request(), chosen, plan);
    }

    private static Map<TreeId, Double> shares(PlanningContext ground) {
        return ground.budgets().values().stream()
                .collect(Collectors.toMap(b -> new TreeId(b.treeId()), TargetView.Budget::share));
    }

    /** Visits that are made for however little: those of crosses and of people's choices. */
    private static Set<Integer> needed(
            PlanningContext ground, List<VisitWindow> slots, PlanCrosses ofCrosses, List<PollenOverride> chosen) {
        Set<Integer> needed = IntStream.range(0, slots.size())
                .filter(r -> ofCrosses.stepsIn(r) || slots.get(r).asked())
                .boxed()
                .collect(Collectors.toCollection(HashSet::new));
        chosen.stream()
                .filter(c -> c.flowers() > 0)
                .map(c -> round(c, slots, ground.zone()))
                .filter(r -> r != null && r.isPresent())
                .forEach(r -> needed.add(r.getAsInt()));
        return needed;
    }

    private RoundRequest request(
            PlanningContext ground,
            List<VisitWindow> slots,
            List<PollenOption> sources,
            PlanCrosses ofCrosses,
            PlanSecondVisits again,
            AnthesisForecast openings) {
        Instant first = slots.get(0).at();
        List<Instant> at = slots.stream().map(VisitWindow::at).toList();
        List<RoundRequest.Mother> mothers = ground.trees().stream()
                .filter(t -> t.sheet().receives())
                .map(t -> again.with(
                        t,
                        ofCrosses.with(
                                t,
                                PlanMothers.of(
                                        t,
                                        at,
                                        openings,
                                        ground,
                                        ground.budgets().get(t.tree().id())))))
                .toList();
        Map<UUID, Foreseen> byTree = ground.byTree();
        return new RoundRequest(
                IntStream.range(0, slots.size())
                        .mapToObj(r -> hands(slots.get(r), ofCrosses.madeReadyIn(r)))
                        .toList(),
                mothers,
                IntStream.range(0, sources.size())
                        .mapToObj(i -> sources.get(i).lot(i))
                        .toList(),
                CrossTable.of(mothers, sources, (tree, source) -> cross(ground, byTree.get(tree.value()), source)),
                List.of(),
                slots.stream()
                        .map(s -> PlanWeights.USUAL.certainty(first, s.at()))
                        .toList(),
                ground.cleaning());
    }

    /** Making flowers ready takes hands that cannot give pollen meanwhile, one flower for one. Our convention. */
    private static int hands(VisitWindow slot, int madeReady) {
        return slot.most() == RoundRequest.NO_LIMIT ? slot.most() : Math.max(0, slot.most() - madeReady);
    }

    private static CrossCompatibility cross(PlanningContext ground, Foreseen mother, PollenOption source) {
        UUID of = mother.tree().varietyId();
        CrossBook book = ground.book();
        Function<UUID, CrossCompatibility> withFather =
                father -> ground.settings().useLearned() ? book.weighed(of, father) : book.cross(of, father);
        return switch (source.kind()) {
            case JAR -> CrossBook.blend(source.lot(), withFather);
            case TO_COLLECT -> withFather.apply(source.variety().id());
            case FLOWER_TO_FLOWER ->
                of.equals(source.variety().id())
                        ? book.cross(of, of)
                        : CrossCompatibility.refused("The brush stays among flowers of one variety.");
        };
    }

    /** The round a choice is meant for; null where there is none on its day. */
    private static OptionalInt round(PollenOverride c, List<VisitWindow> slots, ZoneId zone) {
        if (c.onDay() == null) {
            return OptionalInt.empty();
        }
        OptionalInt found = IntStream.range(0, slots.size())
                .filter(r -> slots.get(r).at().atZone(zone).toLocalDate().equals(c.onDay()))
                .findFirst();
        return found.isPresent() ? found : null;
    }
}
