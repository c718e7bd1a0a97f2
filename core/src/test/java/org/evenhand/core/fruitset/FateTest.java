package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.findings.Retention;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FateTest {
    private static Fate.Look look(double day, int taken, int failed, int unknown, int thinned) {
        return new Fate.Look(day, new CheckOutcome(10, taken, failed, unknown, thinned, 0));
    }

    @Test
    void a_flower_is_lost_on_the_day_it_was_found_gone_and_a_thinned_fruit_had_taken() {
        Fate fate = Fate.of(10, List.of(look(7, 5, 2, 3, 0), look(12, 6, 4, 0, 0), look(40, 3, 5, 0, 2)));

        assertThat(fate.course())
                .containsExactly(
                        new Retention.At(7, 2, 0),
                        new Retention.At(12, 2, 0),
                        new Retention.At(40, 1, 2),
                        new Retention.At(40, 0, 3));
        assertThat(fate.took()).isEqualTo(5);
        assertThat(fate.failed()).isEqualTo(5);
        assertThat(fate.undecided()).isZero();
    }

    @Test
    void what_was_seen_alive_later_was_not_gone_before_and_what_is_not_found_was_followed_until_then() {
        Fate corrected = Fate.of(10, List.of(look(7, 5, 5, 0, 0), look(12, 8, 2, 0, 0)));
        assertThat(corrected.course()).containsExactly(new Retention.At(7, 2, 0), new Retention.At(12, 0, 8));

        Fate notFound = Fate.of(10, List.of(look(7, 8, 2, 0, 0), look(12, 5, 2, 0, 0)));
        assertThat(notFound.course())
                .containsExactly(new Retention.At(7, 2, 0), new Retention.At(7, 0, 3), new Retention.At(12, 0, 5));
        assertThat(notFound.undecided()).isEqualTo(3);

        assertThat(Fate.of(10, List.of()).course()).containsExactly(new Retention.At(0, 0, 10));
    }

    /** However people count, each flower has one end, none after the last look, and numbers never run below nothing. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void every_flower_ends_once(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int flowers = 1 + random.nextInt(12);
        List<Fate.Look> looks = new ArrayList<>();
        double day = 0;
        for (int i = random.nextInt(6); i > 0; i--) {
            day += 1 + random.nextInt(9);
            int taken = random.nextInt(flowers + 1);
            int failed = random.nextInt(flowers - taken + 1);
            int unknown = random.nextInt(flowers - taken - failed + 1);
            int thinned = random.nextInt(flowers - taken - failed - unknown + 1);
            int lost = flowers - taken - failed - unknown - thinned;
            looks.add(new Fate.Look(day, new CheckOutcome(flowers, taken, failed, unknown, thinned, lost)));
        }
        Fate fate = Fate.of(flowers, looks);
        double end = day;

        assertThat(fate.course().stream().mapToInt(a -> a.lost() + a.censored()).sum())
                .isEqualTo(flowers);
        assertThat(fate.course().stream().mapToInt(Retention.At::lost).sum()).isEqualTo(fate.failed());
        assertThat(fate.course()).allSatisfy(a -> assertThat(a.time()).isLessThanOrEqualTo(end));
        assertThat(fate.took()).isNotNegative();
        assertThat(fate.undecided()).isNotNegative();
        if (!looks.isEmpty()) {
            CheckOutcome last = looks.get(looks.size() - 1).outcome();
            assertThat(fate.failed())
                    .as("what was seen alive is not gone")
                    .isLessThanOrEqualTo(flowers - last.taken() - last.unknown() - last.thinned());
        }
    }

    @Test
    void a_limb_counted_again_says_what_lies_between() {
        assertThat(new LimbTally(Optional.empty(), 12, 0, 30).kind()).isEqualTo(LimbTally.Kind.FIRST);
        assertThat(new LimbTally(Optional.of(12), 12, 0, 30).kind()).isEqualTo(LimbTally.Kind.SAME);
        assertThat(new LimbTally(Optional.of(12), 10, 2, 0).say())
                .contains("none dropped")
                .contains("2 taken off");
        assertThat(new LimbTally(Optional.of(12), 9, 0, 30).say())
                .contains("3 fewer")
                .contains("dropped");
        assertThat(new LimbTally(Optional.of(12), 16, 0, 6).kind()).isEqualTo(LimbTally.Kind.NEW_FRUIT);
        assertThat(new LimbTally(Optional.of(12), 16, 0, 3).say())
                .contains("4 more than before")
                .contains("only 3 flowers");
        assertThatThrownBy(() -> new LimbTally(Optional.of(12), -1, 0, 3)).hasMessageContaining("fruits: is -1");
    }
}
