package org.evenhand.core.bloom.forecast;

import org.ejml.data.DMatrixRMaj;

/**
 * A symmetric matrix to which products are added, its lower half kept row by row: half the work of a full product, for which the
 * library has no way that adds.
 */
final class SymmetricSum {
    private final int size;
    private final double[] half;

    SymmetricSum(int size) {
        this.size = size;
        this.half = new double[size * (size + 1) / 2];
    }

    void addDiagonal(int row, double value) {
        half[row * (row + 1) / 2 + row] += value;
    }

    /** Adds a multiple of AᵀA. */
    void add(double factor, DMatrixRMaj rows) {
        add(factor, rows, rows);
    }

    /** Adds a multiple of AᵀB, which must be symmetric; both have a row for each sum and a column for each row of the matrix. */
    void add(double factor, DMatrixRMaj a, DMatrixRMaj b) {
        int k = 0;
        // Two rows at a time load and store the sums half as often.
        for (; k + 1 < a.numRows; k += 2) {
            addTwo(factor, a, b.data, k * size);
        }
        if (k < a.numRows) {
            addOne(factor, a, b.data, k * size);
        }
    }

    private void addTwo(double factor, DMatrixRMaj a, double[] b, int first) {
        int second = first + size;
        int at = 0;
        for (int i = 0; i < size; i++) {
            double one = factor * a.data[first + i];
            double other = factor * a.data[second + i];
            for (int j = 0; j <= i; j++) {
                half[at + j] += one * b[first + j] + other * b[second + j];
            }
            at += i + 1;
        }
    }

    private void addOne(double factor, DMatrixRMaj a, double[] b, int first) {
        int at = 0;
        for (int i = 0; i < size; i++) {
            double one = factor * a.data[first + i];
            for (int j = 0; j <= i; j++) {
                half[at + j] += one * b[first + j];
            }
            at += i + 1;
        }
    }

    /** The whole matrix. */
    DMatrixRMaj full() {
        DMatrixRMaj full = new DMatrixRMaj(size, size);
        int at = 0;
        for (int i = 0; i < size; i++) {
            for (int j = 0; j <= i; j++, at++) {
                full.data[i * size + j] = half[at];
                full.data[j * size + i] = half[at];
            }
        }
        return full;
    }

    /** The lower half row by row in single precision. */
    float[] lowerHalf() {
        float[] single = new float[half.length];
        for (int i = 0; i < half.length; i++) {
            single[i] = (float) half[i];
        }
        return single;
    }
}
