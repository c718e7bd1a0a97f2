package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SupplyPriorTest {
    /** Variance of the difference of the logarithms of two days. */
    private static double apart(DMatrixRMaj covariance, int a, int b) {
        return covariance.get(a, a) + covariance.get(b, b) - 2 * covariance.get(a, b);
    }

    /** From one day to the next a course moves by its roughness, wherever the days stand. */
    @Test
    void each_day_a_course_moves_by_its_roughness() {
        for (SupplyPrior prior : SupplyPrior.all()) {
            DMatrixRMaj course = prior.course(20, 12);
            double daily = prior.roughness() * prior.roughness();
            for (int day = 1; day < 20; day++) {
                assertThat(apart(course, day, day - 1)).isCloseTo(daily, within(1e-4 + 1e-9 * daily));
            }
        }
    }

    /** Oracle: the variance over n days of increments with correlation ρ is σ² · (n + 2 Σ (n − k) ρᵏ). */
    @Test
    void a_trend_goes_on_among_days_read_and_fades_sooner_after_them() {
        SupplyPrior prior = new SupplyPrior(0.5, 0.3);
        DMatrixRMaj course = prior.course(24, 12);
        for (int days = 2; days <= 6; days++) {
            assertThat(apart(course, 12, 12 - days))
                    .isCloseTo(0.25 * increments(days, SupplyPrior.PERSISTENCE), within(1e-4));
            assertThat(apart(course, 12 + days, 12))
                    .as("%d days ahead", days)
                    .isCloseTo(0.25 * increments(days, SupplyPrior.PERSISTENCE_AHEAD), within(1e-4));
        }
    }

    private static double increments(int days, double correlation) {
        double sum = days;
        for (int k = 1; k < days; k++) {
            sum += 2 * (days - k) * Math.pow(correlation, k);
        }
        return sum;
    }

    @Test
    void a_trees_own_deviation_fades_to_a_third_in_five_days() {
        DMatrixRMaj own = new SupplyPrior(0.1, 0.6).tree(11);
        double size = own.get(0, 0) - 0.36;
        assertThat((own.get(0, 5) - size) / 0.36).isCloseTo(Math.exp(-1), within(1e-12));
        assertThat((own.get(0, 10) - size) / 0.36).isCloseTo(Math.exp(-2), within(1e-12));
    }

    /** Whatever the days, what is believed of a supply is a covariance: every weighed sum has a variance of 0 or more. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void what_is_believed_is_a_covariance(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int days = 2 + random.nextInt(40);
        int lastRead = random.nextInt(days);
        SupplyPrior prior =
                SupplyPrior.all().get(random.nextInt(SupplyPrior.all().size()));
        for (DMatrixRMaj covariance : new DMatrixRMaj[] {prior.course(days, lastRead), prior.tree(days)}) {
            DMatrixRMaj weights = new DMatrixRMaj(days, 1);
            for (int d = 0; d < days; d++) {
                weights.set(d, 0, 2 * random.nextDouble() - 1);
            }
            DMatrixRMaj moved = new DMatrixRMaj(days, 1);
            CommonOps_DDRM.mult(covariance, weights, moved);
            assertThat(CommonOps_DDRM.dot(weights, moved)).isGreaterThanOrEqualTo(-1e-9);
        }
    }

    /** Between knots the logarithm runs straight, on them it is what it is; and every day's column is shared out whole. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void a_supply_told_at_knots_is_told_of_every_day(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int days = 1 + random.nextInt(60);
        SupplyKnots knots = SupplyKnots.of(days, random.nextInt(days));
        DMatrixRMaj at = new DMatrixRMaj(knots.count(), 1);
        for (int k = 0; k < knots.count(); k++) {
            at.set(k, 0, random.nextDouble());
        }

        double[] daily = knots.daily(at);

        assertThat(knots.at()).isSorted().startsWith(0).endsWith(days - 1);
        for (int k = 0; k < knots.count(); k++) {
            assertThat(daily[knots.at()[k]]).isCloseTo(at.get(k, 0), within(1e-12));
        }
        for (int day = 0; day < days; day++) {
            DMatrixRMaj row = new DMatrixRMaj(1, knots.count());
            knots.addDay(row, 0, day, 1);
            assertThat(CommonOps_DDRM.elementSum(row)).isCloseTo(1, within(1e-12));
            assertThat(CommonOps_DDRM.dot(row, at)).as("day %d", day).isCloseTo(daily[day], within(1e-12));
        }
    }
}
