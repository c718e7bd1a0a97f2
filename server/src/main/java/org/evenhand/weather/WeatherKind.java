package org.evenhand.weather;

/** Where weather comes from. */
public enum WeatherKind {
    /** A file of hours. */
    HOURS,
    /** A file of days with lowest and highest. */
    DAYS,
    /** A forecast typed by hand. */
    FORECAST,
    /** A station that posts its readings. */
    STATION
}
