package org.evenhand.core.bloom.clock;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.evenhand.core.Require;

/** The stretches of time in which one gate stands open, in hours after a common start. */
public final class GateHours {
    private static final GateHours NEVER = new GateHours(new double[0][]);

    private final double[][] windows;

    private GateHours(double[][] windows) {
        this.windows = windows;
    }

    /** A gate that never opens, and the place-holder of a stage without one. */
    public static GateHours never() {
        return NEVER;
    }

    /** @param windows pairs of opening (inclusive) and closing (exclusive) hour; those that do not last are left out */
    public static GateHours of(List<double[]> windows) {
        return new GateHours(windows.stream()
                .filter(w -> w[1] > w[0])
                .map(double[]::clone)
                .sorted(Comparator.comparingDouble(w -> w[0]))
                .toArray(double[][]::new));
    }

    /**
     * A gate that opens at the same clock hours every day.
     *
     * @param startClockHour clock hour at the common start
     * @param open clock hour of opening, 0 to 24
     * @param close clock hour of closing, 0 to 24; not after {@code open}: spans midnight
     * @param hours how many hours after the start are wanted
     * @throws org.evenhand.core.InvalidInputException if {@code startClockHour}, {@code hours}, {@code gate.open} or {@code gate.close} is not valid
     */
    public static GateHours daily(double startClockHour, double open, double close, double hours) {
        Require.within("startClockHour", startClockHour, 0, 24);
        Require.within("hours", hours, 0, 1e6);
        Require.within("gate.open", open, 0, 24);
        Require.within("gate.close", close, 0, 24);
        double length = close > open ? close - open : close - open + 24;
        List<double[]> windows = new ArrayList<>();
        for (double at = open - startClockHour - 48; at < hours + 24; at += 24) {
            windows.add(new double[] {at, at + length});
        }
        return of(windows);
    }

    public boolean openAt(double hour) {
        return Arrays.stream(windows).anyMatch(w -> w[0] <= hour && hour < w[1]);
    }

    /** First opening or closing strictly after a moment, or positive infinity. */
    public double nextEdgeAfter(double hour) {
        double next = Double.POSITIVE_INFINITY;
        for (double[] window : windows) {
            for (double edge : window) {
                if (edge > hour && edge < next) {
                    next = edge;
                }
            }
        }
        return next;
    }
}
