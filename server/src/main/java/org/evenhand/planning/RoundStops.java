package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
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
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.availability.Strokes;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Text;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.cropload.CropLoad;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.WholeShares;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.cropload.TargetView;
import org.evenhand.crossing.CrossWords;
import org.evenhand.kit.Given;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollination.PollinationView;

/**
 * The stops of a plan's rounds as they are told, in walking order: first flowers made ready that get no pollen yet, then pollen father
 * by father with the steps that lead up to a visit or follow it, last the covers that come off. One use each.
 */
final class RoundStops {
    private static final Duration A_DAY = Duration.ofHours(24);

    private final PreparedPlan made;
    private final Map<UUID, Foreseen> byTree;
    private final Map<LotId, PollenOption> byId;
    private final Map<CrossDemand, List<List<CrossProtocol.Step>>> steps = new HashMap<>();

    RoundStops(PreparedPlan made) {
        this.made = made;
        this.byTree = made.ground().byTree();
        this.byId = made.sources().stream().collect(Collectors.toMap(PollenOption::id, Function.identity()));
        for (CrossDemand job : made.crosses().jobs()) {
            Set<Integer> visited = new HashSet<>();
            made.plan().stops().stream()
                    .filter(s -> s.parts().stream().anyMatch(p -> job.owns(p.group())))
                    .forEach(s -> visited.add(s.round()));
            steps.put(job, made.crosses().steps(job, visited));
        }
    }

    List<RoundView.StopView> of(int round) {
        List<RoundView.StopView> stops = new ArrayList<>(idle(round, CrossProtocol.Step::makesReady));
        Set<UUID> before = Set.of();
        for (RoundPlan.Stop stop : made.plan().stops()) {
            if (stop.round() == round) {
                PollenOption source = byId.get(stop.lot());
                List<String> clean = Hygiene.between(tree(stop).sheet(), before, source.fathers());
                for (RoundView.StopView view : views(stop, source)) {
                    boolean first = view.givesPollen() && clean != null;
                    stops.add(first ? view.after(clean) : view);
                    clean = first ? null : clean;
                }
                before = source.fathers();
            }
        }
        stops.addAll(idle(round, s -> !s.makesReady()));
        return stops;
    }

    private Foreseen tree(RoundPlan.Stop stop) {
        return byTree.get(stop.tree().value());
    }

    /** Steps of crosses that get no pollen in this round, near trees together. */
    private List<RoundView.StopView> idle(int round, Predicate<CrossProtocol.Step> which) {
        return made.crosses().jobs().stream()
                .filter(job -> !visited(job, round))
                .sorted(Comparator.comparing((CrossDemand j) -> j.tree().tree().block())
                        .thenComparing(j -> j.tree().tree().row())
                        .thenComparing(j -> j.tree().tree().position()))
                .flatMap(job -> steps.get(job).get(round).stream().filter(which).map(step -> step(job, step)))
                .toList();
    }

    private boolean visited(CrossDemand job, int round) {
        return steps.get(job).get(round).stream().anyMatch(CrossProtocol.Step::givesPollen);
    }

    /** One jar at one tree: its ordinary flowers, and each cross with what leads up to its visit and follows it. */
    private List<RoundView.StopView> views(RoundPlan.Stop stop, PollenOption source) {
        List<RoundView.StopView> views = new ArrayList<>();
        List<RoundPlan.Part> plain = new ArrayList<>();
        List<RoundView.StopView> onceMore = new ArrayList<>();
        Set<CrossDemand> told = new HashSet<>();
        for (RoundPlan.Part part : stop.parts()) {
            Optional<CrossDemand> job = made.crosses().owner(part.group());
            if (job.isPresent()) {
                // A first and a second visit that fall into one round are one visit.
                if (told.add(job.get())) {
                    views.addAll(visit(stop, source, part, job.get()));
                }
            } else if (part.group() instanceof FlowerGroupId.RepeatOf again) {
                onceMore.add(onceMore(stop, source, part, made.again().of(again)));
            } else if (part.group() instanceof FlowerGroupId.Reserved reserved) {
                RoundView.Cross cross = made.crosses().setApartFor(reserved);
                views.add(pollen(stop, source, List.of(part), CrossProtocol.Step.POLLINATE, cross));
            } else {
                plain.add(part);
            }
        }
        if (!plain.isEmpty()) {
            views.add(0, pollen(stop, source, plain, CrossProtocol.Step.POLLINATE, null));
        }
        views.addAll(onceMore);
        return views;
    }

