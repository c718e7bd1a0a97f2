package org.evenhand.round;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.core.round.CrossWork;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.SecondVisit;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Component;

/**
 * Flowers outside crosses that have pollen once more: of the same father, so that a fruit can still tell him, and with doses that no first
 * visit needs.
 */
@Component
class SecondVisits {
    /** So far back flowers are looked for; no stigma here lasts longer. */
    private static final Duration FARTHEST_BACK = Duration.ofDays(5);

    private static final long HALF_HOUR_S = 1800;

    private final PollinationRepository pollinations;
    private final PollenShelf shelf;
    private final Orchards orchards;

    SecondVisits(PollinationRepository pollinations, PollenShelf shelf, Orchards orchards) {
        this.pollinations = pollinations;
        this.shelf = shelf;
        this.orchards = orchards;
    }

    /** Refuses a second visit that does not go with the first. */
    void check(
            Caller caller,
            PollinationRequest request,
            TreeView tree,
            Optional<LotView> lot,
            int flowers,
            Instant doneAt) {
        Pollination first = pollinations
                .findByIdAndOrchardId(request.againOf(), caller.orchardId())
                .filter(p -> !p.voided())
                .orElseThrow(() -> new NotFoundException("pollination", request.againOf()));
        ZoneId zone = orchards.details(caller).site().zone();
        if (request.crossingId() != null || request.comparisonId() != null) {
            throw new InvalidInputException("againOf", "goes neither with a cross nor with a place of a comparison.");
        }
        if (first.again() || first.crossingId() != null || first.how().treatment() != Treatment.HAND) {
            throw new InvalidInputException("againOf", "is not the first visit by hand to flowers outside crosses.");
        }
        if (!first.treeId().equals(tree.id())) {
            throw new InvalidInputException("treeId", "is " + tree.name() + ", but the flowers are on another tree.");
        }
        if (flowers > first.flowers()) {
            throw new InvalidInputException(
                    "flowers",
                    "is " + flowers + ", but only " + Plural.of(first.flowers(), "flower was", "flowers were")
                            + " done the first time.");
        }
        if (!doneAt.isAfter(first.doneAt())) {
            throw new InvalidInputException(
                    "doneAt",
                    "is " + Given.say(doneAt, zone) + ", not after the first visit on "
                            + Given.say(first.doneAt(), zone) + ".");
        }
        Set<UUID> before = fathers(Optional.ofNullable(first.lotId()).map(id -> shelf.lot(caller, id)));
        if (!fathers(lot).equals(before)) {
            throw new InvalidInputException(
                    "lotId", "holds other pollen than the first visit's; nobody could tell the father any more.");
        }
    }

    private static Set<UUID> fathers(Optional<LotView> lot) {
        return lot.stream()
                .flatMap(l -> l.fathers().stream())
                .map(LotView.Father::varietyId)
                .collect(Collectors.toSet());
    }

    /** A first visit stands as long as a second one rests on it. */
    void refuseVoidingFirst(Caller caller, Pollination pollination) {
        if (!pollinations
                .findByOrchardIdAndAgainOfInAndVoidedAtIsNull(caller.orchardId(), List.of(pollination.id()))
                .isEmpty()) {
            throw new ConflictException("These flowers had pollen once more since. Take that visit back first.");
        }
    }

    /**
     * The stops of each round, and those at which flowers have pollen once more; none of these where once is held to be enough. They go
     * with the first round of all or with a later one that is walked anyway, the same flowers with one round only.
     */
    List<List<RoundView.StopView>> with(MadePlan made, List<List<RoundView.StopView>> rounds) {
        List<Pollination> firsts = made.ground().settings().repeatVisits() ? firsts(made) : List.of();
        if (firsts.isEmpty()) {
            return rounds;
        }
        Map<UUID, Integer> used = new HashMap<>();
        Set<UUID> served = new HashSet<>();
        List<List<RoundView.StopView>> all = new ArrayList<>();
        for (int r = 0; r < rounds.size(); r++) {
            List<RoundView.StopView> stops = rounds.get(r);
            List<Pollination> open =
                    firsts.stream().filter(p -> !served.contains(p.id())).toList();
            if (r == 0 || !stops.isEmpty()) {
                stops = new Look(made, made.slots().get(r).at(), open, used).with(stops);
                stops.stream()
                        .map(RoundView.StopView::againOf)
                        .filter(Objects::nonNull)
                        .forEach(served::add);
            }
            all.add(stops);
        }
        return all;
    }

