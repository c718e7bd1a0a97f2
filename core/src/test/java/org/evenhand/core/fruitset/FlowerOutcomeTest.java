package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.statistics.KaplanMeier;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class FlowerOutcomeTest {
    private static FlowerOutcome.FruitSetCheck check(double day, int taken, int failed, int unknown, int thinned) {
        return new FlowerOutcome.FruitSetCheck(day, new CheckOutcome(10, taken, failed, 0, unknown, thinned, 0));
    }

    @Test
    void a_flower_is_lost_on_the_day_it_was_found_gone_and_a_thinned_fruit_had_taken() {
        FlowerOutcome outcome =
                FlowerOutcome.of(10, List.of(check(7, 5, 2, 3, 0), check(12, 6, 4, 0, 0), check(40, 3, 5, 0, 2)));

        assertThat(outcome.course())
                .containsExactly(
                        new KaplanMeier.At(7, 2, 0),
                        new KaplanMeier.At(12, 2, 0),
                        new KaplanMeier.At(40, 1, 2),
                        new KaplanMeier.At(40, 0, 3));
        assertThat(outcome.set()).isEqualTo(5);
        assertThat(outcome.failed()).isEqualTo(5);
        assertThat(outcome.undecided()).isZero();
    }

    @Test
    void what_was_seen_alive_later_was_not_gone_before_and_what_is_not_found_was_followed_until_then() {
        FlowerOutcome corrected = FlowerOutcome.of(10, List.of(check(7, 5, 5, 0, 0), check(12, 8, 2, 0, 0)));
        assertThat(corrected.course()).containsExactly(new KaplanMeier.At(7, 2, 0), new KaplanMeier.At(12, 0, 8));

        FlowerOutcome notFound = FlowerOutcome.of(10, List.of(check(7, 8, 2, 0, 0), check(12, 5, 2, 0, 0)));
        assertThat(notFound.course())
                .containsExactly(
                        new KaplanMeier.At(7, 2, 0), new KaplanMeier.At(7, 0, 3), new KaplanMeier.At(12, 0, 5));
        assertThat(notFound.undecided()).isEqualTo(3);

        assertThat(FlowerOutcome.of(10, List.of()).course()).containsExactly(new KaplanMeier.At(0, 0, 10));
    }

    /** Numbers of a check count from the pollination on: of two thinned at the second check two more were thinned by the third. */
    @Test
    void what_was_thinned_and_what_went_is_counted_once_however_often_it_is_written_down() {
        FlowerOutcome outcome =
                FlowerOutcome.of(10, List.of(check(7, 8, 2, 0, 0), check(12, 6, 2, 0, 2), check(40, 3, 3, 0, 4)));

        assertThat(outcome.course())
                .containsExactly(
                        new KaplanMeier.At(7, 2, 0),
                        new KaplanMeier.At(12, 0, 2),
                        new KaplanMeier.At(40, 1, 2),
                        new KaplanMeier.At(40, 0, 3));
        assertThat(List.of(outcome.set(), outcome.failed(), outcome.dropped(), outcome.undecided()))
                .containsExactly(7, 3, 0, 0);
    }

    @Test
    void a_check_counts_every_flower_once_and_the_dropped_and_thinned_had_set() {
        assertThat(new CheckOutcome(6, 1, 1, 1, 1, 1, 1).notFound()).isEqualTo(1);
        assertThatThrownBy(() -> new CheckOutcome(5, 1, 1, 1, 1, 1, 1)).hasMessageContaining("makes 6");
        CheckOutcome check = new CheckOutcome(10, 3, 2, 1, 0, 2, 0);
        assertThat(check.setRate().orElseThrow().successes()).isEqualTo(6);
        assertThat(check.setRate().orElseThrow().trials()).isEqualTo(8);
        assertThat(CheckOutcome.of(10, 0, 0, 4).setRate()).isEmpty();
    }

    /** However people count, each flower has one end, none after the last look, and numbers never run below nothing. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void every_flower_ends_once(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int flowers = 1 + random.nextInt(12);
        List<FlowerOutcome.FruitSetCheck> checks = new ArrayList<>();
        double day = 0;
        for (int i = random.nextInt(6); i > 0; i--) {
            day += 1 + random.nextInt(9);
            int taken = random.nextInt(flowers + 1);
            int failed = random.nextInt(flowers - taken + 1);
            int dropped = random.nextInt(flowers - taken - failed + 1);
            int unknown = random.nextInt(flowers - taken - failed - dropped + 1);
            int thinned = random.nextInt(flowers - taken - failed - dropped - unknown + 1);
            int lost = flowers - taken - failed - dropped - unknown - thinned;
            checks.add(new FlowerOutcome.FruitSetCheck(
                    day, new CheckOutcome(flowers, taken, failed, dropped, unknown, thinned, lost)));
        }
        FlowerOutcome outcome = FlowerOutcome.of(flowers, checks);
        double end = day;

        assertThat(outcome.course().stream()
                        .mapToInt(a -> a.lost() + a.censored())
                        .sum())
                .isEqualTo(flowers);
        assertThat(outcome.course().stream().mapToInt(KaplanMeier.At::lost).sum())
                .isEqualTo(outcome.failed() + outcome.dropped());
        assertThat(outcome.course()).allSatisfy(a -> assertThat(a.time()).isLessThanOrEqualTo(end));
        assertThat(outcome.set()).isNotNegative();
        assertThat(outcome.failed()).isNotNegative();
        assertThat(outcome.undecided()).isNotNegative();
        if (!checks.isEmpty()) {
            CheckOutcome last = checks.get(checks.size() - 1).outcome();
            assertThat(outcome.failed() + outcome.dropped())
                    .as("what was seen alive is not gone")
                    .isLessThanOrEqualTo(flowers - last.taken() - last.unknown() - last.thinned());
        }
    }

    /** Ten set, then the tree sheds seven: they set, they do not hold, and they are no failures. */
    @Test
    void what_fell_after_it_had_set_is_an_outcome_of_its_own() {
        FlowerOutcome outcome = FlowerOutcome.of(
                12,
                List.of(
                        new FlowerOutcome.FruitSetCheck(14, new CheckOutcome(12, 10, 2, 0, 0, 0, 0)),
                        new FlowerOutcome.FruitSetCheck(60, new CheckOutcome(12, 3, 2, 7, 0, 0, 0))));
        assertThat(List.of(outcome.set(), outcome.failed(), outcome.dropped(), outcome.undecided()))
                .containsExactly(3, 2, 7, 0);
        assertThat(outcome.course())
                .containsExactly(
                        new KaplanMeier.At(14, 2, 0), new KaplanMeier.At(60, 7, 0), new KaplanMeier.At(60, 0, 3));
        assertThat(new CheckOutcome(12, 3, 2, 7, 0, 0, 0)
                        .setRate()
                        .orElseThrow()
                        .successes())
                .isEqualTo(10);
    }

    /** scipy.stats.binom.sf(k - 1, n, p). */
    @ParameterizedTest
    @CsvSource({"7, 10, 0.4, 0.0547619, false", "8, 10, 0.4, 0.0122946, true", "9, 10, 0.9, 0.7360989, false"})
    void a_drop_is_more_than_nature_only_where_nature_would_rarely_shed_so_many(
            int dropped, int set, double expected, double chance, boolean more) {
        NaturalDrop drop = new NaturalDrop(dropped, set, expected);
        assertThat(drop.chanceOfSoMany()).isCloseTo(chance, within(1e-6));
        assertThat(drop.moreThanNature()).isEqualTo(more);
        assertThatThrownBy(() -> new NaturalDrop(set + 1, set, expected)).hasMessageContaining("dropped");
    }

    @Test
    void where_fruit_swells_without_pollen_only_opened_fruit_decides() {
        FlowerOutcome swelling =
                FlowerOutcome.of(6, List.of(new FlowerOutcome.FruitSetCheck(30, CheckOutcome.of(6, 5, 1, 0))));
        FlowerOutcome shut = swelling.judgedBySeeds(0, 0);
        assertThat(List.of(shut.set(), shut.failed(), shut.undecided())).containsExactly(0, 1, 5);
        FlowerOutcome opened = swelling.judgedBySeeds(2, 1);
        assertThat(List.of(opened.set(), opened.failed(), opened.undecided())).containsExactly(2, 2, 2);
        FlowerOutcome tooMany = swelling.judgedBySeeds(4, 9);
        assertThat(List.of(tooMany.set(), tooMany.failed(), tooMany.undecided()))
                .containsExactly(4, 2, 0);
        FlowerOutcome moreThanHang = swelling.judgedBySeeds(9, 9);
        assertThat(List.of(moreThanHang.set(), moreThanHang.failed(), moreThanHang.undecided()))
                .containsExactly(5, 1, 0);
    }

    @Test
    void trials_misfits_and_dead_pollen_do_not_teach_and_dead_pollen_is_compared_by_how_it_was_kept_alone() {
        assertThat(Evidence.of(true, false, false)).isEqualTo(Evidence.TRIAL);
        assertThat(Evidence.of(false, false, true)).isEqualTo(Evidence.PAIR_DOES_NOT_FIT);
        assertThat(Evidence.of(false, true, false)).isEqualTo(Evidence.POLLEN_DEAD);
        assertThat(Evidence.of(false, true, true)).isEqualTo(Evidence.ORDINARY);
        assertThat(Stream.of(Factor.values()).filter(Evidence.POLLEN_DEAD::comparedBy))
                .containsExactly(Factor.LOT_AGE, Factor.STORAGE, Factor.LOT);
        assertThat(Stream.of(Factor.values()).filter(Evidence.PAIR_DOES_NOT_FIT::comparedBy))
                .isEmpty();
    }

    @Test
    void a_limb_counted_again_says_what_lies_between() {
        assertThat(new LimbTally(Optional.empty(), 12, 0, 30).kind()).isEqualTo(LimbTally.Kind.FIRST);
        assertThat(new LimbTally(Optional.of(12), 12, 0, 30).kind()).isEqualTo(LimbTally.Kind.SAME);
        assertThat(new LimbTally(Optional.of(12), 10, 2, 0).say())
                .contains("none dropped")
                .contains("2 thinned");
        assertThat(new LimbTally(Optional.of(12), 9, 0, 30).say())
                .startsWith("3 fewer")
                .contains("dropped");
        assertThat(new LimbTally(Optional.of(12), 16, 0, 4).kind())
                .as("each of the flowers that could show")
                .isEqualTo(LimbTally.Kind.NEW_FRUIT);
        assertThatThrownBy(() -> new LimbTally(Optional.of(-1), 0, 0, 3)).hasMessageContaining("before: is -1");
        assertThat(new LimbTally(Optional.of(12), 16, 0, 3).say())
                .contains("4 more than before")
                .contains("only 3 flowers");
        assertThatThrownBy(() -> new LimbTally(Optional.of(12), -1, 0, 3)).hasMessageContaining("fruits: is -1");
    }
}