    /**
     * The visit to a cross with a jar. Where its flowers take more than one jar, what leads up to the visit comes with the first and
     * what follows it with the last.
     */
    private List<RoundView.StopView> visit(
            RoundPlan.Stop stop, PollenOption source, RoundPlan.Part part, CrossDemand job) {
        List<RoundPlan.Stop> withJars = made.plan().stops().stream()
                .filter(s -> s.round() == stop.round() && s.parts().stream().anyMatch(p -> job.owns(p.group())))
                .toList();
        boolean first = withJars.indexOf(stop) == 0;
        boolean last = withJars.indexOf(stop) == withJars.size() - 1;
        List<RoundView.StopView> views = new ArrayList<>();
        boolean before = true;
        for (CrossProtocol.Step step : steps.get(job).get(stop.round())) {
            if (step.givesPollen()) {
                views.add(pollen(stop, source, List.of(part), step, job.ref()));
                before = false;
            } else if (before ? first : last) {
                views.add(step(job, step));
            }
        }
        return views;
    }

    private RoundView.StopView step(CrossDemand job, CrossProtocol.Step step) {
        TreeView tree = job.tree().tree();
        CropSheet sheet = job.tree().sheet();
        return new RoundView.StopView(
                tree.id(),
                tree.name(),
                tree.varietyName(),
                tree.crop(),
                tree.block(),
                tree.row(),
                tree.position(),
                null,
                "",
                job.father().name(),
                job.flowers(),
                step.makesReady() && job.work().begun().isEmpty()
                        ? List.of(new RoundView.StageFlowers(job.traits().prepareAt(), job.flowers(), 0))
                        : List.of(),
                0,
                0,
                "For the cross with " + job.father().name() + ".",
                List.of(),
                List.of(),
                step,
                false,
                job.ref(),
                CrossWords.say(sheet, job.traits(), step, job.flowers()),
                List.of(),
                null,
                List.of(),
                null,
                false,
                null);
    }

    private RoundView.StopView pollen(
            RoundPlan.Stop stop,
            PollenOption source,
            List<RoundPlan.Part> parts,
            CrossProtocol.Step kind,
            RoundView.Cross cross) {
        Foreseen tree = tree(stop);
        CropSheet sheet = tree.sheet();
        TreeView t = tree.tree();
        int flowers = parts.stream().mapToInt(RoundPlan.Part::flowers).sum();
        boolean plain = cross == null && kind == CrossProtocol.Step.POLLINATE;
        return new RoundView.StopView(
                t.id(),
                t.name(),
                t.varietyName(),
                t.crop(),
                t.block(),
                t.row(),
                t.position(),
                source.kind() == PollenOption.Kind.JAR ? source.lot().id() : null,
                source.name(),
                source.father(),
                flowers,
                parts.stream().flatMap(p -> stage(sheet, p).stream()).toList(),
                parts.stream().mapToDouble(RoundPlan.Part::expected).sum(),
                source.viability().get(stop.round()),
                why(stop),
                strokes(sheet, cross != null),
                List.of(),
                kind,
                stop.grounds().wanted(),
                cross,
                kind == CrossProtocol.Step.POLLINATE_AGAIN ? List.of(CrossWords.SAME_FLOWERS) : List.of(),
                sheet.hand().handling(),
                sheet.hand().passes().map(n -> (int) n.value()).orElse(null),
                plain ? limbs(t, sheet, flowers) : List.of(),
                null,
                plain && onlyNow(tree, stop.round()),
                source.toCollect() ? source.variety().id() : null);
    }

