package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class TriangleTest {
    private static DMatrixRMaj thrown(SplittableRandom random, int rows, int columns) {
        DMatrixRMaj matrix = new DMatrixRMaj(rows, columns);
        for (int i = 0; i < matrix.getNumElements(); i++) {
            matrix.data[i] = 2 * random.nextDouble() - 1;
        }
        return matrix;
    }

    /** Oracle: the library's own inverse and determinant. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void sums_weighed_by_the_inverse_are_those_of_the_inverse(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int size = 1 + random.nextInt(12);
        DMatrixRMaj root = thrown(random, size, size + 3);
        DMatrixRMaj covariance = new DMatrixRMaj(size, size);
        CommonOps_DDRM.multTransB(root, root, covariance);
        DMatrixRMaj rows = thrown(random, size, 1 + random.nextInt(5));

        Triangle triangle = new Triangle(covariance.copy());
        DMatrixRMaj white = triangle.whiten(rows);
        DMatrixRMaj found = new DMatrixRMaj(rows.numCols, rows.numCols);
        CommonOps_DDRM.multTransA(white, white, found);

        DMatrixRMaj inverse = covariance.copy();
        CommonOps_DDRM.invert(inverse);
        DMatrixRMaj half = new DMatrixRMaj(size, rows.numCols);
        CommonOps_DDRM.mult(inverse, rows, half);
        DMatrixRMaj wanted = new DMatrixRMaj(rows.numCols, rows.numCols);
        CommonOps_DDRM.multTransA(rows, half, wanted);
        for (int i = 0; i < wanted.getNumElements(); i++) {
            assertThat(found.data[i]).isCloseTo(wanted.data[i], within(1e-6 * (1 + Math.abs(wanted.data[i]))));
        }
        assertThat(triangle.logDeterminant()).isCloseTo(Math.log(CommonOps_DDRM.det(covariance)), within(1e-8));
    }

    @Test
    void what_is_no_covariance_is_refused() {
        DMatrixRMaj no = new DMatrixRMaj(new double[][] {{1, 2}, {2, 1}});
        assertThatThrownBy(() -> new Triangle(no)).hasMessageContaining("not positive definite");
    }

    /** Oracle: the library's full products. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void a_root_squared_and_summed_by_halves_is_the_covariance_between(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int size = 1 + random.nextInt(9);
        DMatrixRMaj covariance = new DMatrixRMaj(size, size);
        CommonOps_DDRM.multInner(thrown(random, size + 3, size), covariance);
        DMatrixRMaj rows = thrown(random, size, 1 + random.nextInt(6));
        DMatrixRMaj half = new DMatrixRMaj(size, rows.numCols);
        CommonOps_DDRM.mult(covariance, rows, half);
        DMatrixRMaj wanted = new DMatrixRMaj(rows.numCols, rows.numCols);
        CommonOps_DDRM.multTransA(rows, half, wanted);

        Triangle triangle = new Triangle(covariance.copy());
        SymmetricSum byRoot = new SymmetricSum(rows.numCols);
        byRoot.add(1, triangle.root(rows));
        SymmetricSum doubled = new SymmetricSum(rows.numCols);
        doubled.add(2, rows, triangle.times(rows));
        for (int i = 0; i < wanted.getNumElements(); i++) {
            assertThat(byRoot.full().data[i]).isCloseTo(wanted.data[i], within(1e-9));
            assertThat(doubled.full().data[i]).isCloseTo(2 * wanted.data[i], within(1e-9));
        }
        assertThat(byRoot.lowerHalf()).hasSize(rows.numCols * (rows.numCols + 1) / 2);
    }
}
