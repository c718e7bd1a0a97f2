package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.findings.TrialAnalysis.FlowerOutcome;
import org.evenhand.core.findings.TrialAnalysis.Place;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.junit.jupiter.api.Test;

class TrialAnalysisTest {
    private static List<Place> places(int way, int set, int failed, int lost) {
        List<Place> places = new ArrayList<>(Collections.nCopies(set, new Place(way, FlowerOutcome.SET)));
        places.addAll(Collections.nCopies(failed, new Place(way, FlowerOutcome.FAILED)));
        places.addAll(Collections.nCopies(lost, new Place(way, FlowerOutcome.LOST)));
        return places;
    }

    /** 56 of 70 against 48 of 80: Newcombe 1998, Stat. Med. 17:873-890, table II, contrast (a), method 10: 0.0524 to 0.3339. */
    @Test
    void each_way_is_compared_with_the_first_and_the_lost_count_for_none() {
        List<Place> all = places(0, 48, 32, 3);
        all.addAll(places(1, 56, 14, 0));
        TrialAnalysis judged = TrialAnalysis.of(2, all).orElseThrow();
        assertThat(judged.arms().get(0).share()).contains(new Proportion(48, 80));
        assertThat(judged.arms().get(0).lost()).isEqualTo(3);
        assertThat(judged.arms().get(0).few()).isFalse();
        TwoProportions.Estimate difference = judged.differences().get(0);
        assertThat(difference.value()).isCloseTo(0.2, within(1e-12));
        assertThat(difference.lower()).isCloseTo(0.0524, within(5e-5));
        assertThat(difference.upper()).isCloseTo(0.3339, within(5e-5));
    }

    @Test
    void nothing_is_told_while_one_flower_waits_be_it_which_it_may() {
        SplittableRandom random = new SplittableRandom(20261126);
        for (int run = 0; run < 200; run++) {
            List<Place> all = places(0, random.nextInt(9), 1 + random.nextInt(9), random.nextInt(3));
            all.addAll(places(1, random.nextInt(9), 1 + random.nextInt(9), random.nextInt(3)));
            assertThat(TrialAnalysis.of(2, all)).isPresent();
            int waits = random.nextInt(all.size());
            all.set(waits, new Place(all.get(waits).arm(), FlowerOutcome.WAITING));
            assertThat(TrialAnalysis.of(2, all)).as("run " + run).isEmpty();
            assertThat(TrialAnalysis.decided(all)).isEqualTo(all.size() - 1);
        }
    }

    @Test
    void a_way_whose_flowers_are_all_lost_leaves_nothing_to_compare() {
        List<Place> all = places(0, 4, 4, 0);
        all.addAll(places(1, 0, 0, 8));
        TrialAnalysis judged = TrialAnalysis.of(2, all).orElseThrow();
        assertThat(judged.differences()).isEmpty();
        assertThat(judged.arms().get(1).share()).isEmpty();
        assertThat(judged.arms()).allMatch(TrialAnalysis.TreatmentArm::few);
        assertThatThrownBy(() -> TrialAnalysis.of(1, all)).isInstanceOf(InvalidInputException.class);
    }

    @Test
    void a_fate_is_waited_for_while_a_look_can_still_tell() {
        assertThat(FlowerOutcome.of(false, true, 0, 0, 1)).isEqualTo(FlowerOutcome.WAITING);
        assertThat(FlowerOutcome.of(true, true, 0, 0, 1)).as("petals still on").isEqualTo(FlowerOutcome.WAITING);
        assertThat(FlowerOutcome.of(true, false, 0, 0, 1))
                .as("its mark is gone")
                .isEqualTo(FlowerOutcome.LOST);
        assertThat(FlowerOutcome.of(true, true, 1, 0, 0))
                .as("a fruitlet may still fall, but it took")
                .isEqualTo(FlowerOutcome.SET);
        assertThat(FlowerOutcome.of(true, false, 0, 1, 0)).isEqualTo(FlowerOutcome.FAILED);
    }

    /** Fisher's exact p of 56 of 70 against 48 of 80 is below 0.05, of 2 of 2 against 0 of 2 it is 1 in 3: C(4,2) = 6, twice one of them. */
    @Test
    void a_way_is_better_only_where_interval_and_exact_test_both_say_so() {
        List<Place> many = places(0, 48, 32, 0);
        many.addAll(places(1, 56, 14, 0));
        TrialAnalysis told = TrialAnalysis.of(2, many).orElseThrow();
        assertThat(told.exactP().get(0)).isBetween(0.005, 0.05);
        assertThat(told.verdict(0)).isEqualTo(TrialAnalysis.Verdict.BETTER);

        List<Place> few = places(0, 0, 2, 0);
        few.addAll(places(1, 2, 0, 0));
        TrialAnalysis untold = TrialAnalysis.of(2, few).orElseThrow();
        assertThat(untold.exactP().get(0)).isCloseTo(1 / 3.0, within(1e-12));
        assertThat(untold.verdict(0)).isEqualTo(TrialAnalysis.Verdict.NOT_TOLD);
        assertThat(untold.arms()).allMatch(TrialAnalysis.TreatmentArm::few);
    }

    /** Turned round, better is worse; and ways that are alike are called different at most as seldom as promised. */
    @Test
    void a_verdict_turned_round_is_its_opposite_and_seldom_wrong() {
        SplittableRandom random = new SplittableRandom(20261127);
        int called = 0;
        int runs = 2000;
        for (int run = 0; run < runs; run++) {
            int a = 10 + random.nextInt(40);
            int b = 10 + random.nextInt(40);
            double share = 0.1 + 0.8 * random.nextDouble();
            int setA = set(random, a, share);
            int setB = set(random, b, share);
            TrialAnalysis.Verdict verdict = judged(setA, a, setB, b);
            TrialAnalysis.Verdict turned = judged(setB, b, setA, a);
            assertThat(turned)
                    .isEqualTo(
                            switch (verdict) {
                                case BETTER -> TrialAnalysis.Verdict.WORSE;
                                case WORSE -> TrialAnalysis.Verdict.BETTER;
                                case NOT_TOLD -> TrialAnalysis.Verdict.NOT_TOLD;
                            });
            called += verdict == TrialAnalysis.Verdict.NOT_TOLD ? 0 : 1;
        }
        assertThat(called / (double) runs).isLessThan(0.05);
    }

    private static int set(SplittableRandom random, int of, double share) {
        int set = 0;
        for (int f = 0; f < of; f++) {
            set += random.nextDouble() < share ? 1 : 0;
        }
        return set;
    }

    private static TrialAnalysis.Verdict judged(int tookUsual, int usual, int set, int of) {
        List<Place> all = places(0, tookUsual, usual - tookUsual, 0);
        all.addAll(places(1, set, of - set, 0));
        return TrialAnalysis.of(2, all).orElseThrow().verdict(0);
    }
}
