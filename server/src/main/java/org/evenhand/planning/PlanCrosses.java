package org.evenhand.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.FlowersToDo;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.crossing.CrossNeeds;
import org.evenhand.mating.WantedCross;

/** The crosses of a plan: those being made, those that requests call for, and what they ask of each round. One use each. */
final class PlanCrosses {
    private final PlanningContext ground;
    private final List<Instant> rounds;
    private final List<PollenOption> sources;
    private final List<CrossDemand> jobs = new ArrayList<>();
    /** Flowers of requests whose crop needs no making ready, by tree. */
    private final Map<UUID, List<Apart>> apart = new HashMap<>();

    private final Map<UUID, WantedCross> wanted = new HashMap<>();
    private final List<PlanView.Left> notPossible = new ArrayList<>();

    /** Flowers set apart on a tree for a request. */
    private record Apart(CrossNeeds.Requested requested, int flowers) {}

    PlanCrosses(PlanningContext ground, List<VisitWindow> slots, List<PollenOption> sources) {
        this.ground = ground;
        this.rounds = slots.stream().map(VisitWindow::at).toList();
        this.sources = sources;
        Map<UUID, Foreseen> trees = ground.byTree();
        ground.crosses().open().stream()
                .filter(o -> trees.containsKey(o.treeId()) && o.weight() > 0)
                .forEach(o -> jobs.add(new CrossDemand(
                        o.id(),
                        o.label(),
                        o.crossRequestId(),
                        trees.get(o.treeId()),
                        ground.varieties().get(o.fatherId()),
                        o.flowers(),
                        o.work(),
                        rounds.get(0),
                        o.weight())));
        ground.crosses().requested().forEach(this::plan);
    }

    List<CrossDemand> jobs() {
        return List.copyOf(jobs);
    }

    /** CrossRequests that these days do nothing for, and why. */
    List<PlanView.Left> notPossible() {
        return List.copyOf(notPossible);
    }

    private void plan(CrossNeeds.Requested requested) {
        List<Foreseen> mothers = ground.trees().stream()
                .filter(t ->
                        t.tree().varietyId().equals(requested.crossRequest().motherId())
                                && t.sheet().receives())
                .toList();
        if (mothers.isEmpty()) {
            return;
        }
        Set<LotId> pollen = onlyOf(requested.crossRequest().fatherId());
        if (pollen.isEmpty()) {
            tellNotPossible(
                    requested,
                    mothers.get(0),
                    "CROSS_WITHOUT_POLLEN",
                    Text.of("save.father", "father", requested.crossRequest().father()));
        } else if (mothers.get(0).sheet().cross().isPresent()) {
            prepare(requested, mothers);
        } else {
            setApart(requested, mothers);
        }
    }

    /** In the first round in which flowers stand at the stage for it, on the trees that have most of them. */
    private void prepare(CrossNeeds.Requested requested, List<Foreseen> mothers) {
        CrossTraits traits = mothers.get(0).sheet().cross().orElseThrow();
        int left = requested.more();
        for (int r = 0; r < rounds.size() && left == requested.more(); r++) {
            Instant at = rounds.get(r);
            List<Foreseen> byFlowers = mothers.stream()
                    .sorted(Comparator.comparingInt((Foreseen t) -> -ready(t, traits, at)))
                    .toList();
            for (Foreseen tree : byFlowers) {
                int flowers = Math.min(left, ready(tree, traits, at));
                if (flowers > 0) {
                    jobs.add(new CrossDemand(
                            null,
                            null,
                            requested.crossRequest().id(),
                            tree,
                            ground.varieties().get(requested.crossRequest().fatherId()),
                            flowers,
                            new CrossProtocol(traits, ControlledCrosses.USUAL, List.of()),
                            at,
                            requested.weight()));
                    left -= flowers;
                }
            }
        }
        if (left == requested.more()) {
            CropSheet sheet = mothers.get(0).sheet();
            String stage = sheet.stages().get(sheet.indexOf(traits.prepareAt())).name();
            tellNotPossible(requested, mothers.get(0), "CROSS_NOT_READY", Text.of("save.stage", "sheet", stage));
        }
    }

    private void tellNotPossible(CrossNeeds.Requested requested, Foreseen mother, String reason, Text wouldServe) {
        notPossible.add(new PlanView.Left(
                mother.tree().id(),
                requested.crossRequest().mother() + " × "
                        + requested.crossRequest().father(),
                requested.more(),
                reason,
                wouldServe));
    }

    private static int ready(Foreseen tree, CrossTraits traits, Instant at) {
        return (int)
                Math.floor(tree.forecast().stagesAt(at)[tree.sheet().indexOf(traits.prepareAt())] + TreeOutlook.THERE);
    }

