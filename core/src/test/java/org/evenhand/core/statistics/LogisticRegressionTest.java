package org.evenhand.core.statistics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.statistics.LogisticRegression.Group;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LogisticRegressionTest {
    private static Group group(int set, int of, double... causes) {
        return new Group(Arrays.stream(causes).boxed().toList(), new Proportion(set, of));
    }

    /** With one cause of two values the odds ratio is that of the table: (18 · 14) / (2 · 7), its error √(Σ 1/cell). */
    @Test
    void with_one_yes_or_no_it_is_the_table_itself() {
        LogisticRegression fit = LogisticRegression.of(List.of(group(18, 20, 1), group(7, 21, 0)))
                .orElseThrow();

        assertThat(fit.coefficients().get(1)).isCloseTo(Math.log(18.0 * 14 / (2 * 7)), within(1e-9));
        assertThat(fit.standardErrors().get(1))
                .isCloseTo(Math.sqrt(1 / 18.0 + 1 / 2.0 + 1 / 7.0 + 1 / 14.0), within(1e-9));
        assertThat(fit.deviance()).as("it fits both groups exactly").isCloseTo(0, within(1e-9));
    }

    @Test
    void without_any_cause_it_is_the_share() {
        LogisticRegression fit = LogisticRegression.of(List.of(group(6, 20))).orElseThrow();
        assertThat(1 / (1 + Math.exp(-fit.coefficients().get(0)))).isCloseTo(0.3, within(1e-9));
    }

    @Test
    void where_a_cause_splits_what_took_from_what_failed_it_says_so() {
        List<Group> split = List.of(group(0, 3, 8), group(0, 2, 11), group(4, 4, 12), group(1, 1, 16));
        assertThat(LogisticRegression.of(split)).isEmpty();

        List<Group> butForATie = new ArrayList<>(split);
        butForATie.add(group(1, 2, 11.5));
        assertThat(LogisticRegression.of(butForATie)).as("but for a tie").isEmpty();

        butForATie.add(group(1, 2, 9));
        assertThat(LogisticRegression.of(butForATie)).isPresent();
        assertThat(LogisticRegression.of(List.of(group(5, 5, 1), group(9, 9, 2))))
                .as("all took")
                .isEmpty();
    }

    @Test
    void causes_that_say_the_same_cannot_be_told_apart() {
        assertThatThrownBy(
                        () -> LogisticRegression.of(List.of(group(3, 9, 1, 2), group(5, 9, 2, 4), group(4, 9, 3, 6))))
                .hasMessageContaining("depend on one another");
        assertThatThrownBy(() -> LogisticRegression.of(List.of(group(3, 9, 1), group(5, 9))))
                .hasMessageContaining("different numbers of causes");
    }

    /** From flowers thrown by known effects the effects are found back, within four standard errors. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void known_effects_are_found_back(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double[] truth = {-1 + random.nextDouble(), 2 * random.nextDouble() - 1, random.nextDouble()};
        List<Group> groups = new ArrayList<>();
        for (int g = 0; g < 60; g++) {
            double warm = 10 * random.nextDouble();
            double fresh = random.nextInt(2);
            double chance = 1 / (1 + Math.exp(-(truth[0] + truth[1] * (warm - 5) / 5 + truth[2] * fresh)));
            int set = 0;
            for (int f = 0; f < 40; f++) {
                set += random.nextDouble() < chance ? 1 : 0;
            }
            groups.add(group(set, 40, (warm - 5) / 5, fresh));
        }
        LogisticRegression fit = LogisticRegression.of(groups).orElseThrow();
        for (int i = 0; i < truth.length; i++) {
            assertThat(fit.coefficients().get(i))
                    .isCloseTo(truth[i], within(4 * fit.standardErrors().get(i)));
        }
    }

    /** Two to four continuous causes in any units: a cause told in thousandths has a thousandfold effect, and nothing else changes. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_unit_of_a_cause_changes_nothing_but_its_own_coefficient(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int causes = 2 + random.nextInt(3);
        double[] unit = new double[causes];
        for (int c = 0; c < causes; c++) {
            unit[c] = Math.pow(10, random.nextInt(9) - 4);
        }
        List<Group> plain = new ArrayList<>();
        List<Group> inUnits = new ArrayList<>();
        for (int g = 0; g < 12 + 4 * causes; g++) {
            double[] values = random.doubles(causes, -1, 1).toArray();
            double log = 0.3;
            for (int c = 0; c < causes; c++) {
                log += (c % 2 == 0 ? 0.8 : -0.5) * values[c];
            }
            int set = 0;
            for (int f = 0; f < 15; f++) {
                set += random.nextDouble() < 1 / (1 + Math.exp(-log)) ? 1 : 0;
            }
            plain.add(group(set, 15, values));
            double[] scaled = new double[causes];
            for (int c = 0; c < causes; c++) {
                scaled[c] = values[c] * unit[c];
            }
            inUnits.add(group(set, 15, scaled));
        }

        LogisticRegression fit = LogisticRegression.of(plain).orElseThrow();
        LogisticRegression scaled = LogisticRegression.of(inUnits).orElseThrow();

        assertThat(scaled.deviance()).isCloseTo(fit.deviance(), within(1e-6));
        for (int c = 0; c < causes; c++) {
            assertThat(scaled.coefficients().get(c + 1) * unit[c])
                    .isCloseTo(fit.coefficients().get(c + 1), within(1e-6));
            assertThat(scaled.standardErrors().get(c + 1) * unit[c])
                    .isCloseTo(fit.standardErrors().get(c + 1), within(1e-6));
        }
    }

    /** At the top of the likelihood what is foreseen sums to what took, for the constant and weighed by every cause. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void at_the_top_the_score_of_every_cause_is_nought(long seed) {
        SplittableRandom random = new SplittableRandom(1000 + seed);
        List<Group> groups = new ArrayList<>();
        for (int g = 0; g < 30; g++) {
            double warm = 10 + 15 * random.nextDouble();
            groups.add(group(
                    random.nextInt(13),
                    12,
                    warm,
                    // Nearly, not quite, told by the first.
                    2 * warm + 3 * random.nextDouble(),
                    random.nextDouble() / 50));
        }
        LogisticRegression fit = LogisticRegression.of(groups).orElseThrow();
        for (int cause = 0; cause <= 3; cause++) {
            double score = 0;
            double size = 0;
            for (Group group : groups) {
                double log = fit.coefficients().get(0);
                for (int c = 0; c < 3; c++) {
                    log += fit.coefficients().get(c + 1) * group.causes().get(c);
                }
                double value = cause == 0 ? 1 : group.causes().get(cause - 1);
                score += value * (group.share().successes() - group.share().trials() / (1 + Math.exp(-log)));
                size += Math.abs(value) * group.share().trials();
            }
            assertThat(score / size).isCloseTo(0, within(1e-7));
        }
    }
}
