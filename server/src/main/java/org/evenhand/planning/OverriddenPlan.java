package org.evenhand.planning;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.core.planning.WorkablePlan;

/**
 * A plan that keeps to what people chose.
 *
 * @param request with the visits that are worth going
 * @param plan with the choices that can be had, in the order in which they were made
 * @param free the plan without any
 * @param problems of each choice that cannot be had, why
 */
record OverriddenPlan(RoundRequest request, RoundPlan plan, RoundPlan free, Map<UUID, String> problems) {

    /**
     * @param round the round each choice is meant for: empty for all; null where there is none any more
     */
    static OverriddenPlan of(
            WorkablePlan workable,
            RoundRequest request,
            List<PollenOverride> chosen,
            Function<PollenOverride, OptionalInt> round) {
        Map<UUID, String> problems = new HashMap<>();
        Map<UUID, RoundRequest.Choice> asked = new LinkedHashMap<>();
        for (PollenOverride choice : chosen) {
            OptionalInt in = round.apply(choice);
            if (in == null) {
                problems.put(choice.id(), "is for " + choice.onDay() + ", when there is no visit any more.");
            } else {
                asked.put(
                        choice.id(),
                        new RoundRequest.Choice(
                                new TreeId(choice.treeId()), new LotId(choice.lotId()), in, choice.flowers()));
            }
        }
        WorkablePlan.Workable free = workable.of(request);
        WorkablePlan.Workable kept = keeping(workable, request, free, asked, problems);
        return new OverriddenPlan(kept.request(), kept.plan(), free.plan(), problems);
    }

    /** All choices at once, as they nearly always can be had; one after another only to find those that cannot. */
    private static WorkablePlan.Workable keeping(
            WorkablePlan workable,
            RoundRequest request,
            WorkablePlan.Workable free,
            Map<UUID, RoundRequest.Choice> asked,
            Map<UUID, String> problems) {
        if (asked.isEmpty()) {
            return free;
        }
        try {
            return workable.of(request.with(List.copyOf(asked.values())));
        } catch (InvalidInputException someCannot) {
            return oneByOne(workable, request, free, asked, problems);
        }
    }

    private static WorkablePlan.Workable oneByOne(
            WorkablePlan workable,
            RoundRequest request,
            WorkablePlan.Workable free,
            Map<UUID, RoundRequest.Choice> asked,
            Map<UUID, String> problems) {
        WorkablePlan.Workable plan = free;
        List<RoundRequest.Choice> kept = List.of();
        for (Map.Entry<UUID, RoundRequest.Choice> choice : asked.entrySet()) {
            List<RoundRequest.Choice> more = new ArrayList<>(kept);
            more.add(choice.getValue());
            try {
                plan = workable.of(request.with(more));
                kept = more;
            } catch (InvalidInputException e) {
                problems.put(choice.getKey(), e.problems().get(0).message());
            }
        }
        return plan;
    }
}