    private RoundView.StopView onceMore(
            RoundPlan.Stop stop, PollenOption source, RoundPlan.Part part, PlanSecondVisits.OnceMore again) {
        Foreseen tree = tree(stop);
        ZoneId zone = made.ground().zone();
        PollinationView first = again.first();
        String why = String.format(
                Locale.ROOT,
                "They had pollen on %s; about %.0f in 100 such stigmas are still receptive, and there is pollen to spare.",
                Given.say(again.last(), zone),
                100 * made.again().stillReceptive(tree, again, stop.round()));
        List<Text> say = List.of(Text.of(
                "stop.first-visit", "marks", marks(first).isEmpty() ? "none" : marks(first), "at", first.doneAt()));
        return pollen(stop, source, List.of(part), CrossProtocol.Step.POLLINATE_AGAIN, null)
                .onceMore(first.id(), why, say);
    }

    private static String marks(PollinationView first) {
        return Stream.of(first.colour(), first.mark(), first.tag())
                .filter(s -> !s.isEmpty())
                .collect(Collectors.joining(" "));
    }

    private static Optional<RoundView.StageFlowers> stage(CropSheet sheet, RoundPlan.Part part) {
        return part.group()
                .stage()
                .map(key -> new RoundView.StageFlowers(
                        key,
                        part.flowers(),
                        sheet.stages().get(sheet.indexOf(key)).receptivity().value()));
    }

    private List<Text> strokes(CropSheet sheet, boolean seedsWanted) {
        return strokes(made.ground().settings().strokes(), sheet, seedsWanted);
    }

    /** How to lead the brush, by the school that is followed. */
    static List<Text> strokes(Strokes school, CropSheet sheet, boolean seedsWanted) {
        return switch (school) {
            case AS_SHEET ->
                seedsWanted
                        ? CrossWords.strokes(sheet)
                        : List.of(Text.sheet(sheet.hand().strokes()));
            case FULL -> List.of(Text.of("strokes.FULL"));
            case LIGHT -> List.of(Text.of("strokes.LIGHT"));
        };
    }

    private String why(RoundPlan.Stop s) {
        String jar = s.grounds().wanted()
                ? "You chose it."
                : s.grounds()
                        .better()
                        .map(b -> byId.get(b).name() + " would serve better here, but other trees need it more.")
                        .orElse(
                                s.grounds().lotsThatServe() == 1
                                        ? "The only pollen there is that serves it."
                                        : "The best here of " + s.grounds().lotsThatServe() + " that serve it.");
        String now = s.grounds().canWait() ? "" : " By the next visit these flowers are past their best.";
        return jar + now + " " + s.cross().why();
    }

    private boolean onlyNow(Foreseen tree, int round) {
        Instant at = made.slots().get(round).at();
        return tree.stillReceptive(at, at.plus(A_DAY)) < PlanConventions.NOW_OR_NEVER;
    }

    /** Flowers over the measured limbs in proportion to the fruits they carry. */
    private List<RoundView.LimbFlowers> limbs(TreeView tree, CropSheet sheet, int flowers) {
        TargetView target = made.ground().budgets().get(tree.id()).target();
        if (target == null || target.limbsMm().isEmpty() || sheet.load().isEmpty()) {
            return List.of();
        }
        List<Integer> fruits = CropLoad.limbFruits(
                target.limbsMm(), sheet.load().get().twigMm().value());
        List<Integer> shares = WholeShares.inProportion(flowers, fruits);
        List<RoundView.LimbFlowers> limbs = new ArrayList<>();
        for (int i = 0; i < fruits.size(); i++) {
            limbs.add(new RoundView.LimbFlowers(target.limbsMm().get(i), fruits.get(i), shares.get(i)));
        }
        return limbs;
    }
}
