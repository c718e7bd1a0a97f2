package org.evenhand.core.bloom.clock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StepMatrixTest {

    /** Oracle: the same exponential by squaring a thousand-and-twenty-fourth of the step, full matrices, ten times. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_series_gives_the_exponential(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int size = 2 + random.nextInt(12);
        double[] leaving = random.doubles(size, 0, 2).toArray();
        leaving[size - 1] = 0;

        StepMatrix matrix = StepMatrix.exponential(leaving);

        double[][] plain = bySquaring(leaving);
        for (int row = 0; row < size; row++) {
            for (int back = 0; back <= row; back++) {
                double share = back < matrix.width(row) ? matrix.share(row, back) : 0;
                assertThat(share).as("row %d, back %d", row, back).isCloseTo(plain[row][row - back], within(1e-6));
            }
        }
    }

    @Test
    void columns_add_up_to_one_flower() {
        StepMatrix matrix = StepMatrix.exponential(new double[] {0.7, 1.9, 0.02, 0});

        for (int from = 0; from < 4; from++) {
            double sum = 0;
            for (int row = from; row < 4; row++) {
                sum += row - from < matrix.width(row) ? matrix.share(row, row - from) : 0;
            }
            assertThat(sum).isCloseTo(1, within(1e-9));
        }
    }

    private static double[][] bySquaring(double[] leaving) {
        int size = leaving.length;
        double[][] power = new double[size][size];
        for (int i = 0; i < size; i++) {
            double a = leaving[i] / 1024;
            // Second order for the small step: its error, a³/6, is below 10⁻⁸ in all after squaring.
            power[i][i] += 1 - a + a * a / 2;
            if (i + 1 < size) {
                double b = leaving[i + 1] / 1024;
                power[i + 1][i] += a - a * (a + b) / 2;
            }
            if (i + 2 < size) {
                power[i + 2][i] += a * leaving[i + 1] / 1024 / 2;
            }
        }
        for (int n = 0; n < 10; n++) {
            power = times(power, power);
        }
        return power;
    }

    private static double[][] times(double[][] a, double[][] b) {
        int size = a.length;
        double[][] product = new double[size][size];
        for (int i = 0; i < size; i++) {
            for (int k = 0; k < size; k++) {
                for (int j = 0; j < size; j++) {
                    product[i][j] += a[i][k] * b[k][j];
                }
            }
        }
        return product;
    }
}
