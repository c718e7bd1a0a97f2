package org.evenhand.core.bloom.forecast;

import java.util.ArrayList;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.WeatherSource;

/**
 * How far the weather to come may go from its forecast: an error that is there at once, and one that walks at random from the moment
 * the forecast was made.
 *
 * <p>A few courses stand for all: one on either side along the error that is there at once and along each of the walk's first principal
 * shapes (Karhunen and Loève's, of which {@link #SHAPES} hold 93 % of its variance), so that mean and variance of what is linear in
 * the weather are those of the errors. No chance is involved.
 *
 * @param sdAtOnceC standard deviation of an error that is the same at all hours to come, °C
 * @param sdAfter48hC standard deviation of the walk 48 hours after the forecast, °C
 */
public record WeatherDoubt(double sdAtOnceC, double sdAfter48hC) {
    /** After so long the walk goes no farther: the forecast is then no better than what is usual. Our convention. */
    static final double SPAN_HOURS = 72;

    /** Of a forecast for the place. Our convention. */
    private static final double FORECAST_AFTER_48H_C = 2.5;

    /** Of a typical day that stands in for a forecast. Our convention. */
    private static final double TYPICAL_DAY_C = 3;

    private static final int SHAPES = 3;

    /** The share of the walk's variance that the shapes hold: 8/π² · (1 + 1/9 + 1/25). */
    private static final double HELD = 8 / (Math.PI * Math.PI) * (1 + 1 / 9.0 + 1 / 25.0);

    /** Hours over which the error that is there at once comes in, so that now and the next hour agree. */
    private static final double COMES_IN_HOURS = 3;

    public WeatherDoubt {
        Require.within("sdAtOnceC", sdAtOnceC, 0, 20);
        Require.within("forecastErrorSdAfter48hC", sdAfter48hC, 0, 20);
    }

    /** The weather is known. */
    public static WeatherDoubt none() {
        return new WeatherDoubt(0, 0);
    }

    /** A walk from the forecast only. */
    public static WeatherDoubt walking(double sdAfter48hC) {
        return new WeatherDoubt(0, sdAfter48hC);
    }

    /** The doubt about the coming days, by what is known of them. */
    public static WeatherDoubt of(WeatherSource coming) {
        return coming == WeatherSource.USUAL ? new WeatherDoubt(TYPICAL_DAY_C, 0) : walking(FORECAST_AFTER_48H_C);
    }

    /**
     * @param from hour from which the weather is only foreseen
     * @return courses of equal weight; none where there is no doubt
     */
    List<BloomConditions> courses(BloomConditions conditions, double from) {
        List<DoubleUnaryOperator> errors = errors();
        List<BloomConditions> courses = new ArrayList<>();
        for (DoubleUnaryOperator error : errors) {
            for (int side = -1; side <= 1; side += 2) {
                double height = side * Math.sqrt(errors.size());
                courses.add(new BloomConditions(
                        shifted(conditions.temperatures(), from, h -> height * error.applyAsDouble(h)),
                        conditions.gates()));
            }
        }
        return courses;
    }

    /** Each error of one standard deviation, by hours since the forecast. */
    private List<DoubleUnaryOperator> errors() {
        List<DoubleUnaryOperator> errors = new ArrayList<>();
        if (sdAtOnceC > 0) {
            errors.add(h -> sdAtOnceC * Math.min(1, h / COMES_IN_HOURS));
        }
        for (int shape = 1; sdAfter48hC > 0 && shape <= SHAPES; shape++) {
            double wave = (shape - 0.5) * Math.PI / SPAN_HOURS;
            // σ² an hour, the shape's own variance 1 / wave², its height √(2 / span).
            double height = sdAfter48hC / Math.sqrt(48) / wave * Math.sqrt(2 / SPAN_HOURS / HELD);
            errors.add(h -> height * Math.sin(wave * Math.min(h, SPAN_HOURS)));
        }
        return errors;
    }

    private static HourlyTemperatures shifted(HourlyTemperatures temperatures, double from, DoubleUnaryOperator error) {
        double[] celsius = temperatures.toArray();
        List<Double> moved = new ArrayList<>();
        for (int h = 0; h < celsius.length; h++) {
            double off = h <= from ? 0 : error.applyAsDouble(h - from);
            moved.add(Math.max(-60, Math.min(60, celsius[h] + off)));
        }
        return HourlyTemperatures.of(temperatures.start(), moved);
    }
}
