package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.cross.SurvivalChain.Needed;
import org.evenhand.core.cross.SurvivalChain.Stage;
import org.evenhand.core.cross.SurvivalChain.Survivors;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SurvivalChainTest {
    private static final MathContext DIGITS = new MathContext(80);

    private static List<Stage> stages(SplittableRandom random) {
        List<Stage> stages = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(4); i++) {
            int seen = random.nextInt(40);
            BetaPosterior prior = new BetaPosterior(1 + random.nextInt(4), 1 + random.nextInt(4));
            stages.add(Stage.of("stage " + i, prior, seen == 0 ? 0 : random.nextInt(seen + 1), seen));
        }
        return stages;
    }

    /** The i-th moment of the product of the shares. */
    private static BigDecimal moment(List<Stage> stages, int i) {
        BigDecimal moment = BigDecimal.ONE;
        for (Stage stage : stages) {
            for (int t = 0; t < i; t++) {
                moment = moment.multiply(BigDecimal.valueOf(stage.share().a() + t), DIGITS)
                        .divide(
                                BigDecimal.valueOf(
                                        stage.share().a() + stage.share().b() + t),
                                DIGITS);
            }
        }
        return moment;
    }

    private static BigDecimal choose(int n, int k) {
        BigDecimal ways = BigDecimal.ONE;
        for (int i = 0; i < k; i++) {
            ways = ways.multiply(BigDecimal.valueOf((long) n - i)).divide(BigDecimal.valueOf(i + 1L), DIGITS);
        }
        return ways;
    }

    /** Oracle: inclusion and exclusion over the exact moments of the product of the shares. */
    private static double exactly(List<Stage> stages, int seeds, int k) {
        BigDecimal sum = BigDecimal.ZERO;
        for (int i = k; i <= seeds; i++) {
            BigDecimal term = choose(seeds, i).multiply(choose(i, k), DIGITS).multiply(moment(stages, i), DIGITS);
            sum = (i - k) % 2 == 0 ? sum.add(term, DIGITS) : sum.subtract(term, DIGITS);
        }
        return sum.doubleValue();
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_chain_is_what_the_moments_of_the_shares_say(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Stage> stages = stages(random);
        int seeds = random.nextInt(40);

        Survivors survivors = new SurvivalChain(stages).survivors(seeds);

        double mean = 0;
        double square = 0;
        for (int k = 0; k <= seeds; k++) {
            double p = survivors.probabilities().get(k);
            assertThat(p).as("%d of %d", k, seeds).isCloseTo(exactly(stages, seeds, k), within(1e-11));
            mean += k * p;
            square += (double) k * k * p;
        }
        assertThat(survivors.mean()).isCloseTo(mean, within(1e-9));
        assertThat(survivors.standardDeviation()).isCloseTo(Math.sqrt(Math.max(0, square - mean * mean)), within(1e-6));
        assertThat(survivors.atLeast(0)).isEqualTo(1);
        assertThat(survivors.atLeast(seeds + 1)).isZero();
    }

    /** The smallest number: enough with it, not with one fewer; the way back through the stages agrees with the way forward. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void needed_is_the_smallest_number_that_is_enough(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        SurvivalChain chain = new SurvivalChain(stages(random));
        int wanted = random.nextInt(8);
        double confidence = 0.3 + 0.65 * random.nextDouble();

        Needed needed = chain.needed(wanted, confidence, 120);

        assertThat(needed.probabilityAtLimit()).isCloseTo(chain.survivors(120).atLeast(wanted), within(1e-10));
        needed.seeds()
                .ifPresentOrElse(
                        m -> {
                            assertThat(needed.probability())
                                    .isCloseTo(chain.survivors(m).atLeast(wanted), within(1e-10))
                                    .isGreaterThanOrEqualTo(confidence - 1e-9);
                            assertThat(needed.probabilityOneFewer().isPresent()).isEqualTo(m > 0);
                            needed.probabilityOneFewer()
                                    .ifPresent(p -> assertThat(p).isLessThan(confidence));
                        },
                        () -> assertThat(needed.probabilityAtLimit()).isLessThan(confidence));
    }

    @Test
    void what_cannot_be_is_refused() {
        BetaPosterior flat = new BetaPosterior(1, 1);
        SurvivalChain one = new SurvivalChain(List.of(new Stage("germinates", flat)));
        assertThatThrownBy(() -> new SurvivalChain(List.of())).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> Stage.of("germinates", flat, 12, 10)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> Stage.of("germinates", flat, -1, 10)).isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> one.needed(-1, 0.9, 10)).hasMessageContaining("wanted");
        assertThatThrownBy(() -> one.needed(1, 1, 10)).hasMessageContaining("confidence");
        assertThatThrownBy(() -> one.needed(1, 0.9, -1)).hasMessageContaining("limit");
        assertThatThrownBy(() -> one.survivors(-1)).hasMessageContaining("seeds");
        assertThatThrownBy(() -> one.survivors(3).atLeast(-1)).hasMessageContaining("atLeast");
    }
}
