package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.findings.LogisticRegression.Group;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class LogisticRegressionTest {
    private static Group group(int took, int of, double... causes) {
        return new Group(Arrays.stream(causes).boxed().toList(), new Proportion(took, of));
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
            int took = 0;
            for (int f = 0; f < 40; f++) {
                took += random.nextDouble() < chance ? 1 : 0;
            }
            groups.add(group(took, 40, (warm - 5) / 5, fresh));
        }
        LogisticRegression fit = LogisticRegression.of(groups).orElseThrow();
        for (int i = 0; i < truth.length; i++) {
            assertThat(fit.coefficients().get(i))
                    .isCloseTo(truth[i], within(4 * fit.standardErrors().get(i)));
        }
    }
}
