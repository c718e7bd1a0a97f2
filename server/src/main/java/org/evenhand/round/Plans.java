package org.evenhand.round;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
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
import org.evenhand.core.Require;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.pollen.FlowersToGather;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.core.pollen.PollenKeeping;
import org.evenhand.core.pollen.ViabilityCourse;
import org.evenhand.core.round.FlowersToDo;
import org.evenhand.core.round.FreeHours;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.Place;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.core.round.TreeId;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OnceWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.mating.CrossBook;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private static final int MOST_DAYS = 10;
    private static final Duration GRAIN = Duration.ofMinutes(30);
    /** A flower pollinated longer ago than this takes no more pollen. */
    private static final Duration DONE_MATTERS = Duration.ofDays(4);
    /** Among hours nearly as good as the best the earliest is taken. Our convention. */
    private static final double NEARLY = 0.95;
    /** Half a flower is none. */
    private static final double THERE = 0.5;

    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Forecasts forecasts;
    private final PollenShelf shelf;
    private final Pollinations pollinations;
    private final Crosses crosses;
    private final Settings settings;
    private final Targets targets;
    private final RoundChoiceRepository choices;
    private final OnceWriter once;
    private final InstantSource clock;

    Plans(
            Orchards orchards,
            CropCatalogue crops,
            Forecasts forecasts,
            PollenShelf shelf,
            Pollinations pollinations,
            Crosses crosses,
            Settings settings,
            Targets targets,
            RoundChoiceRepository choices,
            OnceWriter once,
            InstantSource clock) {
        this.orchards = orchards;
        this.crops = crops;
        this.forecasts = forecasts;
        this.shelf = shelf;
        this.pollinations = pollinations;
        this.crosses = crosses;
        this.settings = settings;
        this.targets = targets;
        this.choices = choices;
        this.once = once;
        this.clock = clock;
    }

    /**
     * The rounds of the coming days.
     *
     * @param days today's included, 1 to {@value #MOST_DAYS}
     */
    @Transactional(readOnly = true)
    PlanView plan(Caller caller, int days) {
        return new Making(caller, Require.within("days", days, 1, MOST_DAYS)).plan();
    }

    /** A round of the plan, with its hour. */
    private record Slot(FreeHours.Stretch free, Instant at, String why, int most) {}

    /** Pollen at hand or to be collected: what the planner sees, and what it is. */
    private record Source(LotId id, LotView lot, VarietyView variety, int round, List<Double> viability, int doses) {
        boolean toCollect() {
            return lot == null;
        }

        String name() {
            return lot == null ? "fresh " + variety.name() : lot.code();
        }

        String father() {
            return lot == null ? variety.name() : lot.varietyName();
        }

        Set<UUID> fathers() {
            return lot == null
                    ? Set.of(variety.id())
                    : lot.fathers().stream().map(LotView.Father::varietyId).collect(Collectors.toSet());
        }
    }

    /** One making of a plan. */
    private final class Making {
        private final Caller caller;
        private final int days;
        private final Instant now;
        private final ZoneId zone;
        private final SettingsView settingsNow;
        private final FreeHours hours;
        private final List<Foreseen> trees;
        private final Map<UUID, Foreseen> byTree;
        private final Map<UUID, VarietyView> varieties;
        private final Map<UUID, TargetView.Budget> budgets;
        private final CrossBook book;
        private final List<String> obstacles = new ArrayList<>();

        Making(Caller caller, int days) {
            this.caller = caller;
            this.days = days;
            this.now = orchards.now(caller);
            this.zone = orchards.details(caller).site().zone();
            this.settingsNow = settings.of(caller);
            this.hours = settingsNow.hours();
            this.trees =
                    forecasts.all(caller, now).stream().filter(Foreseen::known).toList();
            this.byTree = trees.stream().collect(Collectors.toMap(t -> t.tree().id(), Function.identity()));
            this.varieties =
                    orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity()));
            this.budgets = targets.budgets(caller).stream()
                    .collect(Collectors.toMap(TargetView.Budget::treeId, Function.identity()));
            this.book = crosses.book(caller);
        }

        PlanView plan() {
            List<Instant> moments = moments();
            Map<UUID, Openings.Course> courses = courses(moments);
            double[] taking = sum(courses, Openings.Course::taking, moments.size());
            double[] giving = sum(courses, Openings.Course::giving, moments.size());
            List<FreeHours.Stretch> free = hours.from(now, days, zone);
            List<Slot> slots = slots(free, moments, taking, giving);
            tellObstacles(free, taking);
            List<RoundChoice> chosen = choices.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAt(caller.orchardId());
            if (slots.isEmpty()) {
                return view(moments, taking, giving, slots, List.of(), null, null, chosen, Map.of());
            }
            Map<TreeForecast, Openings> openings = Openings.ofAll(
                    trees.stream().map(Foreseen::forecast).toList(),
                    now,
                    slots.stream().map(Slot::at).toList());
            List<Source> sources = sources(slots, openings);
            if (sources.isEmpty()) {
                obstacles.add("There is no pollen: none on the shelf is alive, and no flower gives any on these days.");
            }
            ChosenPlan made = ChosenPlan.of(request(slots, sources, openings), chosen, c -> round(c, slots));
            return view(moments, taking, giving, slots, sources, made.plan(), made.free(), chosen, made.problems());
        }

        private List<Instant> moments() {
            int steps = (int) (Duration.ofDays(days).dividedBy(GRAIN));
            return IntStream.rangeClosed(0, steps)
                    .mapToObj(i -> now.plus(GRAIN.multipliedBy(i)))
                    .toList();
        }

        private Map<UUID, Openings.Course> courses(List<Instant> moments) {
            Map<TreeForecast, Openings> all =
                    Openings.ofAll(trees.stream().map(Foreseen::forecast).toList(), now, moments);
            Map<UUID, Openings.Course> courses = new HashMap<>();
            trees.forEach(t -> courses.put(t.tree().id(), all.get(t.forecast()).course(t.forecast())));
            return courses;
        }

        private static double[] sum(
                Map<UUID, Openings.Course> courses, Function<Openings.Course, double[]> of, int size) {
            double[] sum = new double[size];
            courses.values().forEach(c -> {
                for (int i = 0; i < size; i++) {
                    sum[i] += of.apply(c)[i];
                }
            });
            return sum;
        }

        /** The best hour of each free stretch in which flowers can take pollen. */
        private List<Slot> slots(
                List<FreeHours.Stretch> free, List<Instant> moments, double[] taking, double[] giving) {
            List<Slot> slots = new ArrayList<>();
            for (FreeHours.Stretch stretch : free) {
                List<Integer> inside = IntStream.range(0, moments.size())
                        .filter(i -> !moments.get(i).isBefore(stretch.from())
                                && moments.get(i).isBefore(stretch.until()))
                        .boxed()
                        .toList();
                double most = inside.stream().mapToDouble(i -> taking[i]).max().orElse(0);
                if (most >= THERE) {
                    int at = inside.stream()
                            .filter(i -> taking[i] >= NEARLY * most)
                            .max(Comparator.comparingDouble((Integer i) -> Math.min(giving[i], 1))
                                    .thenComparing(Comparator.reverseOrder()))
                            .orElseThrow();
                    slots.add(slot(stretch, moments.get(at), taking[at], giving[at]));
                }
            }
            return slots;
        }

        private Slot slot(FreeHours.Stretch stretch, Instant at, double taking, double giving) {
            boolean told = hours.told();
            FreeHours.Stretch left = new FreeHours.Stretch(at, stretch.until());
            int most = told
                    ? (int) Math.max(1, Math.floor(left.hours() * settingsNow.flowersPerHour()))
                    : RoundRequest.NO_LIMIT;
            String why = String.format(
                    java.util.Locale.ROOT,
                    "%.0f flowers can take pollen then and %.0f give it%s.",
                    taking,
                    giving,
                    told
                            ? "; hardly more at any other hour you are free"
                            : "; hardly more at any other hour of the day");
            return new Slot(stretch, at, why, most);
        }

        private void tellObstacles(List<FreeHours.Stretch> free, double[] taking) {
            if (trees.isEmpty()) {
                obstacles.add("No tree was read lately: read the flowers first, then the rounds can be planned.");
            } else if (free.isEmpty()) {
                obstacles.add("There is no free hour in these days. Add hours, or look further ahead.");
            } else if (java.util.Arrays.stream(taking).max().orElse(0) < THERE) {
                obstacles.add("No flower can take pollen in these days.");
            }
            budgets.values().stream()
                    .filter(b -> b.target() != null && b.target().fruits() != null && b.carries() != null)
                    .filter(b -> b.target().fruits() > b.carries())
                    .forEach(b -> obstacles.add(
                            b.tree() + " is wanted to bear " + b.target().fruits() + " fruits, but can carry "
                                    + b.carries() + "; the branch may break. Ask for fewer."));
            budgets.values().stream()
                    .filter(b -> b.wanted() != null && b.wanted() > b.set() && b.flowers() == null)
                    .forEach(b -> obstacles.add(b.tree() + ": " + b.wanted()
                            + " fruits are out of reach with any number of flowers at this certainty."));
        }

        // --- pollen ---

        private List<Source> sources(List<Slot> slots, Map<TreeForecast, Openings> openings) {
            List<Source> sources = new ArrayList<>();
            List<Instant> at = slots.stream().map(Slot::at).toList();
            Map<UUID, List<Double>> alive = shelf.alive(caller, at);
            for (LotView lot : shelf.all(caller, now)) {
                List<Double> viability = usable(lot, alive.get(lot.id()), at);
                if (lot.dosesLeft() > 0 && viability.stream().anyMatch(v -> v > 0)) {
                    sources.add(new Source(
                            new LotId(lot.id()),
                            lot,
                            varieties.get(lot.fathers().get(0).varietyId()),
                            0,
                            viability,
                            lot.dosesLeft()));
                }
            }
            sources.sort(Comparator.comparing((Source s) -> s.lot().viability().goodUntil() == null
                            ? Instant.MIN
                            : s.lot().viability().goodUntil())
                    .thenComparing(Source::name));
            sources.addAll(toCollect(slots, openings));
            return sources;
        }

        private List<Double> usable(LotView lot, List<Double> alive, List<Instant> at) {
            boolean sameHour = settingsNow.pollenAge() == PollenAge.SAME_HOUR;
            return IntStream.range(0, at.size())
                    .mapToObj(r ->
                            sameHour && lot.collectedAt().isBefore(at.get(r).minus(Duration.ofHours(1)))
                                    ? 0.0
                                    : alive.get(r))
                    .toList();
        }

        /** What each variety's flowers will give by each round. */
        private List<Source> toCollect(List<Slot> slots, Map<TreeForecast, Openings> openings) {
            Map<UUID, double[]> giving = new LinkedHashMap<>();
            for (Foreseen tree : trees) {
                if (tree.sheet().gives()) {
                    double[] begin = openings.get(tree.forecast()).beginGiving(tree.forecast());
                    giving.merge(tree.tree().varietyId(), begin, (a, b) -> {
                        double[] both = a.clone();
                        java.util.Arrays.setAll(both, i -> a[i] + b[i]);
                        return both;
                    });
                }
            }
            List<Source> sources = new ArrayList<>();
            giving.forEach((variety, flowers) -> {
                VarietyView v = varieties.get(variety);
                CropSheet sheet = crops.of(caller, v.crop());
                double each = FlowersToGather.of(sheet, v.smallFlowers(), 1).dosesPerFlower();
                for (int r = 0; r < slots.size(); r++) {
                    int doses = (int) Math.floor(Math.floor(flowers[r] + THERE) * each);
                    if (doses > 0) {
                        sources.add(fresh(v, sheet, slots, r, doses));
                    }
                }
            });
            return sources.stream()
                    .filter(s -> s.viability().stream().anyMatch(x -> x > 0))
                    .toList();
        }

        private Source fresh(VarietyView variety, CropSheet sheet, List<Slot> slots, int round, int doses) {
            Instant gathered = slots.get(round).at();
            Instant ready = sheet.pollen().dryHours().value() > 24
                    ? gathered.plus(Duration.ofHours(
                            Math.round(sheet.pollen().dryHours().value())))
                    : gathered;
            Storage storage = sheet.pollen().keeping().containsKey(Storage.FRIDGE_DESICCANT)
                    ? Storage.FRIDGE_DESICCANT
                    : Storage.ROOM;
            ViabilityCourse course =
                    ViabilityCourse.collected(sheet, PollenKeeping.driedAndStored(sheet, gathered, storage));
            boolean sameHour = settingsNow.pollenAge() == PollenAge.SAME_HOUR;
            List<Double> viability = IntStream.range(0, slots.size())
                    .mapToObj(r -> r < round || slots.get(r).at().isBefore(ready) || (sameHour && r > round)
                            ? 0.0
                            : course.shareAt(slots.get(r).at()))
                    .toList();
            UUID id = UUID.nameUUIDFromBytes((variety.id() + " " + round).getBytes(StandardCharsets.UTF_8));
            return new Source(new LotId(id), null, variety, round, viability, doses);
        }

        // --- what is asked of the planner ---

        private RoundRequest request(List<Slot> slots, List<Source> sources, Map<TreeForecast, Openings> openings) {
            List<PollinationView> before = pollinations.since(caller, now.minus(DONE_MATTERS));
            List<RoundRequest.Mother> mothers = trees.stream()
                    .filter(t -> t.sheet().takes())
                    .map(t -> mother(t, slots.get(0).at(), openings.get(t.forecast()), before))
                    .toList();
            Map<LotId, Source> byId = sources.stream().collect(Collectors.toMap(Source::id, Function.identity()));
            return new RoundRequest(
                    slots.stream().map(Slot::most).toList(),
                    mothers,
                    IntStream.range(0, sources.size())
                            .mapToObj(i -> new RoundRequest.Lot(
                                    sources.get(i).id(),
                                    sources.get(i).doses(),
                                    sources.get(i).viability(),
                                    i))
                            .toList(),
                    (tree, lot) -> cross(byTree.get(tree.value()), byId.get(lot)),
                    List.of());
        }

        private CrossCompatibility cross(Foreseen mother, Source source) {
            return source.toCollect()
                    ? book.cross(mother.tree().varietyId(), source.variety().id())
                    : book.cross(mother.tree().varietyId(), source.lot());
        }

        private RoundRequest.Mother mother(
                Foreseen tree, Instant first, Openings openings, List<PollinationView> before) {
            double done = before.stream()
                    .filter(p ->
                            p.treeId().equals(tree.tree().id()) && !p.doneAt().isAfter(first))
                    .mapToDouble(p -> p.flowers() * tree.forecast().stillTaking(p.doneAt(), first))
                    .sum();
            TargetView.Budget budget = budgets.get(tree.tree().id());
            return new RoundRequest.Mother(
                    new TreeId(tree.tree().id()),
                    new Place(
                            tree.tree().block(), tree.tree().row(), tree.tree().position()),
                    budget.flowersWanted(),
                    FlowersToDo.of(openings.taking(tree.forecast()), done, budget.weight()));
        }

        /** The round a choice is meant for; null where there is none on its day. */
        private OptionalInt round(RoundChoice c, List<Slot> slots) {
            if (c.onDay() == null) {
                return OptionalInt.empty();
            }
            OptionalInt found = IntStream.range(0, slots.size())
                    .filter(r -> slots.get(r).at().atZone(zone).toLocalDate().equals(c.onDay()))
                    .findFirst();
            return found.isPresent() ? found : null;
        }

        // --- the view ---

        private PlanView view(
                List<Instant> moments,
                double[] taking,
                double[] giving,
                List<Slot> slots,
                List<Source> sources,
                RoundPlan plan,
                RoundPlan best,
                List<RoundChoice> chosen,
                Map<UUID, String> problems) {
            Map<LotId, Source> byId = sources.stream().collect(Collectors.toMap(Source::id, Function.identity()));
            List<PlanView.Round> rounds = new ArrayList<>();
            for (int r = 0; r < slots.size() && plan != null; r++) {
                rounds.add(round(slots.get(r), r, plan, sources, byId));
            }
            return new PlanView(
                    moments,
                    taking,
                    giving,
                    rounds,
                    plan == null ? List.of() : left(plan),
                    plan == null ? List.of() : kept(plan, slots, byId),
                    chosen(chosen, problems),
                    away(taking, moments),
                    obstacles,
                    plan == null ? 0 : plan.value(),
                    plan == null ? 0 : fruits(plan.stops()),
                    plan == null || plan.proven(),
                    plan == null ? 0 : plan.bound() - plan.value(),
                    plan == null || chosen.isEmpty() ? null : Math.max(0, fruits(best.stops()) - fruits(plan.stops())));
        }

        /** Fruits to be expected: what each stop is worth, times the share that sets on that tree. */
        private double fruits(List<RoundPlan.Stop> stops) {
            return stops.stream()
                    .mapToDouble(s -> {
                        TargetView.Budget b = budgets.get(s.tree().value());
                        return b.weight() > 0 ? s.expected() / b.weight() * b.share() : 0;
                    })
                    .sum();
        }

        private PlanView.Round round(Slot slot, int r, RoundPlan plan, List<Source> sources, Map<LotId, Source> byId) {
            List<RoundPlan.Stop> stops =
                    plan.stops().stream().filter(s -> s.round() == r).toList();
            List<PlanView.Stop> views = new ArrayList<>();
            Set<UUID> before = Set.of();
            for (RoundPlan.Stop stop : stops) {
                Source source = byId.get(stop.lot());
                Foreseen tree = byTree.get(stop.tree().value());
                views.add(stop(stop, tree, source, byId, Hygiene.between(tree.sheet(), before, source.fathers())));
                before = source.fathers();
            }
            return new PlanView.Round(
                    slot.at(),
                    hours.told() ? slot.free().until() : null,
                    slot.why(),
                    slot.most() == RoundRequest.NO_LIMIT ? null : slot.most(),
                    stops.stream().mapToInt(RoundPlan.Stop::flowers).sum(),
                    fruits(stops),
                    collect(r, slot, plan, sources),
                    views);
        }

        private PlanView.Stop stop(
                RoundPlan.Stop s, Foreseen tree, Source source, Map<LotId, Source> byId, List<String> cleanBefore) {
            CropSheet sheet = tree.sheet();
            return new PlanView.Stop(
                    tree.tree().id(),
                    tree.tree().name(),
                    tree.tree().varietyName(),
                    tree.tree().crop(),
                    place(tree.tree()),
                    source.toCollect() ? null : source.lot().id(),
                    source.name(),
                    source.father(),
                    s.flowers(),
                    s.byStage().entrySet().stream()
                            .map(e -> new RoundView.StageFlowers(
                                    e.getKey(),
                                    e.getValue(),
                                    sheet.stages()
                                            .get(sheet.indexOf(e.getKey()))
                                            .receptivity()
                                            .value()))
                            .toList(),
                    s.expected(),
                    source.viability().get(s.round()),
                    why(s, byId),
                    s.grounds().wanted(),
                    cleanBefore);
        }

        private String why(RoundPlan.Stop s, Map<LotId, Source> byId) {
            String jar = s.grounds().wanted()
                    ? "You chose it."
                    : s.grounds()
                            .better()
                            .map(b -> byId.get(b).name() + " would be worth more here, but earns more on other trees.")
                            .orElse(
                                    s.grounds().lotsThatServe() == 1
                                            ? "The only pollen there is that serves it."
                                            : "Worth the most here of "
                                                    + s.grounds().lotsThatServe() + " that serve it.");
            String now = s.grounds().canWait() ? "" : " By the next round these flowers are past their best.";
            return jar + now + " " + s.cross().why();
        }

        private static String place(TreeView t) {
            return (t.block().isEmpty() ? "" : t.block() + ", ") + "row " + t.row() + ", place " + t.position();
        }

        private List<PlanView.Collect> collect(int round, Slot slot, RoundPlan plan, List<Source> sources) {
            List<PlanView.Collect> collect = new ArrayList<>();
            for (Source source : sources) {
                int doses = source.toCollect() && source.round() == round
                        ? plan.stops().stream()
                                .filter(s -> s.lot().equals(source.id()))
                                .mapToInt(RoundPlan.Stop::flowers)
                                .sum()
                        : 0;
                if (doses > 0) {
                    VarietyView v = source.variety();
                    collect.add(new PlanView.Collect(
                            v.id(),
                            v.name(),
                            doses,
                            FlowersToGather.of(crops.of(caller, v.crop()), v.smallFlowers(), doses)
                                    .expected(),
                            from(v.id(), slot.at())));
                }
            }
            return collect;
        }

        private List<PlanView.FromTree> from(UUID variety, Instant at) {
            return trees.stream()
                    .filter(t -> t.tree().varietyId().equals(variety))
                    .map(t -> new PlanView.FromTree(
                            t.tree().id(),
                            t.tree().name(),
                            place(t.tree()),
                            t.forecast().at(List.of(at)).get(0).giving().mean()))
                    .filter(f -> f.flowers() >= THERE)
                    .sorted(Comparator.comparingDouble(f -> -f.flowers()))
                    .toList();
        }

        private List<PlanView.Left> left(RoundPlan plan) {
            return plan.unserved().stream()
                    .map(u -> {
                        Foreseen tree = byTree.get(u.tree().value());
                        return new PlanView.Left(
                                tree.tree().id(),
                                tree.tree().name(),
                                u.flowers(),
                                u.reason().name(),
                                wouldServe(tree, u));
                    })
                    .toList();
        }

        private String wouldServe(Foreseen tree, RoundPlan.Unserved u) {
            return switch (u.reason()) {
                case MORE_THAN_CAN_BE_DONE -> "More hours, or a second pair of hands.";
                case DOSES_RUN_OUT, NO_POLLEN, NO_LOT_THAT_SERVES -> {
                    List<String> fathers = varieties.values().stream()
                            .filter(v ->
                                    book.cross(tree.tree().varietyId(), v.id()).worth() >= 1
                                            && !v.id().equals(tree.tree().varietyId()))
                            .map(VarietyView::name)
                            .sorted()
                            .toList();
                    yield fathers.isEmpty()
                            ? "No variety of this orchard serves it; pollen from elsewhere would, where rules allow it."
                            : u.flowers() + " more doses of " + String.join(", ", fathers) + ".";
                }
            };
        }

        private List<PlanView.Kept> kept(RoundPlan plan, List<Slot> slots, Map<LotId, Source> byId) {
            return plan.keptBack().stream()
                    .filter(k -> !byId.get(k.lot()).toCollect())
                    .map(k -> new PlanView.Kept(
                            byId.get(k.lot()).name(),
                            k.doses(),
                            slots.get(k.round()).at(),
                            byTree.get(k.tree().value()).tree().name(),
                            "Flowers that open by then are worth more to it."))
                    .toList();
        }

        private List<PlanView.Chosen> chosen(List<RoundChoice> all, Map<UUID, String> problems) {
            Map<UUID, String> lots =
                    shelf.names(caller).values().stream().collect(Collectors.toMap(n -> n.id(), n -> n.code()));
            Map<UUID, String> names =
                    orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name));
            return all.stream()
                    .map(c -> new PlanView.Chosen(
                            c.id(),
                            c.treeId(),
                            names.getOrDefault(c.treeId(), "(removed tree)"),
                            c.lotId(),
                            lots.getOrDefault(c.lotId(), "(removed jar)"),
                            c.flowers(),
                            c.onDay(),
                            problems.get(c.id()),
                            c.version()))
                    .toList();
        }

        /** What to do before one goes, what is let go, and which pollen to keep. */
        private List<PlanView.AwayWords> away(double[] taking, List<Instant> moments) {
            LocalDate today = now.atZone(zone).toLocalDate();
            return settingsNow.away().stream()
                    .filter(a -> !a.last().isBefore(today) && a.first().isBefore(today.plusDays(days)))
                    .map(a -> new PlanView.AwayWords(a.first(), a.last(), a.note(), beforeLeaving(a, today)))
                    .toList();
        }

        private List<String> beforeLeaving(SettingsView.Away a, LocalDate today) {
            List<String> todo = new ArrayList<>();
            Instant leave = a.first().atStartOfDay(zone).toInstant();
            Instant back = a.last().plusDays(1).atStartOfDay(zone).toInstant();
            if (leave.isAfter(now)) {
                todo.add("Until you leave the plan does the flowers first that will be past when you are back.");
                trees.stream()
                        .filter(t -> t.sheet().takes())
                        .map(t -> openedEarly(t, leave))
                        .flatMap(Optional::stream)
                        .forEach(todo::add);
            }
            for (LotView lot : shelf.all(caller, now)) {
                if (lot.dosesLeft() > 0 && !lot.viability().spoiled()) {
                    boolean keeps = lot.viability().goodUntil() != null
                            && lot.viability().goodUntil().isAfter(back);
                    todo.add(
                            keeps
                                    ? lot.code() + " keeps until you are back."
                                    : lot.code() + " will be too old by then: use it before, or freeze it dry.");
                }
            }
            return todo;
        }

        /** Flowers that open on the day of leaving may be opened and done the evening before. */
        private Optional<String> openedEarly(Foreseen tree, Instant leave) {
            Instant evening = leave.minus(Duration.ofHours(6));
            if (evening.isBefore(now)) {
                return Optional.empty();
            }
            List<Openings.Group> groups = Openings.ofAll(
                            List.of(tree.forecast()), now, List.of(evening, evening.plus(Duration.ofHours(24))))
                    .get(tree.forecast())
                    .taking(tree.forecast());
            double next = groups.stream()
                    .filter(g -> g.moment() == 1)
                    .mapToDouble(Openings.Group::flowers)
                    .sum();
            return next < 1
                    ? Optional.empty()
                    : Optional.of(String.format(
                            java.util.Locale.ROOT,
                            "%s: about %.0f more open the day after; those only just opening can be parted by hand and done before you go.",
                            tree.tree().name(),
                            next));
        }
    }

    // --- choices ---

    PlanView.Chosen putChoice(Caller caller, UUID id, ChoiceRequest request) {
        TreeView tree = orchards.tree(caller, Given.required("treeId", request.treeId()));
        LotView lot = shelf.lot(caller, Given.required("lotId", request.lotId()));
        int flowers = Require.within("flowers", Given.required("flowers", request.flowers()), 0, 20_000);
        CrossCompatibility cross = crosses.book(caller).cross(tree.varietyId(), lot);
        if (flowers > 0 && !cross.serves()) {
            throw new InvalidInputException(
                    "lotId", "is " + lot.code() + ", which cannot serve " + tree.name() + ": " + cross.why());
        }
        RoundChoice made = once.write(
                "round_choice",
                id,
                () -> choices.findByIdAndOrchardId(id, caller.orchardId()),
                found -> same(found, request),
                () -> choices.saveAndFlush(new RoundChoice(
                        id,
                        caller,
                        clock.instant(),
                        orchards.details(caller).site().zone(),
                        request)));
        return new PlanView.Chosen(
                made.id(), tree.id(), tree.name(), lot.id(), lot.code(), flowers, made.onDay(), null, made.version());
    }

    private static RoundChoice same(RoundChoice found, ChoiceRequest r) {
        if (!found.treeId().equals(r.treeId()) || !found.lotId().equals(r.lotId()) || found.flowers() != r.flowers()) {
            throw new ConflictException(
                    "This choice is already written down otherwise. Take it back and choose again.");
        }
        return found;
    }

    @Transactional
    public void voidChoice(Caller caller, UUID id, VoidRequest request) {
        RoundChoice choice = choices.findByIdAndOrchardId(id, caller.orchardId())
                .orElseThrow(() -> new NotFoundException("choice", id));
        if (!choice.voided()) {
            choice.requireVersion("choice", request.version());
            choice.voidBecause(request.reason(), clock.instant());
        }
    }
}
