package org.evenhand.core.bloom.clock;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.evenhand.core.Require;

/** The stretches of time in which one gate stands open, in hours after a common start. */
public final class GateHours {
    private static final GateHours NEVER = new GateHours(new double[0]);

    /** Opening, closing, opening and so on, each after the one before. */
    private final double[] edges;

    private GateHours(double[] edges) {
        this.edges = edges;
    }

    /** A gate that never opens, and the place-holder of a stage without one. */
    public static GateHours never() {
        return NEVER;
    }

    /** @param windows pairs of opening (inclusive) and closing (exclusive) hour; those that do not last are left out, those that meet are one */
    public static GateHours of(List<double[]> windows) {
        List<double[]> rising = windows.stream()
                .filter(w -> w[1] > w[0])
                .sorted(Comparator.comparingDouble(w -> w[0]))
                .toList();
        double[] edges = new double[2 * rising.size()];
        int count = 0;
        for (double[] window : rising) {
            if (count > 0 && window[0] <= edges[count - 1]) {
                edges[count - 1] = Math.max(edges[count - 1], window[1]);
            } else {
                edges[count++] = window[0];
                edges[count++] = window[1];
            }
        }
        return new GateHours(Arrays.copyOf(edges, count));
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
        return edgesUpTo(hour) % 2 == 1;
    }

    /** First opening or closing strictly after a moment, or positive infinity. */
    public double nextEdgeAfter(double hour) {
        int passed = edgesUpTo(hour);
        return passed < edges.length ? edges[passed] : Double.POSITIVE_INFINITY;
    }

    private int edgesUpTo(double hour) {
        int found = Arrays.binarySearch(edges, hour);
        return found >= 0 ? found + 1 : -found - 1;
    }
}
