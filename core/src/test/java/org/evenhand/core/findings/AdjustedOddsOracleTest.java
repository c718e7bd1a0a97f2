package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import org.evenhand.core.statistics.LogisticRegression;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Causes in classes against the same regression with every column written out. */
class AdjustedOddsOracleTest {
    private static final List<Factor> THREE = List.of(Factor.LOT_AGE, Factor.HOUR, Factor.STROKES);

    private static List<AdjustedOdds.Pattern> thrown(SplittableRandom random) {
        List<AdjustedOdds.Pattern> patterns = new ArrayList<>();
        for (int age = 0; age < 3; age++) {
            for (int hour = 0; hour < 2; hour++) {
                for (String strokes : List.of("FULL", "LIGHT")) {
                    int flowers = 20 + random.nextInt(40);
                    double logOdds = 0.8 - 0.6 * age + 0.4 * hour - (strokes.equals("LIGHT") ? 0.3 : 0);
                    int set = 0;
                    for (int f = 0; f < flowers; f++) {
                        set += random.nextDouble() < 1 / (1 + Math.exp(-logOdds)) ? 1 : 0;
                    }
                    patterns.add(new AdjustedOdds.Pattern(List.of("" + age, "" + hour, strokes), set, flowers - set));
                }
            }
        }
        return patterns;
    }

    private static double has(AdjustedOdds.Pattern p, Factor factor, String level) {
        return p.classes().get(THREE.indexOf(factor)).equals(level) ? 1 : 0;
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void it_is_the_regression_with_its_columns_written_out(long seed) {
        List<AdjustedOdds.Pattern> patterns = thrown(new SplittableRandom(seed));
        AdjustedOdds model = AdjustedOdds.of(THREE, patterns).orElseThrow();
        assertThat(model.leftOut()).isEmpty();
        assertThat(model.effects()).hasSize(2 + 1 + 1);

        List<LogisticRegression.Group> groups = patterns.stream()
                .map(p -> new LogisticRegression.Group(
                        model.effects().stream()
                                .map(e -> has(p, e.factor(), e.level()))
                                .toList(),
                        new Proportion(p.taken(), p.taken() + p.failed())))
                .toList();
        LogisticRegression dense = LogisticRegression.of(groups).orElseThrow();
        for (int i = 0; i < model.effects().size(); i++) {
            TwoProportions.Estimate odds = model.effects().get(i).oddsRatio();
            assertThat(Math.log(odds.value())).isCloseTo(dense.coefficients().get(i + 1), within(1e-7));
            assertThat(Math.log(odds.upper() / odds.lower()))
                    .isCloseTo(2 * 1.959963984540054 * dense.standardErrors().get(i + 1), within(1e-7));
        }
    }

    /** Neither the order of the patterns nor whether alike flowers are counted together or one by one matters. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void flowers_one_by_one_in_any_order_have_the_same_model(long seed) {
        List<AdjustedOdds.Pattern> patterns = thrown(new SplittableRandom(seed));
        List<AdjustedOdds.Pattern> single = new ArrayList<>();
        for (AdjustedOdds.Pattern p : patterns) {
            single.addAll(Collections.nCopies(p.taken(), new AdjustedOdds.Pattern(p.classes(), 1, 0)));
            single.addAll(Collections.nCopies(p.failed(), new AdjustedOdds.Pattern(p.classes(), 0, 1)));
        }
        Collections.shuffle(single, new Random(seed));
        AdjustedOdds together = AdjustedOdds.of(THREE, patterns).orElseThrow();
        AdjustedOdds apart = AdjustedOdds.of(THREE, single).orElseThrow();

        assertThat(apart.usual()).isEqualTo(together.usual());
        assertThat(apart.flowers()).isEqualTo(together.flowers());
        for (int i = 0; i < together.effects().size(); i++) {
            AdjustedOdds.Effect a = together.effects().get(i);
            AdjustedOdds.Effect b = apart.effects().get(i);
            assertThat(b.level()).isEqualTo(a.level());
            assertThat(b.flowers()).isEqualTo(a.flowers());
            assertThat(b.oddsRatio().value()).isCloseTo(a.oddsRatio().value(), within(1e-7));
        }
    }

    /** A factor that repeats another, and one that is two others together, are told and change nothing for the rest. */
    @Test
    void what_follows_from_others_is_left_out_and_changes_nothing() {
        List<AdjustedOdds.Pattern> patterns = thrown(new SplittableRandom(4));
        AdjustedOdds plain = AdjustedOdds.of(THREE, patterns).orElseThrow();
        List<Factor> four = List.of(Factor.LOT_AGE, Factor.HOUR, Factor.STROKES, Factor.STORAGE);
        List<AdjustedOdds.Pattern> repeated = patterns.stream()
                .map(p -> new AdjustedOdds.Pattern(
                        List.of(
                                p.classes().get(0),
                                p.classes().get(1),
                                p.classes().get(2),
                                p.classes().get(0).equals("0") ? "FRIDGE" : "ROOM"),
                        p.taken(),
                        p.failed()))
                .toList();
        AdjustedOdds model = AdjustedOdds.of(four, repeated).orElseThrow();
        assertThat(model.leftOut())
                .extracting(AdjustedOdds.LeftOut::factor, AdjustedOdds.LeftOut::reason)
                .containsExactly(
                        org.assertj.core.api.Assertions.tuple(Factor.STORAGE, AdjustedOdds.Reason.GOES_WITH_OTHERS));
        for (int i = 0; i < plain.effects().size(); i++) {
            assertThat(model.effects().get(i).oddsRatio().value())
                    .isCloseTo(plain.effects().get(i).oddsRatio().value(), within(1e-7));
        }
    }
}
