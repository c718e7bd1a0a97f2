package org.evenhand.verify;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evenhand.core.Require;
import org.evenhand.core.planning.FlowerGroupId;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.core.planning.TreeId;

/** Lots to trees on one day; among equally good ways the pollen that expires sooner is used. */
final class AllocationTopic implements Topic {
    @Override
    public String name() {
        return "allocation";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        LocalDate day = in.date("use_date");
        RoundPlanTopic.requireDistinct(in, "lots");
        RoundPlanTopic.requireDistinct(in, "trees");
        Map<LotId, LocalDate> expiry = new HashMap<>();
        in.children("lots").forEach(l -> expiry.put(lotId(l), l.date("expiry")));
        List<LocalDate> dates = expiry.values().stream().distinct().sorted().toList();
        List<Lot> lots = new ArrayList<>();
        for (Inputs lot : in.children("lots")) {
            LocalDate until = expiry.get(lotId(lot));
            double given = Require.within("viability of " + lot.text("id"), lot.number("viability"), 0, 1);
            double viability = until.isBefore(day) ? 0 : given;
            lots.add(new Lot(lotId(lot), lot.whole("doses"), List.of(viability), dates.indexOf(until)));
        }
        RoundPlan plan = RoundPlan.of(new RoundRequest(
                List.of(RoundRequest.NO_LIMIT),
                in.children("trees").stream().map(t -> mother(t, in)).toList(),
                lots,
                (tree, lot) -> RoundPlanTopic.FITS,
                List.of()));
        Map<String, Integer> used = new TreeMap<>();
        plan.stops().forEach(s -> used.merge(expiry.get(s.lot()).toString(), s.flowers(), Integer::sum));
        return Optional.of(Map.of(
                "optimum_value", plan.value(),
                "optimum_value_times_100", Math.round(plan.value() * 100),
                "doses_used_by_expiry", used,
                "doses_used", used.values().stream().mapToInt(Integer::intValue).sum()));
    }

    private static Mother mother(Inputs tree, Inputs all) {
        List<String> sources = tree.texts("compatible_sources");
        Set<LotId> only = all.children("lots").stream()
                .filter(l -> sources.contains(l.text("source")))
                .map(AllocationTopic::lotId)
                .collect(Collectors.toSet());
        int flowers = tree.whole("flowers");
        return new Mother(
                new TreeId(RoundPlanTopic.id(tree.text("id"))),
                new Place("", 1, 1),
                flowers,
                List.of(new OpenFlowers(
                        new FlowerGroupId.OfStage("open"),
                        flowers,
                        tree.number("weight"),
                        List.of(1.0),
                        Optional.of(only))));
    }

    private static LotId lotId(Inputs lot) {
        return new LotId(RoundPlanTopic.id(lot.text("id")));
    }
}
