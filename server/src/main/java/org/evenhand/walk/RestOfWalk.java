package org.evenhand.walk;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.pollen.Hygiene;
import org.evenhand.planning.PlanView;
import org.evenhand.planning.RoundView;

/**
 * A walk whose rest is planned anew. Stops at which something was done stay, with as many flowers as were done; all others are replaced
 * by those of the new plan. No stop changes its place: what others wrote down at it in the meantime stays true.
 *
 * @param collects what is collected, the new ones last
 * @param stops old and new
 * @param replaced places of stops that nobody need go to any more
 */
record RestOfWalk(List<WalkView.Collecting> collects, List<RoundView.StopView> stops, Set<Integer> replaced) {

    /**
     * What is on a walk.
     *
     * @param done flowers done at its stops, by place; steps on crosses count as well
     * @param filled jars that were filled on it, with the doses collected into them; 0 for one that was removed again
     */
    record Walked(
            List<WalkView.Collecting> collects,
            List<RoundView.StopView> stops,
            Map<Integer, Integer> done,
            Map<UUID, Integer> filled) {
        /** Whether a jar holds what was collected into it. */
        boolean fills(WalkView.Collecting c) {
            return filled.getOrDefault(c.lotId(), 0) > 0;
        }
    }

    /**
     * @param plan what is planned now, the work that was done left out
     * @param newJar ids for jars that are still to be filled
     */
    static RestOfWalk of(
            Walked walked, RoundView plan, Supplier<UUID> newJar, Function<RoundView.StopView, CropSheet> sheet) {
        List<WalkView.Collecting> collects = collects(walked, plan, newJar);
        Map<UUID, UUID> jars = collects.stream()
                .filter(c -> !walked.fills(c))
                .collect(Collectors.toMap(c -> c.pollen().varietyId(), WalkView.Collecting::lotId, (a, b) -> b));
        List<RoundView.StopView> stops = new ArrayList<>();
        for (int i = 0; i < walked.stops().size(); i++) {
            Integer done = walked.done().get(i);
            stops.add(
                    done == null ? walked.stops().get(i) : walked.stops().get(i).ofFlowers(done));
        }
        RoundView.StopView last = lastDone(walked);
        for (RoundView.StopView stop : plan.stops()) {
            RoundView.StopView fromJar = stop.collectOf() == null ? stop : stop.fromJar(jars.get(stop.collectOf()));
            boolean firstPollen = last != null && fromJar.givesPollen();
            stops.add(firstPollen ? fromJar.after(cleanBetween(last, fromJar, sheet.apply(fromJar))) : fromJar);
            last = firstPollen ? null : last;
        }
        Set<Integer> replaced = IntStream.range(0, walked.stops().size())
                .filter(i -> !walked.done().containsKey(i))
                .boxed()
                .collect(Collectors.toSet());
        return new RestOfWalk(collects, stops, replaced);
    }

    private static List<WalkView.Collecting> collects(Walked walked, RoundView plan, Supplier<UUID> newJar) {
        List<WalkView.Collecting> collects = new ArrayList<>();
        Set<UUID> open = new HashSet<>();
        for (WalkView.Collecting c : walked.collects()) {
            if (walked.fills(c)) {
                collects.add(new WalkView.Collecting(
                        c.lotId(), c.pollen(), walked.filled().get(c.lotId())));
            } else {
                open.add(c.pollen().varietyId());
                collects.add(new WalkView.Collecting(
                        // A jar that was removed does not come back; another takes its place.
                        walked.filled().containsKey(c.lotId()) ? newJar.get() : c.lotId(), planned(c, plan), null));
            }
        }
        plan.collect().stream()
                .filter(p -> !open.contains(p.varietyId()))
                .forEach(p -> collects.add(new WalkView.Collecting(newJar.get(), p, null)));
        return collects;
    }

    private static PlanView.Collect planned(WalkView.Collecting c, RoundView plan) {
        return plan.collect().stream()
                .filter(p -> p.varietyId().equals(c.pollen().varietyId()))
                .findFirst()
                .orElse(c.pollen());
    }

    private static RoundView.StopView lastDone(Walked walked) {
        return walked.done().keySet().stream()
                .sorted()
                .map(i -> walked.stops().get(i))
                .filter(RoundView.StopView::givesPollen)
                .reduce((a, b) -> b)
                .orElse(null);
    }

    private static List<String> cleanBetween(RoundView.StopView before, RoundView.StopView next, CropSheet sheet) {
        return Hygiene.between(sheet, Set.of(before.pollenParent()), Set.of(next.pollenParent()));
    }
}
