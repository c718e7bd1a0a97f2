package org.evenhand.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import org.shredzone.commons.suncalc.SunPosition;

/**
 * The sun's day at a site.
 *
 * <p>Sunrise and sunset are the moments when the sun's centre stands 50′ below the horizon at sea level (34′ refraction, 16′
 * semidiameter); civil dawn and dusk when it stands 6° below (Seidelmann 1992, Explanatory Supplement; Urban &amp; Seidelmann
 * 2013). Solar noon is the upper transit nearest to 12:00 local clock; dawn and sunrise are the crossings in the 12 hours before
 * it, sunset and dusk those in the 12 hours after, so that dusk may fall on the next date.
 *
 * <p>Positions come from commons-suncalc; crossings are found here to the second, because that library interpolates
 * between hours, which at high latitudes is off by more than a minute.
 *
 * @param date the local date
 * @param civilDawn centre rises through -6°
 * @param sunrise centre rises through -0.833°
 * @param solarNoon upper transit
 * @param sunset centre sinks through -0.833°
 * @param civilDusk centre sinks through -6°
 */
public record SunDay(
        LocalDate date, SunEvent civilDawn, SunEvent sunrise, Instant solarNoon, SunEvent sunset, SunEvent civilDusk) {
    /** What people call the evening begins so long before sunset. Our convention. */
    public static final Duration EVENING_BEFORE_SUNSET = Duration.ofHours(3);

    private static final double RISE_SET_DEGREES = -50.0 / 60.0;
    private static final double CIVIL_DEGREES = -6.0;
    private static final Duration HALF_DAY = Duration.ofHours(12);
    private static final int PRECISION_SECONDS = 1;

    /** Computes the sun's day for a local date. */
    public static SunDay of(Site site, LocalDate date) {
        Sky sky = new Sky(site);
        Instant noon = sky.transitNear(
                ZonedDateTime.of(date, LocalTime.NOON, site.zone()).toInstant());
        Instant before = noon.minus(HALF_DAY);
        Instant after = noon.plus(HALF_DAY);
        return new SunDay(
                date,
                sky.crossing(before, noon, CIVIL_DEGREES),
                sky.crossing(before, noon, RISE_SET_DEGREES),
                noon,
                sky.crossing(noon, after, RISE_SET_DEGREES),
                sky.crossing(noon, after, CIVIL_DEGREES));
    }

    /** The altitude of the sun over one site, and searches on it. */
    private record Sky(Site site) {
        private double altitude(Instant at) {
            return SunPosition.compute()
                    .on(at)
                    .at(site.latitude(), site.longitude())
                    .execute()
                    .getTrueAltitude();
        }

        /** Hour angle of the sun in degrees, -180 to 180; negative before the transit. */
        private double degreesPastTransit(Instant at) {
            SunPosition onEquator =
                    SunPosition.compute().on(at).at(0, site.longitude()).execute();
            double azimuth = Math.toRadians(onEquator.getAzimuth());
            double altitude = Math.toRadians(onEquator.getTrueAltitude());
            // Seen from the equator the hour angle follows from the sun's western and vertical components.
            double west = -Math.sin(azimuth) * Math.cos(altitude);
            double up = Math.sin(altitude);
            return Math.toDegrees(Math.atan2(west, up));
        }

        private Instant transitNear(Instant guess) {
            Instant at = guess;
            for (int i = 0; i < 4; i++) {
                at = at.minusMillis(Math.round(degreesPastTransit(at) * 240_000));
            }
            return at;
        }

        private SunEvent crossing(Instant from, Instant to, double degrees) {
            boolean startsAbove = altitude(from) > degrees;
            boolean endsAbove = altitude(to) > degrees;
            if (startsAbove == endsAbove) {
                return startsAbove ? new SunEvent.AlwaysAbove() : new SunEvent.AlwaysBelow();
            }
            Instant low = from;
            Instant high = to;
            while (Duration.between(low, high).toSeconds() > PRECISION_SECONDS) {
                Instant middle = low.plus(Duration.between(low, high).dividedBy(2));
                if (altitude(middle) > degrees == startsAbove) {
                    low = middle;
                } else {
                    high = middle;
                }
            }
            return new SunEvent.At(high.truncatedTo(ChronoUnit.SECONDS));
        }
    }
}
