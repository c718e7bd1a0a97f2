package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.UUID;
import org.evenhand.core.bloom.forecast.AnthesisForecast.Group;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowersToDoTest {
    private static final UUID CROSS = new UUID(0, 1);

    private static Group group(int moment, String stage, double flowers) {
        return new Group(moment, stage, flowers, List.of(0.9, 0.5, 0.1));
    }

    private static int sum(List<OpenFlowers> open) {
        return open.stream().mapToInt(OpenFlowers::flowers).sum();
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void whole_flowers_add_up_over_the_rounds_and_no_stage_strays_by_more_than_a_flower(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Group> groups = new ArrayList<>();
        for (int moment = 0; moment < 6; moment++) {
            groups.add(group(moment, "parted", random.nextDouble() * (moment == 0 ? 30 : 1)));
            groups.add(group(moment, "half-open", random.nextDouble() * (moment == 0 ? 30 : 1)));
        }
        double first = groups.get(0).flowers() + groups.get(1).flowers();
        double done = random.nextDouble() * 20;
        double left = Math.max(0, first - done);
        double later = groups.stream().skip(2).mapToDouble(Group::flowers).sum();

        List<OpenFlowers> open = FlowersToDo.of(groups, done, 1);

        assertThat((double) sum(open)).isCloseTo(left + later, within(0.5 + 1e-9));
        assertThat(sum(FlowersToDo.of(groups.subList(0, 2), done, 1))).isEqualTo((int) Math.round(left));
        for (OpenFlowers of : FlowersToDo.of(groups.subList(0, 2), done, 1)) {
            double wanted = groups.get(of.group().stage().orElseThrow().equals("parted") ? 0 : 1)
                            .flowers()
                    * left
                    / first;
            assertThat((double) of.flowers()).isCloseTo(wanted, within(1.0));
        }
    }

    @Test
    void each_group_keeps_its_receptivity_while_most_of_it_lasts_and_the_trees_weight() {
        assertThat(FlowersToDo.of(List.of(group(0, "parted", 2.2), group(1, "parted", 2.9)), 0, 2))
                .containsExactly(
                        OpenFlowers.ofAny("parted", 2, 2, List.of(0.9, 0.5, 0.0)),
                        OpenFlowers.ofAny("parted", 3, 2, List.of(0.9, 0.5, 0.0)));
    }

    @Test
    void where_all_is_done_or_nothing_opens_nothing_is_to_do() {
        assertThat(FlowersToDo.of(List.of(group(0, "parted", 5)), 9, 1)).isEmpty();
        assertThat(FlowersToDo.of(List.of(), 0, 1)).isEmpty();
    }

    @Test
    void flowers_set_apart_for_a_cross_take_only_its_father_and_none_is_lost() {
        List<OpenFlowers> open = FlowersToDo.of(List.of(group(0, "parted", 5), group(0, "half-open", 4)), 0, 1);
        Set<LotId> father = Set.of(new LotId(new UUID(0, 7)));

        List<OpenFlowers> after = FlowersToDo.reserve(open, 7, father, 2, CROSS);

        assertThat(sum(after)).isEqualTo(9);
        assertThat(after.stream().filter(o -> o.only().isPresent()).toList())
                .allMatch(o -> o.only().get().equals(father) && o.weight() == 2)
                .extracting(OpenFlowers::group, OpenFlowers::flowers)
                .containsExactly(
                        tuple(new FlowerGroupId.Reserved(CROSS, "parted"), 5),
                        tuple(new FlowerGroupId.Reserved(CROSS, "half-open"), 2));
        assertThat(sum(FlowersToDo.reserve(after, 99, father, 2, new UUID(0, 2))))
                .isEqualTo(9);
    }

    @Test
    void flowers_made_ready_before_they_open_are_not_there_to_be_done_otherwise() {
        List<OpenFlowers> open = List.of(
                OpenFlowers.ofAny("open now", 4, 1, List.of(0.9, 0.5, 0.0)),
                OpenFlowers.ofAny("open next", 3, 1, List.of(0.0, 0.9, 0.5)),
                OpenFlowers.ofAny("open later", 5, 1, List.of(0.0, 0.0, 0.9)));

        assertThat(FlowersToDo.withoutMadeReady(open, 0, 5))
                .extracting(o -> o.group().stage().orElseThrow(), OpenFlowers::flowers)
                .containsExactly(tuple("open now", 4), tuple("open later", 3));
        assertThat(FlowersToDo.withoutMadeReady(open, 1, 99)).hasSize(2);
    }

    @Test
    void shares_in_proportion_add_up_and_stay_within_one() {
        assertThat(WholeShares.inProportion(7, List.of(4, 1, 0, 2))).containsExactly(4, 1, 0, 2);
        assertThat(WholeShares.inProportion(5, List.of(1, 1, 1))).containsExactly(2, 2, 1);
        assertThat(WholeShares.inProportion(5, List.of(0, 0))).containsExactly(0, 0);
    }
}
