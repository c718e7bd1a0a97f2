package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RepeatVisitsTest {
    private static final Instant EVENING = Instant.parse("2026-11-23T05:00:00Z");
    private static final Instant MORNING = EVENING.plus(Duration.ofHours(13));
    private static final TreeId TREE = new TreeId(new UUID(0, 1));
    private static final CropSheet PAWPAW = CropSheets.shipped().find("pawpaw").orElseThrow();
    private static final CrossCompatibility SERVES = CrossCompatibility.ofCrops(PAWPAW, PAWPAW, false);
    private static final FlowerGroupId AGAIN = new FlowerGroupId.RepeatOf(new UUID(0, 3));
    private static final LotId JAR = new LotId(new UUID(0, 2));

    @Test
    void neither_right_after_the_first_nor_when_most_stigmas_are_past_it() {
        assertThat(PlanWeights.USUAL.receptiveForRepeat(EVENING, MORNING, 0.7)).isEqualTo(0.7);
        assertThat(PlanWeights.USUAL.receptiveForRepeat(EVENING, EVENING.plus(Duration.ofHours(2)), 1))
                .isZero();
        assertThat(PlanWeights.USUAL.receptiveForRepeat(EVENING, MORNING, 0.49)).isZero();
        assertThatThrownBy(() -> PlanWeights.USUAL.receptiveForRepeat(EVENING, MORNING, 1.1))
                .isInstanceOf(InvalidInputException.class);
    }

    /** Six flowers had pollen, four did not: doses, hands and what the tree is wanted to bear decide, worked out by hand. */
    @ParameterizedTest(name = "{0} doses, {1} hands, {2} wanted")
    @CsvSource({
        "20, 100, 10, 4, 6",
        "7, 100, 10, 4, 3",
        "3, 100, 10, 3, 0",
        "20, 5, 10, 4, 1",
        "20, 100, 2, 2, 6",
        "20, 100, 0, 0, 6"
    })
    void they_come_after_flowers_without_pollen_and_beyond_what_is_wanted(
            int doses, int hands, int wanted, int first, int again) {
        RoundRequest request = request(doses, hands, wanted);
        RoundPlan plan = RoundPlan.of(request);

        assertThat(flowers(plan, new FlowerGroupId.OfStage("open"))).isEqualTo(first);
        assertThat(flowers(plan, AGAIN)).isEqualTo(again);
        assertThat(plan.proven()).isTrue();
        assertThat(plan.value()).isCloseTo(0.9 * (first + PlanWeights.USUAL.repeat() * 0.8 * again), within(1e-5));
        assertThat(plan.stops().stream().mapToDouble(RoundPlan.Stop::full).sum())
                .as("a flower is no fruit twice")
                .isCloseTo(plan.value(), within(1e-5));
        assertThat(plan.unserved().stream()
                        .mapToInt(RoundPlan.Unserved::flowers)
                        .sum())
                .as("those that had pollen are not left without")
                .isEqualTo(Math.min(wanted, 4) - first);
        FlowerAccount account = FlowerAccount.of(request, plan, 0).get(0);
        assertThat(account.flowers()).isEqualTo(4);
        assertThat(account.inRound()).isEqualTo(first);
        assertThat(account.outcomes().stream()
                        .filter(FlowerAccount.NotPlanned.class::isInstance)
                        .mapToInt(FlowerAccount.Outcome::flowers)
                        .sum())
                .isEqualTo(4 - first);
    }

    private static RoundRequest request(int doses, int hands, int wanted) {
        Mother mother = new Mother(
                TREE,
                new Place("", 1, 1),
                wanted,
                List.of(OpenFlowers.ofAny("open", 4, 1, List.of(1.0))),
                List.of(new OpenFlowers(AGAIN, 6, 1, List.of(0.8), Optional.of(Set.of(JAR)))),
                Set.of(),
                1);
        return new RoundRequest(
                List.of(hands),
                List.of(mother),
                List.of(new Lot(JAR, doses, List.of(0.9), 0)),
                (tree, lot) -> SERVES,
                List.of());
    }

    private static int flowers(RoundPlan plan, FlowerGroupId group) {
        return plan.stops().stream()
                .flatMap(s -> s.parts().stream())
                .filter(p -> p.group().equals(group))
                .mapToInt(RoundPlan.Part::flowers)
                .sum();
    }
}