    private List<Pollination> firsts(MadePlan made) {
        return pollinations
                .byHandSince(
                        made.ground().caller().orchardId(), made.ground().now().minus(FARTHEST_BACK))
                .stream()
                // A trial's flowers have what the lot gave them and no more.
                .filter(p -> p.crossingId() == null && p.comparisonId() == null)
                .toList();
    }

    /** Flowers that may have it again, and how many of their stigmas still take it. */
    private record Open(Pollination first, Foreseen tree, Instant last, double stillTaking) {}

    private record Aged(UUID variety, Instant then) {}

    /** One look at what was done and what is on the shelf. */
    private final class Look {
        private final MadePlan made;
        private final Instant at;
        private final Map<UUID, LotView> lots;
        private final List<Pollination> firsts;
        /** doses that second visits of earlier rounds took from each jar */
        private final Map<UUID, Integer> used;

        private final Map<UUID, Integer> spare = new HashMap<>();
        private final Map<Aged, Double> stillTaking = new HashMap<>();

        Look(MadePlan made, Instant at, List<Pollination> firsts, Map<UUID, Integer> used) {
            this.made = made;
            this.at = at;
            this.firsts = firsts;
            this.used = used;
            this.lots = shelf.all(made.ground().caller(), at).stream().collect(Collectors.toMap(LotView::id, l -> l));
            lots.values().forEach(l -> spare.put(l.id(), l.dosesLeft() - used.getOrDefault(l.id(), 0)));
            Map<LotId, UUID> jars = made.sources().stream()
                    .filter(s -> s.kind() == PlanSource.Kind.JAR)
                    .collect(Collectors.toMap(PlanSource::id, s -> s.lot().id()));
            for (RoundPlan.Stop stop : made.plan().stops()) {
                if (jars.containsKey(stop.lot())) {
                    spare.merge(jars.get(stop.lot()), -stop.flowers(), Integer::sum);
                }
            }
        }

        /** Each behind the stops with the same jar; those with another jar at the end. */
        List<RoundView.StopView> with(List<RoundView.StopView> stops) {
            List<RoundView.StopView> all = new ArrayList<>(stops);
            more().forEach(stop -> {
                int behind = behindSamePollen(all, stop);
                if (behind > 0) {
                    all.add(behind, stop);
                } else {
                    all.add(stop.after(cleanBetween(all, stop)));
                }
            });
            return List.copyOf(all);
        }

        private List<RoundView.StopView> more() {
            return open().stream()
                    .sorted(Comparator.comparingDouble((Open o) -> -o.stillTaking()))
                    .flatMap(o -> stop(o).stream())
                    .sorted(Comparator.comparing(RoundView.StopView::lotCode)
                            .thenComparing(RoundView.StopView::block)
                            .thenComparing(RoundView.StopView::row)
                            .thenComparing(RoundView.StopView::position))
                    .toList();
        }

        /** The place after the last stop with the same pollen and the steps that follow its visit; 0 where there is none. */
        private static int behindSamePollen(List<RoundView.StopView> all, RoundView.StopView stop) {
            for (int i = all.size() - 1; i >= 0; i--) {
                if (samePollen(all.get(i), stop)) {
                    int behind = i + 1;
                    while (behind < all.size() && !all.get(behind).givesPollen()) {
                        behind++;
                    }
                    return behind;
                }
            }
            return 0;
        }

        private static boolean samePollen(RoundView.StopView one, RoundView.StopView other) {
            return one.givesPollen()
                    && one.lotCode().equals(other.lotCode())
                    && one.pollenParent().equals(other.pollenParent());
        }

        private List<Open> open() {
            UUID orchard = made.ground().caller().orchardId();
            Map<UUID, Instant> again = pollinations
                    .findByOrchardIdAndAgainOfInAndVoidedAtIsNull(
                            orchard, firsts.stream().map(Pollination::id).toList())
                    .stream()
                    .collect(Collectors.toMap(
                            Pollination::againOf, Pollination::doneAt, (a, b) -> a.isAfter(b) ? a : b));
            Map<UUID, Foreseen> trees = made.ground().byTree();
            return firsts.stream()
                    .filter(p -> trees.containsKey(p.treeId()))
                    .filter(p -> !SecondVisit.tooEarly(again.getOrDefault(p.id(), p.doneAt()), at))
                    .map(p -> open(p, trees.get(p.treeId()), again.getOrDefault(p.id(), p.doneAt())))
                    .toList();
        }

        private Open open(Pollination first, Foreseen tree, Instant last) {
            return new Open(first, tree, last, stillTaking(tree, first.doneAt()));
        }

