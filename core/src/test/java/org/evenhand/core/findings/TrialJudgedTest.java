package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.findings.TrialJudged.Fate;
import org.evenhand.core.findings.TrialJudged.Place;
import org.junit.jupiter.api.Test;

class TrialJudgedTest {
    private static List<Place> places(int way, int took, int failed, int lost) {
        List<Place> places = new ArrayList<>(Collections.nCopies(took, new Place(way, Fate.TOOK)));
        places.addAll(Collections.nCopies(failed, new Place(way, Fate.FAILED)));
        places.addAll(Collections.nCopies(lost, new Place(way, Fate.LOST)));
        return places;
    }

    /** 56 of 70 against 48 of 80: Newcombe 1998, Stat. Med. 17:873-890, table II, contrast (a), method 10: 0.0524 to 0.3339. */
    @Test
    void each_way_is_compared_with_the_first_and_the_lost_count_for_none() {
        List<Place> all = places(0, 48, 32, 3);
        all.addAll(places(1, 56, 14, 0));
        TrialJudged judged = TrialJudged.of(2, all).orElseThrow();
        assertThat(judged.ways().get(0).share()).contains(new Proportion(48, 80));
        assertThat(judged.ways().get(0).lost()).isEqualTo(3);
        assertThat(judged.ways().get(0).few()).isFalse();
        TwoShares.Estimate difference = judged.differences().get(0);
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
            assertThat(TrialJudged.of(2, all)).isPresent();
            int waits = random.nextInt(all.size());
            all.set(waits, new Place(all.get(waits).way(), Fate.WAITING));
            assertThat(TrialJudged.of(2, all)).as("run " + run).isEmpty();
            assertThat(TrialJudged.decided(all)).isEqualTo(all.size() - 1);
        }
    }

    @Test
    void a_way_whose_flowers_are_all_lost_leaves_nothing_to_compare() {
        List<Place> all = places(0, 4, 4, 0);
        all.addAll(places(1, 0, 0, 8));
        TrialJudged judged = TrialJudged.of(2, all).orElseThrow();
        assertThat(judged.differences()).isEmpty();
        assertThat(judged.ways().get(1).share()).isEmpty();
        assertThat(judged.ways()).allMatch(TrialJudged.Way::few);
        assertThatThrownBy(() -> TrialJudged.of(1, all)).isInstanceOf(InvalidInputException.class);
    }

    @Test
    void a_fate_is_waited_for_while_a_look_can_still_tell() {
        assertThat(Fate.of(false, true, 0, 0, 1)).isEqualTo(Fate.WAITING);
        assertThat(Fate.of(true, true, 0, 0, 1)).as("petals still on").isEqualTo(Fate.WAITING);
        assertThat(Fate.of(true, false, 0, 0, 1)).as("its mark is gone").isEqualTo(Fate.LOST);
        assertThat(Fate.of(true, true, 1, 0, 0))
                .as("a fruitlet may still fall, but it took")
                .isEqualTo(Fate.TOOK);
        assertThat(Fate.of(true, false, 0, 1, 0)).isEqualTo(Fate.FAILED);
    }
}
