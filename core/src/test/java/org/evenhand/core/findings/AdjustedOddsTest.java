package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.evenhand.core.statistics.BlockRandomization;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.SampleSize;
import org.evenhand.core.statistics.TwoProportions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class AdjustedOddsTest {
    private static AdjustedOdds.Pattern pattern(String age, String hour, int taken, int failed) {
        return new AdjustedOdds.Pattern(List.of(age, hour), taken, failed);
    }

    private static final List<Factor> TWO = List.of(Factor.LOT_AGE, Factor.HOUR);

    /** One cause of two classes: the odds ratio and its error by hand, ln OR with variance 1/a + 1/b + 1/c + 1/d (Woolf 1955). */
    @Test
    void one_cause_alone_is_the_plain_odds_ratio() {
        AdjustedOdds model = AdjustedOdds.of(TWO, List.of(pattern("fresh", "18", 40, 20), pattern("old", "18", 15, 25)))
                .orElseThrow();
        double ratio = (15.0 / 25) / (40.0 / 20);
        double error = Math.sqrt(1 / 15.0 + 1 / 25.0 + 1 / 40.0 + 1 / 20.0);

        assertThat(model.usual()).containsExactly(java.util.Map.entry(Factor.LOT_AGE, "fresh"));
        assertThat(model.effects()).hasSize(1);
        TwoProportions.Estimate odds = model.effects().get(0).oddsRatio();
        assertThat(odds.value()).isCloseTo(ratio, within(1e-9));
        assertThat(odds.lower()).isCloseTo(ratio / Math.exp(1.959963985 * error), within(1e-6));
    }

    @Test
    void few_flowers_and_all_or_nothing_are_told_and_what_goes_together_is_not_told_apart() {
        AdjustedOdds model = AdjustedOdds.of(
                        TWO,
                        List.of(
                                pattern("fresh", "evening", 40, 20),
                                pattern("old", "morning", 15, 25),
                                pattern("ancient", "evening", 0, 30),
                                pattern("odd", "evening", 1, 1)))
                .orElseThrow();

        assertThat(model.leftOut())
                .extracting(AdjustedOdds.LeftOut::level, AdjustedOdds.LeftOut::reason)
                .containsExactlyInAnyOrder(
                        org.assertj.core.api.Assertions.tuple("ancient", AdjustedOdds.Reason.ALL_FAILED),
                        org.assertj.core.api.Assertions.tuple("odd", AdjustedOdds.Reason.FEW),
                        org.assertj.core.api.Assertions.tuple("morning", AdjustedOdds.Reason.GOES_WITH_OTHERS));
        assertThat(model.flowers()).isEqualTo(100);
        assertThat(AdjustedOdds.of(TWO, List.of(pattern("fresh", "18", 9, 9)))).isEmpty();
        assertThat(AdjustedOdds.of(TWO, List.of(pattern("fresh", "18", 30, 0), pattern("old", "18", 0, 30))))
                .as("nothing is left to compare")
                .isEmpty();
    }

    /** Flowers thrown with known odds: the intervals hold what they were thrown by, the other cause notwithstanding. */
    @Test
    void known_effects_are_found_back_though_causes_go_together() {
        SplittableRandom random = new SplittableRandom(11);
        List<AdjustedOdds.Pattern> flowers = new ArrayList<>();
        for (int i = 0; i < 6000; i++) {
            boolean old = random.nextDouble() < 0.4;
            boolean late = random.nextDouble() < (old ? 0.8 : 0.3);
            double logOdds = 0.5 - (old ? 1.0 : 0) + (late ? 0.4 : 0);
            boolean set = random.nextDouble() < 1 / (1 + Math.exp(-logOdds));
            flowers.add(pattern(old ? "old" : "fresh", late ? "late" : "early", set ? 1 : 0, set ? 0 : 1));
        }
        AdjustedOdds model = AdjustedOdds.of(TWO, flowers).orElseThrow();

        assertThat(model.effects()).hasSize(2);
        assertThat(Math.log(of(model, "old").value())).isCloseTo(-1.0, within(0.2));
        double late = model.usual().get(Factor.HOUR).equals("early")
                ? Math.log(of(model, "late").value())
                : -Math.log(of(model, "early").value());
        assertThat(late).isCloseTo(0.4, within(0.2));
    }

    private static TwoProportions.Estimate of(AdjustedOdds model, String level) {
        return model.effects().stream()
                .filter(e -> e.level().equals(level))
                .findFirst()
                .orElseThrow()
                .oddsRatio();
    }

    /** R's documentation of power.prop.test prints n = 76.7 for p1 = 0.50, p2 = 0.75, power = 0.90 at 5 %. */
    @Test
    void the_printed_size_of_a_trial_comes_out() {
        assertThat(SampleSize.byFormula(0.5, 0.75, 0.95, 0.9)).isCloseTo(76.7, within(0.05));
        assertThatThrownBy(() -> SampleSize.byFormula(0.5, 0.5, 0.95, 0.9)).hasMessageContaining("is the same");
        assertThatThrownBy(() -> SampleSize.byFormula(0, 0.5, 0.95, 0.9)).hasMessageContaining("above 0");
        assertThatThrownBy(() -> SampleSize.of(0.5, 0.501, 0.95, 0.9)).hasMessageContaining("larger difference");
    }

    /** The exact power against trials thrown: 4000 throws, error below 0.8 points. */
    @ParameterizedTest
    @CsvSource({"0.3,0.6,0.8", "0.5,0.75,0.9", "0.85,0.98,0.8", "0.1,0.3,0.8"})
    void the_power_that_is_promised_is_kept(double one, double other, double wanted) {
        SampleSize size = SampleSize.of(one, other, 0.95, wanted);
        SplittableRandom random = new SplittableRandom(3);
        double seen = IntStream.range(0, 4000)
                        .filter(i -> apart(thrown(random, size.flowers(), one), thrown(random, size.flowers(), other)))
                        .count()
                / 4000.0;

        assertThat(size.power()).isGreaterThanOrEqualTo(wanted);
        assertThat(seen).isCloseTo(size.power(), within(0.025));
        assertThat(size.falseAlarm()).isLessThan(0.07);
        assertThat((double) size.flowers())
                .isCloseTo(SampleSize.byFormula(one, other, 0.95, wanted), within(size.flowers() * 0.25));
    }

    private static Proportion thrown(SplittableRandom random, int flowers, double share) {
        return new Proportion(
                (int) IntStream.range(0, flowers)
                        .filter(i -> random.nextDouble() < share)
                        .count(),
                flowers);
    }

    private static boolean apart(Proportion one, Proportion other) {
        TwoProportions.Estimate d = new TwoProportions(one, other).difference(0.95);
        return d.lower() > 0 || d.upper() < 0;
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_lot_falls_evenly_on_all_ways_and_the_same_seed_draws_the_same(long seed) {
        int ways = 2 + (int) (seed % 3);
        int each = 3 + (int) seed;
        List<Integer> drawn = BlockRandomization.blocks(ways, each, seed);

        assertThat(drawn).hasSize(ways * each).isEqualTo(BlockRandomization.blocks(ways, each, seed));
        for (int way = 0; way < ways; way++) {
            assertThat(Collections.frequency(drawn, way)).isEqualTo(each);
        }
        for (int end = 1; end <= drawn.size(); end++) {
            List<Integer> until = drawn.subList(0, end);
            IntStream counts = IntStream.range(0, ways).map(w -> Collections.frequency(until, w));
            assertThat(counts.summaryStatistics())
                    .satisfies(s -> assertThat(s.getMax() - s.getMin()).isLessThanOrEqualTo(2));
        }
        assertThat(drawn).isNotEqualTo(BlockRandomization.blocks(ways, each, seed + 1000));
    }
}
