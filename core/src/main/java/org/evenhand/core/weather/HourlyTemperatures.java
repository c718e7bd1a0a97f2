package org.evenhand.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * Air temperature at whole hours from a start; between the hours it runs in a straight line.
 *
 * <p>Before the first and after the last hour the nearest value holds.
 */
public final class HourlyTemperatures {
    private static final double SECONDS_PER_HOUR = 3600.0;

    private final Instant start;
    private final double[] celsius;

    private HourlyTemperatures(Instant start, double[] celsius) {
        this.start = start;
        this.celsius = celsius;
    }

    /**
     * @param start moment of the first value
     * @param celsius one value an hour, °C, each within -60 to 60; at least one
     * @throws InvalidInputException if {@code hourlyTemperatureC} or {@code hourlyTemperatureC[} is not valid
     */
    public static HourlyTemperatures of(Instant start, List<Double> celsius) {
        if (celsius.isEmpty()) {
            throw new InvalidInputException("hourlyTemperatureC", "is empty; at least one value is needed.");
        }
        double[] copy = new double[celsius.size()];
        for (int i = 0; i < copy.length; i++) {
            copy[i] = Require.within("hourlyTemperatureC[" + i + "]", celsius.get(i), -60, 60);
        }
        return new HourlyTemperatures(start, copy);
    }

    public Instant start() {
        return start;
    }

    /** The same temperatures from a later whole hour on; from their own start when that is later. */
    public HourlyTemperatures startingAt(Instant later) {
        int first = (int) Math.min(Math.max(0, Math.floor(hoursTo(later))), celsius.length - 1.0);
        return new HourlyTemperatures(
                start.plus(Duration.ofHours(first)), Arrays.copyOfRange(celsius, first, celsius.length));
    }

    /** Hours from the start to a moment; negative before it. */
    public double hoursTo(Instant at) {
        Duration d = Duration.between(start, at);
        return d.getSeconds() / SECONDS_PER_HOUR + d.getNano() / (SECONDS_PER_HOUR * 1e9);
    }

    /** Temperature at a moment, °C. */
    public double celsiusAt(Instant at) {
        return celsiusAtHour(hoursTo(at));
    }

    /** Temperature so many hours after the start, °C. */
    public double celsiusAtHour(double hour) {
        int last = celsius.length - 1;
        if (!(hour > 0)) {
            return celsius[0];
        }
        if (hour >= last) {
            return celsius[last];
        }
        int below = (int) hour;
        double part = hour - below;
        return celsius[below] + part * (celsius[below + 1] - celsius[below]);
    }

    /** A copy of the values, one an hour. */
    public double[] toArray() {
        return Arrays.copyOf(celsius, celsius.length);
    }
}
