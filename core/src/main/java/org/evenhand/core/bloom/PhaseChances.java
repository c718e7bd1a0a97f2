package org.evenhand.core.bloom;

import java.time.Instant;
import java.util.List;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import org.evenhand.core.crop.Phase;

/**
 * For a flower in any compartment at a starting moment: the chance that it takes, and that it gives, at each later moment. Computed
 * once for a crop, so that any number of its trees can be foreseen by a sum.
 */
public final class PhaseChances {
    private final BudSupply supply;
    private final Instant from;
    private final List<Instant> moments;
    private final double[][] taking;
    private final double[][] giving;

    private PhaseChances(BudSupply supply, Instant from, List<Instant> moments) {
        this.supply = supply;
        this.from = from;
        this.moments = List.copyOf(moments);
        this.taking = new double[moments.size()][];
        this.giving = new double[moments.size()][];
    }

    /**
     * @param from the starting moment
     * @param moments not before it, in rising order
     */
    public static PhaseChances of(BudSupply supply, Instant from, List<Instant> moments) {
        PhaseChances chances = new PhaseChances(supply, from, moments);
        chances.run();
        return chances;
    }

    private void run() {
        FlowerClock clock = supply.clock();
        int size = clock.compartmentCount();
        FlowerBatch batch = FlowerBatch.empty(clock, size);
        for (int i = 0; i < size; i++) {
            double[] one = new double[size];
            one[i] = 1;
            batch.set(i, new FlowerState(clock, one));
        }
        double[] hours = moments.stream().mapToDouble(supply::hoursTo).toArray();
        clock.run(batch, supply.conditions(), supply.hoursTo(from), hours, i -> {
            taking[i] = sums(batch, size, Phase::takes);
            giving[i] = sums(batch, size, Phase::gives);
        });
    }

    private double[] sums(FlowerBatch batch, int size, Predicate<Phase> wanted) {
        double[] sums = new double[size];
        IntStream.range(0, supply.sheet().stages().size())
                .filter(s -> wanted.test(supply.sheet().stages().get(s).phase()))
                .forEach(s -> batch.addStage(s, sums));
        return sums;
    }

    BudSupply supply() {
        return supply;
    }

    Instant from() {
        return from;
    }

    List<Instant> moments() {
        return moments;
    }

    /** Chance to take at a moment, for each column of a batch that stands at the starting moment. */
    double[] taking(int moment, double[][] columns) {
        return weigh(taking[moment], columns);
    }

    double[] giving(int moment, double[][] columns) {
        return weigh(giving[moment], columns);
    }

    private static double[] weigh(double[] chances, double[][] columns) {
        double[] weighed = new double[columns.length];
        for (int c = 0; c < columns.length; c++) {
            double sum = 0;
            for (int i = 0; i < chances.length; i++) {
                sum += chances[i] * columns[c][i];
            }
            weighed[c] = sum;
        }
        return weighed;
    }
}