    private void setApart(CrossNeeds.Requested requested, List<Foreseen> mothers) {
        int each = (int) Math.ceil((double) requested.more() / mothers.size());
        mothers.forEach(t ->
                apart.computeIfAbsent(t.tree().id(), id -> new ArrayList<>()).add(new Apart(requested, each)));
    }

    private Set<LotId> onlyOf(UUID father) {
        return sources.stream()
                .filter(s -> s.isOnlyOf(father))
                .map(PollenOption::id)
                .collect(Collectors.toSet());
    }

    private IntPredicate pollenIn(UUID father) {
        return r -> sources.stream()
                .anyMatch(s -> s.isOnlyOf(father) && s.viability().get(r) > 0);
    }

    /** The tree with the flowers of its crosses. */
    RoundRequest.Mother with(Foreseen tree, RoundRequest.Mother mother) {
        List<OpenFlowers> flowers = mother.flowers();
        for (Apart a : apart.getOrDefault(tree.tree().id(), List.of())) {
            Set<LotId> only = onlyOf(a.requested().crossRequest().fatherId());
            int doses = sources.stream()
                    .filter(s -> only.contains(s.id()))
                    .mapToInt(PollenOption::doses)
                    .sum();
            WantedCross crossRequest = a.requested().crossRequest();
            wanted.put(crossRequest.id(), crossRequest);
            flowers = FlowersToDo.reserve(
                    flowers, Math.min(a.flowers(), doses), only, a.requested().weight(), crossRequest.id());
        }
        List<OpenFlowers> all = new ArrayList<>(flowers);
        int ofCrosses = 0;
        for (CrossDemand job : jobs) {
            if (job.tree() == tree) {
                all = new ArrayList<>(opened(all, job));
                all.addAll(groups(job));
                ofCrosses += 2 * job.flowers();
            }
        }
        int most = Math.max(mother.wanted(), Math.min(RoundRequest.NO_LIMIT, ofCrosses));
        return mother.with(most, all);
    }

    private List<OpenFlowers> opened(List<OpenFlowers> flowers, CrossDemand job) {
        int round = rounds.indexOf(job.start());
        return job.controlledCross() == null
                ? FlowersToDo.withoutMadeReady(
                        flowers, round, job.tree().sheet().cross().orElseThrow().flowersTaken(job.flowers()))
                : flowers;
    }

    private List<OpenFlowers> groups(CrossDemand job) {
        Set<LotId> only = onlyOf(job.father().id());
        IntPredicate pollen = pollenIn(job.father().id());
        List<OpenFlowers> groups = new ArrayList<>();
        List<Double> first = job.work().firstVisit(rounds, job.start(), pollen);
        List<Double> second = job.work().secondVisit(rounds, job.start(), pollen);
        if (first.stream().anyMatch(w -> w > 0)) {
            groups.add(new OpenFlowers(job.firstVisit(), job.flowers(), job.weight(), first, Optional.of(only)));
        }
        if (second.stream().anyMatch(w -> w > 0)) {
            groups.add(
                    new OpenFlowers(job.repeatVisit(), job.flowers(), job.secondWeight(), second, Optional.of(only)));
        }
        return groups;
    }

    /** The wanted cross that flowers are set apart for. */
    RoundView.Cross setApartFor(FlowerGroupId.Reserved group) {
        WantedCross crossRequest = wanted.get(group.wanted());
        return new RoundView.Cross(null, crossRequest.id(), crossRequest.fatherId(), crossRequest.father(), null);
    }

    /** The cross that flowers belong to; empty where they belong to none. */
    Optional<CrossDemand> owner(FlowerGroupId group) {
        return jobs.stream().filter(j -> j.owns(group)).findFirst();
    }

    /** Flowers to be made ready in a round: they take hands too. */
    int madeReadyIn(int round) {
        return jobs.stream()
                .filter(j -> steps(j, Set.of()).get(round).stream().anyMatch(CrossProtocol.Step::makesReady))
                .mapToInt(CrossDemand::flowers)
                .sum();
    }

    /** Whether a round begins a cross, or is the next one while crosses are being made. */
    boolean stepsIn(int round) {
        return jobs.stream()
                .anyMatch(j -> j.controlledCross() == null ? j.start().equals(rounds.get(round)) : round == 0);
    }

    /** Steps of a job in each round, given the rounds in which the plan visits it. */
    List<List<CrossProtocol.Step>> steps(CrossDemand job, Set<Integer> visited) {
        return job.steps(rounds, visited::contains);
    }
}
