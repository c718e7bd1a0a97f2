package org.evenhand.core.bloom.forecast;

import java.time.Instant;
import org.evenhand.core.Require;

/**
 * What a forecast is unsure of beside the chance of single flowers and the supply of buds.
 *
 * @param countingError standard deviation of a count's own error, as a share of the count, 0 to 1
 * @param weather how far the weather may go from its forecast
 * @param weatherKnownUntil moment from which it is only foreseen
 */
public record ForecastDoubt(double countingError, WeatherDoubt weather, Instant weatherKnownUntil) {
    /** A person who counts flowers on a tree is off by so much, more or less. Our convention. */
    public static final double USUAL_COUNTING_ERROR = 0.05;

    public ForecastDoubt {
        Require.within("countingError", countingError, 0, 1);
    }
}