        /** To the half-hour, and once for all trees of a variety: their stigmas age alike, and a contractor has many trees. */
        private double stillTaking(Foreseen tree, Instant doneAt) {
            Instant then = Instant.ofEpochSecond(doneAt.getEpochSecond() / HALF_HOUR_S * HALF_HOUR_S);
            return stillTaking.computeIfAbsent(
                    new Aged(tree.tree().varietyId(), then), a -> tree.stillReceptive(then, at));
        }

        private Optional<RoundView.StopView> stop(Open o) {
            if (o.first().lotId() == null) {
                return visit(o, o.first().flowers()).map(v -> view(o, v, null));
            }
            return jarFor(o.first())
                    .flatMap(jar -> visit(o, spare.get(jar.id())).map(v -> {
                        spare.merge(jar.id(), -v.flowers(), Integer::sum);
                        used.merge(jar.id(), v.flowers(), Integer::sum);
                        return view(o, v, jar);
                    }));
        }

        private Optional<SecondVisit> visit(Open o, int doses) {
            return SecondVisit.of(o.first().flowers(), o.last(), at, o.stillTaking(), Math.max(0, doses));
        }

        /** The liveliest jar of the same father with something to spare. */
        private Optional<LotView> jarFor(Pollination first) {
            Set<UUID> fathers = fathers(Optional.ofNullable(lots.get(first.lotId())));
            return lots.values().stream()
                    .filter(l -> spare.get(l.id()) > 0 && !l.viability().spoiled())
                    .filter(l -> fathers(Optional.of(l)).equals(fathers))
                    .filter(l -> !ruledOut(first.treeId(), l.id()))
                    .filter(l -> made.ground().settings().pollenAge().allows(l.collectedAt(), at))
                    .max(Comparator.comparingDouble((LotView l) -> l.viability().share())
                            .thenComparing(LotView::code));
        }

        private boolean ruledOut(UUID tree, UUID jar) {
            LocalDate day = at.atZone(made.ground().zone()).toLocalDate();
            return made.choices().stream()
                    .anyMatch(c -> c.flowers() == 0
                            && c.treeId().equals(tree)
                            && jar.equals(c.lotId())
                            && (c.onDay() == null || c.onDay().equals(day)));
        }

        private RoundView.StopView view(Open o, SecondVisit visit, LotView jar) {
            TreeView t = o.tree().tree();
            CropSheet sheet = o.tree().sheet();
            double alive = jar == null ? 1 : jar.viability().share();
            ZoneId zone = made.ground().zone();
            return new RoundView.StopView(
                    t.id(),
                    t.name(),
                    t.varietyName(),
                    t.crop(),
                    t.block(),
                    t.row(),
                    t.position(),
                    jar == null ? null : jar.id(),
                    jar == null ? Pollinations.FLOWER_TO_FLOWER : jar.code(),
                    jar == null ? t.varietyName() : jar.varietyName(),
                    visit.flowers(),
                    List.of(),
                    visit.flowers() * visit.stillTaking() * alive,
                    alive,
                    String.format(
                            Locale.ROOT,
                            "They had pollen on %s; about %.0f in 100 such stigmas still take it, and there is pollen to spare.",
                            Given.say(o.last(), zone),
                            100 * visit.stillTaking()),
                    RoundStops.strokes(made.ground().settings().strokes(), sheet, false),
                    List.of(),
                    CrossWork.Step.POLLINATE_AGAIN,
                    false,
                    null,
                    marks(o.first()) + ", done " + Given.say(o.first().doneAt(), zone),
                    sheet.hand().handling(),
                    sheet.hand().passes().map(n -> (int) n.value()).orElse(null),
                    List.of(),
                    o.first().id(),
                    false,
                    false);
        }

        private static String marks(Pollination first) {
            return List.of(first.colour(), first.mark(), first.tag()).stream()
                    .filter(s -> !s.isEmpty())
                    .collect(Collectors.collectingAndThen(
                            Collectors.joining(" "), s -> s.isEmpty() ? "without a mark" : s));
        }

        private List<String> cleanBetween(List<RoundView.StopView> all, RoundView.StopView next) {
            Set<UUID> last = all.stream()
                    .filter(RoundView.StopView::givesPollen)
                    .reduce((a, b) -> b)
                    .map(this::fathersOf)
                    .orElse(Set.of());
            return Hygiene.between(made.ground().byTree().get(next.treeId()).sheet(), last, fathersOf(next));
        }

        /** Flowers that serve one another have their own variety for a father. */
        private Set<UUID> fathersOf(RoundView.StopView stop) {
            return stop.lotId() == null
                    ? Set.of(made.ground().byTree().get(stop.treeId()).tree().varietyId())
                    : fathers(Optional.ofNullable(lots.get(stop.lotId())));
        }
    }
}
