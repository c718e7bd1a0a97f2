package org.evenhand.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class KaplanMeierTest {
    private static KaplanMeier.At lost(double time, int n) {
        return new KaplanMeier.At(time, n, 0);
    }

    private static KaplanMeier.At seen(double time, int n) {
        return new KaplanMeier.At(time, 0, n);
    }

    /** Without censoring the estimate is the plain share, its error the binomial one. */
    @Test
    void where_all_are_followed_to_the_end_it_is_the_plain_share() {
        KaplanMeier r = KaplanMeier.of(List.of(lost(7, 4), lost(12, 3), seen(30, 13)), 0.95);

        assertThat(r.after(7)).isCloseTo(16 / 20.0, within(1e-12));
        assertThat(r.after(12)).isCloseTo(13 / 20.0, within(1e-12));
        assertThat(r.steps().get(1).standardError().getAsDouble())
                .isCloseTo(Math.sqrt(0.65 * 0.35 / 20), within(1e-12));
        assertThat(r.median()).isEmpty();
        assertThat(r.lost()).isEqualTo(7);
    }

    @Test
    void groups_of_one_all_lost_and_none_lost_are_said_without_a_number_that_is_none() {
        KaplanMeier one = KaplanMeier.of(List.of(lost(7, 1)), 0.95);
        assertThat(one.after(7)).isZero();
        assertThat(one.steps().get(0).interval()).isEmpty();
        assertThat(one.median()).hasValue(7);

        KaplanMeier none = KaplanMeier.of(List.of(seen(9, 5)), 0.95);
        assertThat(none.steps()).isEmpty();
        assertThat(none.after(9)).isEqualTo(1);

        assertThat(KaplanMeier.alike(List.of(List.of(seen(9, 5)), List.of(seen(4, 2)))))
                .as("nothing was lost")
                .isEmpty();
        assertThat(KaplanMeier.alike(List.of(List.of(seen(1, 5)), List.of(lost(4, 2)))))
                .as("never side by side")
                .isEmpty();
        assertThatThrownBy(() -> KaplanMeier.of(List.of(), 0.95)).hasMessageContaining("at least one flower");
        assertThatThrownBy(() -> KaplanMeier.of(List.of(seen(9, 5)), 1)).hasMessageContaining("between 0 and 1");
    }

    /** Order and counting together do not matter, and a later look at those who hold changes nothing before it. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void what_is_counted_together_comes_to_the_same(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<KaplanMeier.At> single = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            double day = 1 + random.nextInt(12);
            single.add(random.nextInt(3) > 0 ? lost(day, 1) : seen(day, 1));
        }
        List<KaplanMeier.At> shuffled = new ArrayList<>(single);
        Collections.shuffle(shuffled, new Random(seed));
        KaplanMeier r = KaplanMeier.of(single, 0.95);
        assertThat(KaplanMeier.of(shuffled, 0.95)).isEqualTo(r);
        assertThat(KaplanMeier.of(List.copyOf(KaplanMeier.byTime(single).values()), 0.95))
                .isEqualTo(r);
        double before = 1;
        for (KaplanMeier.Step s : r.steps()) {
            assertThat(s.share()).isBetween(0.0, before);
            s.interval().ifPresent(i -> assertThat(s.share()).isBetween(i.lower(), i.upper()));
            before = s.share();
        }
    }

    /** Two groups thrown alike are told apart five times in a hundred at five in a hundred: 600 throws, binomial error 0.9. */
    @Test
    void the_test_of_alike_groups_sounds_as_often_as_it_says() {
        SplittableRandom random = new SplittableRandom(5);
        long alarms = IntStream.range(0, 600)
                .filter(i -> KaplanMeier.alike(List.of(thrown(random, 60, 0.05), thrown(random, 45, 0.05)))
                                .orElseThrow()
                                .p()
                        < 0.05)
                .count();
        assertThat(alarms / 600.0).isBetween(0.02, 0.08);
        assertThat(KaplanMeier.alike(List.of(thrown(random, 200, 0.05), thrown(random, 200, 0.12)))
                        .orElseThrow()
                        .p())
                .isLessThan(0.001);
    }

    private static List<KaplanMeier.At> thrown(SplittableRandom random, int flowers, double hazard) {
        return IntStream.range(0, flowers)
                .mapToObj(i -> {
                    int day = 1;
                    while (day < 20 && random.nextDouble() > hazard) {
                        day++;
                    }
                    int leaves = 1 + random.nextInt(25);
                    return day < 20 && day <= leaves ? lost(day, 1) : seen(Math.min(leaves, 20), 1);
                })
                .toList();
    }

    /** Of n flowers lost one by one, the half is gone at the half: no rounding of a product of shares moves that by a flower. */
    @Test
    void the_median_of_an_even_number_lost_one_by_one_is_the_half() {
        for (int flowers = 2; flowers <= 60; flowers += 2) {
            List<KaplanMeier.At> oneByOne = IntStream.rangeClosed(1, flowers)
                    .mapToObj(day -> lost(day, 1))
                    .toList();
            assertThat(KaplanMeier.of(oneByOne, 0.95).median())
                    .as("%d flowers", flowers)
                    .hasValue(flowers / 2.0);
        }
    }

    /** On every scale the interval holds the share and lies in 0 to 1; the plain and the log one have the ends of their own formulas. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void intervals_are_even_on_their_own_scale(long seed) {
        List<KaplanMeier.At> thrown = thrown(new SplittableRandom(seed), 80, 0.06);
        double z = 1.959963984540054;
        KaplanMeier plain = KaplanMeier.of(thrown, 0.95, KaplanMeier.Scale.PLAIN);
        KaplanMeier log = KaplanMeier.of(thrown, 0.95, KaplanMeier.Scale.LOG);
        KaplanMeier logLog = KaplanMeier.of(thrown, 0.95, KaplanMeier.Scale.LOG_LOG);
        for (int i = 0; i < plain.steps().size(); i++) {
            KaplanMeier.Step step = plain.steps().get(i);
            double error = step.standardError().orElseThrow();
            Proportion.Interval even = step.interval().orElseThrow();
            assertThat(even.lower()).isCloseTo(Math.max(0, step.share() - z * error), within(1e-9));
            assertThat(even.upper()).isCloseTo(Math.min(1, step.share() + z * error), within(1e-9));
            Proportion.Interval logs = log.steps().get(i).interval().orElseThrow();
            assertThat(Math.log(logs.lower() / step.share())).isCloseTo(-z * error / step.share(), within(1e-9));
            Proportion.Interval odds = logLog.steps().get(i).interval().orElseThrow();
            for (Proportion.Interval interval : List.of(even, logs, odds)) {
                assertThat(step.share()).isBetween(interval.lower(), interval.upper());
                assertThat(interval.lower()).isNotNegative();
                assertThat(interval.upper()).isLessThanOrEqualTo(1);
            }
        }
    }
}
