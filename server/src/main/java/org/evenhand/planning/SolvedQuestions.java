package org.evenhand.planning;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.planning.Cancellation;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;
import org.evenhand.core.planning.WorkablePlan;
import org.springframework.stereotype.Component;

/**
 * Plans by all that they were made from: a record that changes nothing of the question, as a note or a picture, does not solve it again.
 * Losing one costs time, never a right answer.
 */
@Component
class SolvedQuestions {
    private final Cache<Question, OverriddenPlan> plans = Caffeine.newBuilder()
            .maximumSize(64)
            .expireAfterAccess(Duration.ofHours(1))
            .build();

    /**
     * All that a plan is made from.
     *
     * @param request without choices
     * @param shares of each tree, fruits that a full flower gives
     * @param worthGoing fruits that a visit must let expect
     * @param needed rounds that are made whatever they are worth
     * @param choices what people chose
     */
    private record Question(
            RoundRequest request,
            Map<TreeId, Double> shares,
            double worthGoing,
            Set<Integer> needed,
            List<Chosen> choices) {}

    /** @param round the round it is meant for: empty for all; null where there is none any more */
    private record Chosen(UUID id, UUID tree, UUID lot, int flowers, LocalDate onDay, OptionalInt round) {}

    OverriddenPlan plan(
            RoundRequest request,
            Map<TreeId, Double> shares,
            double worthGoing,
            Set<Integer> needed,
            List<PollenOverride> choices,
            Function<PollenOverride, OptionalInt> round,
            Cancellation cancellation) {
        List<Chosen> chosen = choices.stream()
                .map(c -> new Chosen(c.id(), c.treeId(), c.lotId(), c.flowers(), c.onDay(), round.apply(c)))
                .collect(Collectors.toList());
        return plans.get(
                new Question(request, shares, worthGoing, needed, chosen),
                q -> OverriddenPlan.of(
                        new WorkablePlan(q.shares()::get, q.worthGoing(), q.needed(), cancellation),
                        q.request(),
                        choices,
                        round));
    }
}
