package org.evenhand.bench;

import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.bloom.clock.DevelopmentRate;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.weather.SunDay;

/**
 * The same forecast by throwing flowers one after another, as one would first write it: development time is tabulated once, then
 * each sub-phase takes an exponential share of it and each gate is waited for.
 */
final class PlainMonteCarlo {
    /** Flowers thrown for a standard error of 0.005 at the worst share, one half: 0.25 / 0.005². */
    static final int FLOWERS = 10_000;

    private static final int TABLE_AN_HOUR = 60;

    /** As docs/MODEL.md says of stages that name their opening. */
    private static final double COMMITTED_HOURS = 0.5;

    private static final double WARM_ENOUGH = 0.5;

    private final CropSheet sheet;
    private final double[] hours;
    private final double[] developed;
    private final double[][][] gates;

    PlainMonteCarlo(Orchard10k orchard, double[][][] gates) {
        this.sheet = orchard.sheet;
        this.hours = orchard.hours;
        this.gates = gates;
        DevelopmentRate rate = new DevelopmentRate(
                sheet.baseTemperatureC().value(),
                sheet.referenceTemperatureC().value(),
                sheet.capTemperatureC().value());
        developed = new double[Orchard10k.HOURS * TABLE_AN_HOUR + 1];
        for (int i = 1; i < developed.length; i++) {
            double at = (i - 1) / (double) TABLE_AN_HOUR;
            double to = i / (double) TABLE_AN_HOUR;
            developed[i] = developed[i - 1] + rate.mean(orchard.conditions.temperatures(), at, to) / TABLE_AN_HOUR;
        }
    }

    /** Share of flowers, entering a stage at hour 0, that are in each stage at each sample: [sample][stage]. */
    double[][] shares(int entryStage, int flowers, SplittableRandom random) {
        int stages = sheet.stages().size();
        double[][] shares = new double[hours.length][stages + 1];
        double[] leaves = new double[stages];
        for (int f = 0; f < flowers; f++) {
            walk(entryStage, random, leaves);
            int stage = entryStage;
            for (int i = 0; i < hours.length; i++) {
                while (stage < stages && leaves[stage] <= hours[i]) {
                    stage++;
                }
                shares[i][stage] += 1.0 / flowers;
            }
        }
        return shares;
    }

    private void walk(int entryStage, SplittableRandom random, double[] leaves) {
        double at = 0;
        for (int s = entryStage; s < leaves.length; s++) {
            StageSheet stage = sheet.stages().get(s);
            double needed = 0;
            for (int k = 0; k < stage.subPhases(); k++) {
                needed -= Math.log(1 - random.nextDouble());
            }
            at = stage.gate().map(g -> g.commits()).orElse(false)
                    ? afterCommitting(at, needed, stage, gates[s])
                    : afterDevelopment(at, needed * stage.meanHours().value() / stage.subPhases());
            if (stage.gate().isPresent() && at < Orchard10k.HOURS) {
                at = throughGate(
                        at, gates[s], stage.gate().get().halfTimeMinutes().value() / 60, random);
            }
            leaves[s] = at;
        }
    }

    private double afterDevelopment(double at, double needed) {
        if (at >= Orchard10k.HOURS) {
            return Double.POSITIVE_INFINITY;
        }
        double position = at * TABLE_AN_HOUR;
        int below = Math.min((int) position, developed.length - 2);
        double target = developed[below] + (position - below) * (developed[below + 1] - developed[below]) + needed;
        int found = java.util.Arrays.binarySearch(developed, target);
        int index = found >= 0 ? found : -found - 1;
        if (index >= developed.length) {
            return Double.POSITIVE_INFINITY;
        }
        double step = developed[index] - developed[Math.max(0, index - 1)];
        double back = step > 0 ? (developed[index] - target) / step : 0;
        return (index - back) / TABLE_AN_HOUR;
    }

    /**
     * When a stage that names its opening is over, minute by minute: while its gate stands open it needs half an hour on the mean and no
     * longer, where development runs at half its best or faster.
     */
    private double afterCommitting(double from, double needed, StageSheet stage, double[][] windows) {
        double left = needed;
        double minute = 1.0 / TABLE_AN_HOUR;
        for (double at = from; at < Orchard10k.HOURS; at += minute) {
            int index = Math.min((int) (at * TABLE_AN_HOUR), developed.length - 2);
            double rate = (developed[index + 1] - developed[index]) * TABLE_AN_HOUR;
            double through = stage.subPhases() / stage.meanHours().value() * rate;
            for (double[] window : windows) {
                if (at >= window[0] && at < window[1]) {
                    through = Math.max(through, stage.subPhases() / COMMITTED_HOURS * Math.min(1, rate / WARM_ENOUGH));
                }
            }
            left -= through * minute;
            if (left <= 0) {
                return at + minute;
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    private static double throughGate(double at, double[][] windows, double halfTimeHours, SplittableRandom random) {
        double wait = -Math.log(1 - random.nextDouble()) * halfTimeHours / Math.log(2);
        for (double[] window : windows) {
            double from = Math.max(at, window[0]);
            if (from < window[1]) {
                if (from + wait <= window[1]) {
                    return from + wait;
                }
                wait -= window[1] - from;
            }
        }
        return Double.POSITIVE_INFINITY;
    }

    /** The hours in which each stage's gate stands open, written out apart from the clock's own way. */
    static double[][][] windowsOf(Orchard10k orchard, org.evenhand.core.weather.Site site) {
        java.time.Instant start = orchard.conditions.temperatures().start();
        java.time.LocalDate first = start.atZone(site.zone()).toLocalDate();
        return orchard.sheet.stages().stream()
                .map(stage -> stage.gate()
                        .map(rule -> {
                            double[][] windows = new double[5][];
                            for (int day = 0; day < 5; day++) {
                                SunDay sun = SunDay.of(site, first.plusDays(day));
                                windows[day] =
                                        new double[] {edge(start, sun, rule.opens()), edge(start, sun, rule.closes())};
                            }
                            return windows;
                        })
                        .orElse(new double[0][]))
                .toArray(double[][][]::new);
    }

    private static double edge(java.time.Instant start, SunDay sun, org.evenhand.core.crop.GateRule.Edge edge) {
        Optional<java.time.Instant> anchor = edge.anchor() == org.evenhand.core.crop.GateRule.Anchor.SUNRISE
                ? sun.sunrise().moment()
                : sun.sunset().moment();
        return java.time.Duration.between(start, anchor.orElseThrow()).toMillis() / 3_600_000.0
                + edge.hours().value();
    }
}
