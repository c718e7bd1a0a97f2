package org.evenhand.core.bloom.forecast;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.DoubleFunction;

/**
 * What the readings of a variety's trees say of its supply of buds and of its development rate.
 *
 * <p>The rate's logarithm is normal before anything was read. It is tried on a few values, each with a fit of the supply of its own;
 * the logarithm of the counts' chance is nearly a parabola in it, whose top and width are found first roughly, then finely.
 */
final class VarietyEstimator {
    /** Rates are tried on multiples of this step of the logarithm, so that varieties share the work. */
    private static final double STEP = 0.01;

    private static final int COARSE_STEPS = 10;
    private static final int FARTHEST_STEPS = 100;

    /** A doubt about the rate smaller than this makes next to no difference to a forecast. Our convention. */
    private static final double SURE = 0.02;

    /** Of three rates that stand for a normal distribution, in its standard deviations: Gauss and Hermite's. */
    private static final double NODES_APART = Math.sqrt(3);

    private final DoubleFunction<CohortTable> tables;
    private final RatePrior rate;
    private final double countingError;
    private final int daysAhead;

    /**
     * @param tables for a development rate factor, the table over all moments at which trees were read
     * @param rate what is believed of the rate beforehand
     * @param countingError standard deviation of a count's own error as a share of the count
     * @param daysAhead whole days after the last reading for which the supply is foreseen
     */
    VarietyEstimator(DoubleFunction<CohortTable> tables, RatePrior rate, double countingError, int daysAhead) {
        this.tables = tables;
        this.rate = rate;
        this.countingError = countingError;
        this.daysAhead = daysAhead;
    }

    /** One of the rates that may be the variety's, with its chance and the supply that goes with it. */
    record AtRate(double factor, double weight, SupplyFit fit) {}

    /**
     * The variety, estimated.
     *
     * @param logRate mean of the logarithm of the factor on all durations
     * @param logRateSd its standard deviation
     * @param rates what forecasts are mixed from
     */
    record Estimate(double logRate, double logRateSd, List<AtRate> rates) {}

    Estimate estimate(List<CountedPart> parts) {
        SupplyFit first = SupplyFit.of(tables.apply(start()), parts, daysAhead, countingError);
        if (rate.spread() == 0) {
            return new Estimate(Math.log(rate.factor()), 0, List.of(new AtRate(rate.factor(), 1, first)));
        }
        Rates rates = new Rates(first);
        // Read once, stages that last longer and a supply that was larger look alike: only repeated readings tell them
        // apart.
        boolean telling = parts.stream().anyMatch(p -> p.readings() > 1);
        if (!telling) {
            return rates.mixed(new Parabola(Math.log(rate.factor()), rate.spread()), Math.log(rate.factor()));
        }
        return rates.found();
    }

    /** The factor to begin with: exactly what is believed where that is sure, else the step next to it. */
    private double start() {
        return rate.spread() == 0 ? rate.factor() : Math.exp(Math.round(Math.log(rate.factor()) / STEP) * STEP);
    }

    /** A parabola through three points of a logarithm of chances. */
    private record Parabola(double top, double sd) {}

    private final class Rates {
        private final SupplyFit first;
        private final Map<Long, SupplyFit> tried = new HashMap<>();

        Rates(SupplyFit first) {
            this.first = first;
            tried.put(Math.round(Math.log(start()) / STEP), first);
        }

        private SupplyFit fit(long step) {
            return tried.computeIfAbsent(step, s -> first.at(tables.apply(Math.exp(s * STEP))));
        }

        private double log(long step) {
            return fit(step).logEvidence() - Math.pow((step * STEP - Math.log(rate.factor())) / rate.spread(), 2) / 2;
        }

        AtRate at(double logRate, double weight) {
            long step = Math.round(logRate / STEP);
            return new AtRate(Math.exp(step * STEP), weight, fit(step));
        }

        Estimate found() {
            long best = climb(Math.round(Math.log(rate.factor()) / STEP), COARSE_STEPS);
            Parabola rough = through(best, COARSE_STEPS);
            long fine = Math.max(2, Math.min(COARSE_STEPS, Math.round(NODES_APART * rough.sd / STEP)));
            // On multiples, so that varieties meet at the same rates and share their tables.
            long middle = climb(Math.round(rough.top / STEP / fine) * fine, fine);
            return mixed(through(middle, fine), middle * STEP);
        }

        /**
         * Rates to mix forecasts from, with the mean and variance of the normal distribution: three of them as Gauss and Hermite have
         * them, but about a rate that was tried already.
         */
        private Estimate mixed(Parabola found, double middle) {
            if (found.sd < SURE) {
                return new Estimate(found.top, found.sd, List.of(at(found.top, 1)));
            }
            long apart = Math.max(1, Math.round(NODES_APART * found.sd / STEP));
            double width = apart * STEP;
            // Farther off than by half the distance weights would fall below 0.
            long node = Math.round((Math.abs(found.top - middle) <= width / 2 ? middle : found.top) / STEP);
            double off = (found.top - node * STEP) / width;
            double aside = (Math.pow(found.sd / width, 2) + off * off) / 2;
            return new Estimate(
                    found.top,
                    found.sd,
                    List.of(
                            at((node - apart) * STEP, aside - off / 2),
                            at(node * STEP, 1 - 2 * aside),
                            at((node + apart) * STEP, aside + off / 2)));
        }

        /** From a start, in equal steps, to a value whose neighbours are no likelier. */
        private long climb(long start, long by) {
            long at = start;
            while (Math.abs(at) < FARTHEST_STEPS && log(at + by) > log(at)) {
                at += by;
            }
            while (Math.abs(at) < FARTHEST_STEPS && log(at - by) > log(at)) {
                at -= by;
            }
            return at;
        }

        private Parabola through(long middle, long by) {
            double below = log(middle - by);
            double top = log(middle);
            double above = log(middle + by);
            double bend = Math.max(2 * top - below - above, 1e-9);
            double width = by * STEP;
            double shift = Math.max(-1, Math.min(1, (above - below) / (2 * bend)));
            return new Parabola(middle * STEP + shift * width, Math.min(width / Math.sqrt(bend), rate.spread()));
        }
    }
}
