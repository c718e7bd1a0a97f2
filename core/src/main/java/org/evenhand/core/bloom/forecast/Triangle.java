package org.evenhand.core.bloom.forecast;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.CholeskyDecomposition_F64;

/**
 * The lower triangle L of a covariance, S = L Lᵀ: its root. Sums weighed by S⁻¹ are taken after {@link #whiten}, as bᵀ S⁻¹ c = (L⁻¹ b)ᵀ (L⁻¹ c):
 * half the work of a full solution, and all columns at once, which the library's column by column solver is too slow for.
 */
final class Triangle {
    private final DMatrixRMaj lower;

    /**
     * @param covariance overwritten
     * @throws IllegalStateException when the covariance is not positive definite
     */
    Triangle(DMatrixRMaj covariance) {
        CholeskyDecomposition_F64<DMatrixRMaj> factor = DecompositionFactory_DDRM.chol(covariance.numRows, true);
        if (!factor.decompose(covariance)) {
            throw new IllegalStateException("the covariance of the counts is not positive definite");
        }
        this.lower = factor.getT(null);
    }

    double logDeterminant() {
        double sum = 0;
        for (int i = 0; i < lower.numRows; i++) {
            sum += 2 * Math.log(lower.get(i, i));
        }
        return sum;
    }

    /** Lᵀ times a matrix, a root of S in the sense that its square bᵀ S b is that of the product. */
    DMatrixRMaj root(DMatrixRMaj rows) {
        int columns = rows.numCols;
        DMatrixRMaj root = new DMatrixRMaj(rows.numRows, columns);
        for (int k = 0; k < rows.numRows; k++) {
            for (int i = 0; i <= k; i++) {
                double factor = lower.get(k, i);
                for (int c = 0; c < columns; c++) {
                    root.data[i * columns + c] += factor * rows.data[k * columns + c];
                }
            }
        }
        return root;
    }

    /** S times a matrix. */
    DMatrixRMaj times(DMatrixRMaj rows) {
        DMatrixRMaj product = new DMatrixRMaj(rows.numRows, rows.numCols);
        CommonOps_DDRM.mult(lower, root(rows), product);
        return product;
    }

    /** L⁻¹ times a matrix. */
    DMatrixRMaj whiten(DMatrixRMaj rows) {
        DMatrixRMaj white = rows.copy();
        int columns = white.numCols;
        for (int i = 0; i < white.numRows; i++) {
            int at = i * lower.numCols;
            for (int k = 0; k < i; k++) {
                double factor = lower.data[at + k];
                if (factor != 0) {
                    addRow(-factor, white.data, k * columns, i * columns, columns);
                }
            }
            double scale = 1 / lower.data[at + i];
            for (int c = i * columns; c < (i + 1) * columns; c++) {
                white.data[c] *= scale;
            }
        }
        return white;
    }

    private static void addRow(double factor, double[] data, int from, int to, int columns) {
        for (int c = 0; c < columns; c++) {
            data[to + c] += factor * data[from + c];
        }
    }
}
