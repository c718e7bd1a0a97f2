package org.evenhand.round;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.core.round.TreeId;

/**
 * A plan that keeps to what people chose.
 *
 * @param plan with the choices that can be had, in the order in which they were made
 * @param free the plan without any
 * @param problems of each choice that cannot be had, why
 */
record ChosenPlan(RoundPlan plan, RoundPlan free, Map<UUID, String> problems) {

    /**
     * @param round the round each choice is meant for: empty for all; null where there is none any more
     */
    static ChosenPlan of(RoundRequest request, List<RoundChoice> chosen, Function<RoundChoice, OptionalInt> round) {
        RoundPlan free = RoundPlan.of(request);
        RoundPlan plan = free;
        Map<UUID, String> problems = new HashMap<>();
        List<RoundRequest.Choice> meant = new ArrayList<>();
        for (RoundChoice choice : chosen) {
            OptionalInt in = round.apply(choice);
            if (in == null) {
                problems.put(choice.id(), "is for " + choice.onDay() + ", when there is no round any more.");
                continue;
            }
            List<RoundRequest.Choice> with = new ArrayList<>(meant);
            with.add(new RoundRequest.Choice(
                    new TreeId(choice.treeId()), new LotId(choice.lotId()), in, choice.flowers()));
            try {
                plan = RoundPlan.of(new RoundRequest(
                        request.mostFlowers(), request.mothers(), request.lots(), request.crosses(), with));
                meant = with;
            } catch (InvalidInputException e) {
                problems.put(choice.id(), e.problems().get(0).message());
            }
        }
        return new ChosenPlan(plan, free, problems);
    }
}
