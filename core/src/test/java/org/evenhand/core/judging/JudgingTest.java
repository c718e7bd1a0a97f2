package org.evenhand.core.judging;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.statistics.Proportion;
import org.junit.jupiter.api.Test;

class JudgingTest {
    private static List<Double> scores(double... s) {
        return Arrays.stream(s).boxed().toList();
    }

    private static void assertInterval(Proportion.Interval is, double lower, double upper) {
        assertThat(is.lower()).isCloseTo(lower, within(1e-9));
        assertThat(is.upper()).isCloseTo(upper, within(1e-9));
    }

    /** Shrout & Fleiss 1979, table 2: six targets, four judges; ICC(1,1) = 0.17 there. Further digits by R 4.2 (var, qf). */
    @Test
    void repeatability_is_that_of_the_published_example() {
        Repeatability of = Repeatability.of(List.of(
                        scores(9, 2, 5, 8),
                        scores(6, 1, 3, 2),
                        scores(8, 4, 6, 8),
                        scores(7, 1, 2, 6),
                        scores(10, 5, 6, 9),
                        scores(6, 2, 4, 7)))
                .orElseThrow();
        assertThat(of.share()).isCloseTo(0.165741768405475, within(1e-12));
        assertInterval(of.interval(), -0.132932324874751, 0.722560062328121);
        assertThat(of.plants()).isEqualTo(6);
        assertThat(of.scores()).isEqualTo(24);
        assertThat(of.verdict()).isEqualTo(Repeatability.Verdict.NOT_SURE);
    }

    /** R 4.2: anova(aov(y ~ plant)) gives mean squares 6.388889 and 0.4791667, the mean number of scores is 2.944444. */
    @Test
    void plants_scored_unequally_often_count_by_their_number() {
        List<List<Double>> plants =
                List.of(scores(5, 6, 5), scores(7, 8), scores(3, 4, 4, 5), scores(6, 6, 7), scores(9));
        Repeatability of = Repeatability.of(plants).orElseThrow();
        assertThat(of.share()).isCloseTo(0.807272727272727, within(1e-12));
        // Scored once, it says nothing of agreement.
        assertThat(of.plants()).isEqualTo(4);
        assertThat(Repeatability.of(List.of(scores(5, 6), scores(7)))).isEmpty();
        assertThat(Repeatability.of(List.of(scores(5, 5), scores(5, 5)))).isEmpty();
    }

    @Test
    void the_shareshare_lies_in_its_interval_nineteen_times_in_twenty() {
        Random random = new Random(31);
        double share = 0.6;
        int inside = 0;
        int rounds = 4000;
        for (int r = 0; r < rounds; r++) {
            List<List<Double>> plants = new ArrayList<>();
            for (int p = 0; p < 12; p++) {
                double plant = Math.sqrt(share) * random.nextGaussian();
                plants.add(random.doubles(3)
                        .map(u -> plant + Math.sqrt(1 - share) * random.nextGaussian())
                        .boxed()
                        .toList());
            }
            Proportion.Interval interval =
                    Repeatability.of(plants).orElseThrow().interval();
            inside += interval.lower() <= share && share <= interval.upper() ? 1 : 0;
        }
        assertThat(inside / (double) rounds).isBetween(0.94, 0.96);
    }

    private static final List<CrossForecast.Family> FAMILIES = List.of(
            new CrossForecast.Family(4.5, scores(4, 5, 6, 5)),
            new CrossForecast.Family(5, scores(6, 4, 5, 5, 6)),
            new CrossForecast.Family(6, scores(6, 7, 5)),
            new CrossForecast.Family(6.5, scores(5, 7, 8, 6)),
            new CrossForecast.Family(7.5, scores(8, 7, 6, 7, 9)));

    /** R 4.2: predict(lm(mean ~ mid), interval = "prediction", level = 0.9); a single seedling by qt at Satterthwaite's 16.52 degrees. */
    @Test
    void a_cross_is_foretold_along_the_line_of_those_made() {
        CrossForecast of = CrossForecast.of(7, FAMILIES);
        assertThat(of.mean()).isCloseTo(6.91929824561404, within(1e-9));
        assertThat(of.slope().orElseThrow()).isCloseTo(0.817543859649122, within(1e-9));
        assertInterval(of.ofMean().orElseThrow(), 6.60352181940868, 7.23507467181939);
        assertInterval(of.ofOne().orElseThrow(), 5.10800608076929, 8.73059041045878);
        assertThat(of.seedlings()).isEqualTo(21);
    }

