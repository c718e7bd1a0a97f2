package org.evenhand.planning;

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
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crossing.CrossWork;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.SecondVisit;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollination.PollinationView;
import org.evenhand.pollination.Pollinations;
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

    private final Pollinations pollinations;

    SecondVisits(Pollinations pollinations) {
        this.pollinations = pollinations;
    }

    private static Set<UUID> fathers(Optional<LotView> lot) {
        return lot.stream()
                .flatMap(l -> l.fathers().stream())
                .map(LotView.Father::varietyId)
                .collect(Collectors.toSet());
    }

    /**
     * The stops of each round, and those at which flowers have pollen once more; none of these where once is held to be enough. They go
     * with the first round of all, one that somebody asked for, or a later one that is walked anyway; the same flowers with one round only.
     */
    List<List<RoundView.StopView>> with(MadePlan made, List<List<RoundView.StopView>> rounds) {
        List<PollinationView> firsts = made.ground().settings().repeatVisits() ? firsts(made) : List.of();
        if (firsts.isEmpty()) {
            return rounds;
        }
        More more = new More(made, firsts);
        return IntStream.range(0, rounds.size())
                .mapToObj(r ->
                        r == 0 || made.slots().get(r).asked() || !rounds.get(r).isEmpty()
                                ? more.with(r, rounds.get(r))
                                : rounds.get(r))
                .toList();
    }

    private List<PollinationView> firsts(MadePlan made) {
        return pollinations.since(made.ground().caller(), made.ground().now().minus(FARTHEST_BACK)).stream()
                // A trial's flowers have what the lot gave them and no more.
                .filter(p -> p.crossingId() == null && p.comparisonId() == null)
                .toList();
    }

    /** When flowers had pollen again, by their first visit; of several the last. */
    private Map<UUID, Instant> again(MadePlan made) {
        return pollinations
                .visitsSince(made.ground().caller(), made.ground().now().minus(FARTHEST_BACK))
                .stream()
                .filter(p -> p.againOf() != null)
                .collect(Collectors.toMap(
                        PollinationView::againOf, PollinationView::doneAt, (a, b) -> a.isAfter(b) ? a : b));
    }

    /** Flowers that may have it again, and how many of their stigmas still take it. */
    private record Open(PollinationView first, Foreseen tree, Instant last, double stillTaking) {}

    private record Aged(UUID variety, Instant then) {}

    /** What may be done once more over the rounds of a plan, one after the other: flowers and doses are there once. */
    private final class More {
        private final MadePlan made;
        private final List<PollinationView> firsts;
        private final Map<UUID, Instant> again;
        private final Map<UUID, LotView> lots;
        private final List<PlanSource> jars;
        private final Map<UUID, Integer> spare = new HashMap<>();
        private final Set<UUID> served = new HashSet<>();

        More(MadePlan made, List<PollinationView> firsts) {
            Caller caller = made.ground().caller();
            this.made = made;
            this.firsts = firsts;
            this.again = again(made);
            this.lots = made.ground().jars().stream().collect(Collectors.toMap(LotView::id, l -> l));
            this.jars = made.sources().stream()
                    .filter(s -> s.kind() == PlanSource.Kind.JAR)
                    .toList();
            for (PlanSource jar : jars) {
                int planned = made.plan().stops().stream()
                        .filter(s -> s.lot().equals(jar.id()))
                        .mapToInt(RoundPlan.Stop::flowers)
                        .sum();
                spare.put(jar.lot().id(), jar.doses() - planned);
            }
        }

        List<RoundView.StopView> with(int round, List<RoundView.StopView> stops) {
            return new Look(round, this).with(stops);
        }
    }

    /** One look, at one round. */
    private static final class Look {
        private final More more;
        private final MadePlan made;
        private final int round;
        private final Instant at;
        private final Map<Aged, Double> stillTaking = new HashMap<>();

        Look(int round, More more) {
            this.more = more;
            this.made = more.made;
            this.round = round;
            this.at = made.slots().get(round).at();
        }

        /** Each behind the stops with the same jar; those with another jar at the end. */
        List<RoundView.StopView> with(List<RoundView.StopView> stops) {
            List<RoundView.StopView> all = new ArrayList<>(stops);
            due().forEach(stop -> {
                int behind = behindSamePollen(all, stop);
                if (behind > 0) {
                    all.add(behind, stop);
                } else {
                    all.add(stop.after(cleanBetween(all, stop)));
                }
            });
            return List.copyOf(all);
        }

        private List<RoundView.StopView> due() {
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
            Map<UUID, Foreseen> trees = made.ground().byTree();
            return more.firsts.stream()
                    .filter(p -> trees.containsKey(p.treeId()) && !more.served.contains(p.id()))
                    .filter(p -> !SecondVisit.tooEarly(last(p), at))
                    .map(p -> open(p, trees.get(p.treeId()), last(p)))
                    .toList();
        }

        private Instant last(PollinationView first) {
            return more.again.getOrDefault(first.id(), first.doneAt());
        }

        private Open open(PollinationView first, Foreseen tree, Instant last) {
            return new Open(first, tree, last, stillTaking(tree, first.doneAt()));
        }

        /** To the half-hour, and once for all trees of a variety: their stigmas age alike, and a contractor has many trees. */
        private double stillTaking(Foreseen tree, Instant doneAt) {
            Instant then = Instant.ofEpochSecond(doneAt.getEpochSecond() / HALF_HOUR_S * HALF_HOUR_S);
            return stillTaking.computeIfAbsent(
                    new Aged(tree.tree().varietyId(), then), a -> tree.stillReceptive(then, at));
        }

        private Optional<RoundView.StopView> stop(Open o) {
            Optional<RoundView.StopView> stop = o.first().lotId() == null
                    ? visit(o, o.first().flowers()).map(v -> view(o, v, null))
                    : jarFor(o.first())
                            .flatMap(jar -> visit(o, more.spare.get(jar.lot().id()))
                                    .map(v -> {
                                        more.spare.merge(jar.lot().id(), -v.flowers(), Integer::sum);
                                        return view(o, v, jar);
                                    }));
            stop.ifPresent(s -> more.served.add(o.first().id()));
            return stop;
        }

        private Optional<SecondVisit> visit(Open o, int doses) {
            return SecondVisit.of(o.first().flowers(), o.last(), at, o.stillTaking(), Math.max(0, doses));
        }

        /** The liveliest jar of the same father with something to spare. */
        private Optional<PlanSource> jarFor(PollinationView first) {
            Set<UUID> fathers = fathers(Optional.ofNullable(more.lots.get(first.lotId())));
            return more.jars.stream()
                    .filter(j ->
                            more.spare.get(j.lot().id()) > 0 && j.viability().get(round) > 0)
                    .filter(j -> j.fathers().equals(fathers))
                    .filter(j -> !ruledOut(first.treeId(), j.lot().id()))
                    .max(Comparator.comparingDouble(
                                    (PlanSource j) -> j.viability().get(round))
                            .thenComparing(PlanSource::name));
        }

        private boolean ruledOut(UUID tree, UUID jar) {
            LocalDate day = at.atZone(made.ground().zone()).toLocalDate();
            return made.choices().stream()
                    .anyMatch(c -> c.flowers() == 0
                            && c.treeId().equals(tree)
                            && jar.equals(c.lotId())
                            && (c.onDay() == null || c.onDay().equals(day)));
        }

        private RoundView.StopView view(Open o, SecondVisit visit, PlanSource jar) {
            TreeView t = o.tree().tree();
            CropSheet sheet = o.tree().sheet();
            double alive = jar == null ? 1 : jar.viability().get(round);
            ZoneId zone = made.ground().zone();
            return new RoundView.StopView(
                    t.id(),
                    t.name(),
                    t.varietyName(),
                    t.crop(),
                    t.block(),
                    t.row(),
                    t.position(),
                    jar == null ? null : jar.lot().id(),
                    jar == null ? Pollinations.FLOWER_TO_FLOWER : jar.name(),
                    jar == null ? t.varietyName() : jar.father(),
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
                    null);
        }

        private static String marks(PollinationView first) {
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
                    : fathers(Optional.ofNullable(more.lots.get(stop.lotId())));
        }
    }
}
