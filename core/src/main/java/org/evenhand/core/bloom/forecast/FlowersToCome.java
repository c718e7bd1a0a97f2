package org.evenhand.core.bloom.forecast;

import org.evenhand.core.bloom.clock.FlowerBatch;
import org.evenhand.core.bloom.clock.StepMatrix;

/**
 * One flower of each compartment of a clock, and one bud of each day to come, walked forward together from a starting moment. A bud
 * of a day to come enters the first stage at some moment of what is left of its day, each as likely as the others.
 *
 * <p>Changed in place; used by one thread.
 */
final class FlowersToCome {
    private final FlowerModel model;
    private final double from;
    private final int firstDay;
    private final int daysAhead;
    private final FlowerBatch batch;
    private final int compartments;
    private double at;

    /**
     * @param from hour of the starting moment, after the start of the model's conditions
     * @param daysAhead days whose buds are followed, the running one included
     */
    FlowersToCome(FlowerModel model, double from, int daysAhead) {
        this.model = model;
        this.from = from;
        this.at = from;
        this.firstDay = CohortTable.dayOf(from);
        this.daysAhead = daysAhead;
        this.compartments = model.compartments();
        this.batch = FlowerBatch.empty(model.clock(), compartments + daysAhead);
        for (int c = 0; c < compartments; c++) {
            batch.add(c, c, 1);
        }
    }

    int columns() {
        return compartments + daysAhead;
    }

    void advanceTo(double hour) {
        while (at < hour - 1e-9) {
            double end = Math.min(Math.floor(at + 1e-9) + 1, hour);
            int ahead = CohortTable.dayOf(at) - firstDay;
            double half = ahead < daysAhead ? (end - at) / lengthOf(ahead) / 2 : 0;
            add(ahead, half);
            for (StepMatrix step : model.clock().steps(model.conditions(), at, end)) {
                batch.apply(step);
            }
            add(ahead, half);
            at = end;
        }
    }

    private void add(int ahead, double buds) {
        if (buds > 0) {
            batch.add(0, compartments + ahead, buds);
        }
    }

    /** Hours of a day to come, of the running day what was left of it at the start. */
    private double lengthOf(int ahead) {
        double end = (firstDay + ahead + 1) * CohortTable.HOURS_A_DAY;
        return end - Math.max(from, end - CohortTable.HOURS_A_DAY);
    }

    /** For each flower and bud, the sum of its chances over the compartments, weighed. */
    double[] weighed(double[] weights) {
        double[] sums = new double[columns()];
        for (int c = 0; c < compartments; c++) {
            if (weights[c] != 0) {
                batch.addRow(c, weights[c], sums);
            }
        }
        return sums;
    }

    /** For each flower and bud, the chance of each compartment: [column][compartment]. */
    double[][] chances() {
        double[][] chances = new double[columns()][compartments];
        for (int c = 0; c < compartments; c++) {
            double[] row = new double[columns()];
            batch.addRow(c, 1, row);
            for (int column = 0; column < row.length; column++) {
                chances[column][c] = row[column];
            }
        }
        return chances;
    }
}
