package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.junit.jupiter.api.Test;

class LearnedPaceTest {
    private static final Instant START = Instant.parse("2026-11-24T05:00:00Z");
    private static final UUID INES = new UUID(1, 1);
    private static final UUID TOMAS = new UUID(1, 2);

    /** A stop every six minutes, the first of each walk after nobody knows how long. */
    private static List<LearnedPace.AtStop> walk(int walk, UUID by, String crop, int stops, int flowers) {
        List<LearnedPace.AtStop> done = new ArrayList<>();
        for (int s = 0; s < stops; s++) {
            done.add(new LearnedPace.AtStop(
                    new UUID(2, walk),
                    by,
                    crop,
                    flowers,
                    START.plus(Duration.ofDays(walk)).plusSeconds(360L * s)));
        }
        return done;
    }

    @Test
    void three_walks_and_sixty_flowers_tell_how_fast_one_is() {
        List<LearnedPace.AtStop> done = new ArrayList<>();
        for (int w = 0; w < 3; w++) {
            done.addAll(walk(w, INES, "cherimoya", 5, 5));
        }
        LearnedPace pace = LearnedPace.of(done).get("cherimoya");
        assertThat(pace.flowersPerHour()).as("5 in 6 minutes").isCloseTo(50, within(1e-9));
        assertThat(pace.flowers()).isEqualTo(60);
        assertThat(pace.walks()).isEqualTo(3);

        assertThat(LearnedPace.of(done.subList(0, 10))).as("two walks").isEmpty();
        assertThat(LearnedPace.of(done.subList(0, 14))).as("fifty-five flowers").isEmpty();
    }

    @Test
    void a_pause_counts_for_nothing_and_two_on_one_walk_have_each_their_own_time() {
        List<LearnedPace.AtStop> done = new ArrayList<>();
        for (int w = 0; w < 4; w++) {
            done.addAll(walk(w, INES, "feijoa", 5, 6));
            done.addAll(walk(w, TOMAS, "feijoa", 5, 6));
            done.add(new LearnedPace.AtStop(
                    new UUID(2, w),
                    INES,
                    "feijoa",
                    500,
                    START.plus(Duration.ofDays(w)).plusSeconds(6000)));
        }
        assertThat(LearnedPace.of(done).get("feijoa").flowersPerHour()).isCloseTo(60, within(1e-9));
    }
}