    @Test
    void with_few_crosses_the_parents_mean_stands_and_the_spread_is_that_of_own_seedlings() {
        CrossForecast none = CrossForecast.of(5.5, List.of());
        assertThat(none.mean()).isEqualTo(5.5);
        assertThat(none.ofMean()).isEmpty();
        assertThat(none.ofOne()).isEmpty();

        CrossForecast two = CrossForecast.of(5.5, FAMILIES.subList(0, 2));
        assertThat(two.mean()).isEqualTo(5.5);
        assertThat(two.slope()).isEmpty();
        // Variance 4.8 / 7 by hand; qt(0.95, 7) = 1.894578605 (R 4.2).
        assertThat(two.ofOne().orElseThrow().upper()).isCloseTo(5.5 + 1.894578605 * Math.sqrt(4.8 / 7), within(1e-8));

        List<CrossForecast.Family> alike = IntStream.range(0, 4)
                .mapToObj(i -> new CrossForecast.Family(5, scores(4 + i)))
                .toList();
        assertThat(CrossForecast.of(6, alike).slope()).isEmpty();
    }

    @Test
    void nine_single_seedlings_in_ten_lie_in_their_interval() {
        Random random = new Random(26);
        int inside = 0;
        int seasons = 4000;
        for (int s = 0; s < seasons; s++) {
            List<CrossForecast.Family> made = new ArrayList<>();
            for (int f = 0; f < 8; f++) {
                double mid = 3 + 4 * random.nextDouble();
                made.add(new CrossForecast.Family(mid, seedlings(random, mid, 6)));
            }
            double mid = 3 + 4 * random.nextDouble();
            Proportion.Interval ofOne = CrossForecast.of(mid, made).ofOne().orElseThrow();
            double one = seedlings(random, mid, 1).get(0);
            inside += ofOne.lower() <= one && one <= ofOne.upper() ? 1 : 0;
        }
        // The variance of the line holds some of that within crosses already: a little wide, never narrow.
        assertThat(inside / (double) seasons).isBetween(0.89, 0.94);
    }

    private static List<Double> seedlings(Random random, double mid, int n) {
        double family = 2 + 0.6 * mid + 0.2 * random.nextGaussian();
        return random.doubles(n)
                .map(u -> family + random.nextGaussian())
                .boxed()
                .toList();
    }

    @Test
    void merit_weighs_standard_deviations_on_the_better_side() {
        List<Merit> merits = Merit.of(
                List.of(
                        new Merit.Column(TraitScale.Better.HIGH, 2, Arrays.asList(2.0, 4.0, 6.0)),
                        new Merit.Column(TraitScale.Better.LOW, 1, Arrays.asList(10.0, null, 20.0)),
                        new Merit.Column(TraitScale.Better.NEITHER, 5, Arrays.asList(1.0, 2.0, 3.0))),
                3);
        // Means 4 and 15, standard deviations 2 and 7.0710678 by hand.
        assertThat(merits.get(0).value()).isCloseTo(2 * -1 + 5 / 7.0710678, within(1e-7));
        assertThat(merits.get(1)).isEqualTo(new Merit(0, 1));
        assertThat(merits.get(2).value()).isCloseTo(2 - 5 / 7.0710678, within(1e-7));
        assertThat(Merit.of(List.of(new Merit.Column(TraitScale.Better.HIGH, 1, Arrays.asList(3.0, 3.0))), 2))
                .containsOnly(new Merit(0, 0));
    }

    @Test
    void scores_stay_on_their_scale() {
        TraitScale taste = new TraitScale(1, 9, TraitScale.Better.HIGH);
        assertThat(taste.scored("taste", 9)).isEqualTo(9);
        assertInterval(taste.onScale(new Proportion.Interval(-0.7, 3.4)), 1, 3.4);
        assertThatThrownBy(() -> taste.scored("taste", 9.5)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> taste.scored("taste", Double.NaN)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> new TraitScale(3, 3, TraitScale.Better.LOW)).isInstanceOf(InvalidInputException.class);
    }
}
