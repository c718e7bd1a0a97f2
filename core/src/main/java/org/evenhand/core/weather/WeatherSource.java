package org.evenhand.core.weather;

/** Where the temperature of an hour comes from. */
public enum WeatherSource {
    /** Measured in that hour: a station or a file of hours. */
    MEASURED,
    /** Drawn straight over a short gap between measured hours. */
    BRIDGED,
    /** Rebuilt from a day's lowest and highest of a file. */
    DAILY,
    /** Rebuilt from a forecast that somebody typed. */
    FORECAST,
    /** The orchard's usual day; nothing better is known. */
    USUAL
}
