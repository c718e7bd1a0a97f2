package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FactorContrastTest {
    private static FactorContrast.Class of(String level, int set, int flowers) {
        return new FactorContrast.Class(level, new Proportion(set, flowers));
    }

    /** The nearer end is Newcombe's at 90 %, so that it is passed with a chance of 5 %. */
    @Test
    void what_is_at_least_so_much_is_the_nearer_end_of_the_interval_at_ninety() {
        FactorContrast lower = FactorContrast.of(List.of(of("fresh", 50, 80), of("old", 12, 48)))
                .orElseThrow();
        TwoProportions.Estimate by = new TwoProportions(new Proportion(12, 48), new Proportion(50, 80)).difference(0.9);
        assertThat(lower.other().level()).isEqualTo("old");
        assertThat(lower.atLeast()).isCloseTo(-by.upper(), within(1e-12));
        assertThat(lower.sure()).isTrue();

        FactorContrast higher = FactorContrast.of(List.of(of("old", 12, 80), of("fresh", 30, 48)))
                .orElseThrow();
        assertThat(higher.difference().value()).isPositive();
        assertThat(higher.atLeast()).isEqualTo(higher.difference().lower());
    }

    @Test
    void all_and_nothing_groups_of_one_and_equal_shares_are_no_trouble() {
        assertThat(FactorContrast.of(List.of())).isEmpty();
        assertThat(FactorContrast.of(List.of(of("a", 1, 1), of("b", 0, 1))))
                .as("too few")
                .isEmpty();
        FactorContrast nothing =
                FactorContrast.of(List.of(of("a", 0, 30), of("b", 0, 10))).orElseThrow();
        assertThat(nothing.difference().value()).isZero();
        assertThat(nothing.sure()).isFalse();
        assertThat(nothing.p()).isEqualTo(1);
        FactorContrast all =
                FactorContrast.of(List.of(of("a", 30, 30), of("b", 0, 10))).orElseThrow();
        assertThat(all.atLeast()).isBetween(0.6, 1.0);
        assertThat(all.sureAmong(1000)).isTrue();
        assertThat(all.few()).isTrue();
    }

    /** The order in which classes come does not matter, and small classes never do. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_same_classes_in_any_order_have_the_same_contrast(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<FactorContrast.Class> classes = new ArrayList<>();
        for (int i = 0; i < 2 + random.nextInt(6); i++) {
            int flowers = 5 + random.nextInt(90);
            classes.add(of("c" + i, random.nextInt(flowers + 1), flowers));
        }
        FactorContrast contrast = FactorContrast.of(classes).orElseThrow();
        List<FactorContrast.Class> shuffled = new ArrayList<>(classes);
        Collections.shuffle(shuffled, new Random(seed));
        shuffled.add(of("tiny", 1, 4));

        assertThat(FactorContrast.of(shuffled)).contains(contrast);
        assertThat(contrast.usual().share().trials())
                .isEqualTo(
                        classes.stream().mapToInt(c -> c.share().trials()).max().orElseThrow());
        assertThat(contrast.difference().value())
                .isBetween(contrast.difference().lower(), contrast.difference().upper());
        assertThat(contrast.sureAmong(1) || !contrast.sureAmong(5))
                .as("more comparisons, less sure")
                .isTrue();
    }

    /**
     * Of two alike classes one in ten looks sure, as the page says; Bonferroni's bound among ten holds to fewer than one page in ten: 1500
     * pages of 10 factors thrown, error below 1 and 0.7 points.
     */
    @Test
    void chance_alone_looks_sure_as_often_as_is_said() {
        SplittableRandom random = new SplittableRandom(13);
        int sure = 0;
        int alarmed = 0;
        for (int page = 0; page < 1500; page++) {
            List<FactorContrast> factors = IntStream.range(0, 10)
                    .mapToObj(f -> FactorContrast.of(List.of(thrown("a", random), thrown("b", random)))
                            .orElseThrow())
                    .toList();
            sure += (int) factors.stream().filter(FactorContrast::sure).count();
            alarmed += factors.stream().anyMatch(c -> c.sureAmong(10)) ? 1 : 0;
        }
        assertThat(sure / 15000.0).isCloseTo(0.1, within(0.02));
        assertThat(alarmed / 1500.0).isLessThan(0.07);
    }

    private static FactorContrast.Class thrown(String level, SplittableRandom random) {
        // Of different sizes, as two equal ones come out alike so often that chances jump.
        int flowers = 40 + random.nextInt(60);
        return of(
                level,
                (int) IntStream.range(0, flowers)
                        .filter(i -> random.nextDouble() < 0.5)
                        .count(),
                flowers);
    }
}
