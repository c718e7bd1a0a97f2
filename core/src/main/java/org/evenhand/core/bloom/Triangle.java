package org.evenhand.core.bloom;

import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.factory.DecompositionFactory_DDRM;
import org.ejml.interfaces.decomposition.CholeskyDecomposition_F64;

/**
 * The lower triangle L of a covariance, S = L Lᵀ. Sums weighed by S⁻¹ are taken after {@link #whiten}, as bᵀ S⁻¹ c = (L⁻¹ b)ᵀ (L⁻¹ c):
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

    /** L⁻¹ times a matrix. */
    DMatrixRMaj whiten(DMatrixRMaj rows) {
        DMatrixRMaj white = rows.copy();
        double[] data = white.data;
        int columns = white.numCols;
        for (int i = 0; i < white.numRows; i++) {
            int own = i * columns;
            for (int k = 0; k < i; k++) {
                double factor = lower.get(i, k);
                int other = k * columns;
                for (int c = 0; factor != 0 && c < columns; c++) {
                    data[own + c] -= factor * data[other + c];
                }
            }
            double scale = 1 / lower.get(i, i);
            for (int c = 0; c < columns; c++) {
                data[own + c] *= scale;
            }
        }
        return white;
    }
}
