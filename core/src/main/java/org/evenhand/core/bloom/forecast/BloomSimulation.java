package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.evenhand.core.bloom.clock.GateHours;
import org.evenhand.core.bloom.clock.TimedStage;

/**
 * Trees whose flowers are thrown event by event: when each bud comes, when it leaves each stage. Written without the clock's matrices,
 * so that it can be held against them and against forecasts; seeded, so that it can be thrown again. Hours count from the start of the
 * model's conditions.
 */
final class BloomSimulation {
    /** Grid on which development is added up, hours. */
    private static final double GRID = 0.1;

    private static final double SHORT = 0.02;

    private final FlowerModel model;
    private final SplittableRandom random;
    private final double[] developed;

    /**
     * @param until last hour that will be asked about
     */
    public BloomSimulation(FlowerModel model, double until, long seed) {
        this.model = model;
        this.random = new SplittableRandom(seed);
        this.developed = new double[(int) Math.ceil(until / GRID) + 2];
        for (int i = 1; i < developed.length; i++) {
            double middle = model.conditions().temperatures().celsiusAtHour((i - 0.5) * GRID);
            developed[i] = developed[i - 1] + GRID * model.clock().rate().at(middle);
        }
    }

    /**
     * One tree.
     *
     * @param entered for each flower, the hour at which it entered each stage, and last at which it was past them all
     */
    public record Tree(List<double[]> entered) {
        public Tree {
            entered = List.copyOf(entered);
        }

        /** Flowers in each stage at an hour. */
        public int[] stages(double hour) {
            int[] stages = new int[entered.isEmpty() ? 0 : entered.get(0).length - 1];
            for (double[] flower : entered) {
                int at = Arrays.binarySearch(flower, hour);
                int stage = at >= 0 ? at : -at - 2;
                if (stage >= 0 && stage < stages.length) {
                    stages[stage]++;
                }
            }
            return stages;
        }
    }

    /**
     * @param budsAnHour rate at which buds come, by hour
     * @param until hour of the last bud
     */
    public Tree tree(DoubleUnaryOperator budsAnHour, double until) {
        List<double[]> flowers = new ArrayList<>();
        for (int hour = 0; hour < until; hour++) {
            double left = -Math.log(1 - random.nextDouble());
            double rate = budsAnHour.applyAsDouble(hour + 0.5);
            while (left < rate) {
                flowers.add(flower(hour + left / rate));
                left += -Math.log(1 - random.nextDouble());
            }
        }
        return new Tree(flowers);
    }

    /** Each flower in each stage counted with a chance, independently of the others. */
    public List<Double> counted(Tree tree, double hour, double share) {
        return Arrays.stream(tree.stages(hour))
                .mapToObj(n -> {
                    int seen = 0;
                    for (int f = 0; f < n; f++) {
                        seen += random.nextDouble() < share ? 1 : 0;
                    }
                    return (double) seen;
                })
                .toList();
    }

    private double[] flower(double came) {
        int stages = model.clock().stageCount();
        double[] entered = new double[stages + 1];
        entered[0] = came;
        for (int s = 0; s < stages; s++) {
            TimedStage stage = model.clock().stage(s);
            if (stage.commits()) {
                entered[s + 1] = throughGate(s, stage, readyInTime(s, stage, entered[s]));
                continue;
            }
            double done = developedBy(entered[s]);
            for (int k = 0; k < stage.subPhases(); k++) {
                done += -Math.log(1 - random.nextDouble()) / stage.subPhaseRate();
            }
            double ready = hourOf(done);
            entered[s + 1] = stage.gated() ? throughGate(s, stage, ready) : ready;
        }
        return entered;
    }

    /** When the last sub-phase is over of a stage that names its opening, in short steps. */
    private double readyInTime(int s, TimedStage stage, double from) {
        double at = from;
        for (int k = 0; k < stage.subPhases(); k++) {
            double left = -Math.log(1 - random.nextDouble());
            while (left > 0) {
                if (at >= (developed.length - 1) * GRID) {
                    return Double.MAX_VALUE;
                }
                double rate = model.clock()
                        .rate()
                        .at(model.conditions().temperatures().celsiusAtHour(at + SHORT / 2));
                double through = stage.subPhaseRate() * rate;
                boolean open = model.conditions().gates().get(s).openAt(at + SHORT / 2);
                through = open ? Math.max(through, stage.committedRate(rate)) : through;
                at += left < through * SHORT ? left / through : SHORT;
                left -= through * SHORT;
            }
        }
        return at;
    }

    private double throughGate(int stage, TimedStage timed, double ready) {
        GateHours gate = model.conditions().gates().get(stage);
        double open = -Math.log(1 - random.nextDouble()) / timed.gateRate();
        double at = ready;
        while (at < developed.length * GRID) {
            double edge = gate.nextEdgeAfter(at);
            if (gate.openAt(at)) {
                if (at + open <= edge) {
                    return at + open;
                }
                open -= edge - at;
            }
            if (edge == Double.POSITIVE_INFINITY) {
                break;
            }
            at = edge;
        }
        return Double.MAX_VALUE;
    }

    private double developedBy(double hour) {
        double at = hour / GRID;
        int below = (int) Math.min(at, developed.length - 2.0);
        return developed[below]
                + (Math.min(at, developed.length - 1.0) - below) * (developed[below + 1] - developed[below]);
    }

    /** The hour by which so much has developed; beyond all that is asked about where it is not reached. */
    private double hourOf(double amount) {
        if (amount >= developed[developed.length - 1]) {
            return Double.MAX_VALUE;
        }
        int at = Arrays.binarySearch(developed, amount);
        int below = at >= 0 ? at : -at - 2;
        // Standing still in the cold, many hours have the same amount: the last of them is the one that leaves.
        double step = developed[below + 1] - developed[below];
        return GRID * (below + (step > 0 ? (amount - developed[below]) / step : 1));
    }
}
