package org.evenhand.core.bloom.season;

import java.time.Duration;

/** Numbers by which seasons are told apart and judged, all of them our conventions: no source states them. */
public final class SeasonConventions {
    /** Records from longer ago are of another season. */
    public static final Duration WORKING_SEASON = Duration.ofDays(270);

    /** Share of a season's hours that must be known before chill and heat are told of it. */
    public static final double KNOWN_ENOUGH = 0.95;

    /** From first flower to full bloom where nobody wrote it down: this share of the sheet's bloom days. */
    public static final double FULL_BLOOM_AFTER = 0.35;

    private SeasonConventions() {}
}
