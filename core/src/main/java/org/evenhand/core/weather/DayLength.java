package org.evenhand.core.weather;

import org.evenhand.core.Require;

/**
 * Length of the day by the simple formula of FAO Irrigation and Drainage Paper 56 (Allen et al. 1998), equations 24, 25 and 34:
 * good to some minutes, for reckonings that were fitted with it. For clocks use {@link SunDay}.
 *
 * @param declination of the sun, radians
 * @param sunsetHourAngle radians, 0 in polar night, π in polar day
 */
public record DayLength(double declination, double sunsetHourAngle) {

    /**
     * @param latitude degrees, north positive
     * @param dayOfYear 1 to 366
     * @throws org.evenhand.core.InvalidInputException if {@code lat} or {@code J} is not valid
     */
    public static DayLength of(double latitude, int dayOfYear) {
        Require.within("lat", latitude, -90, 90);
        Require.within("J", dayOfYear, 1, 366);
        double declination = 0.409 * Math.sin(2 * Math.PI * dayOfYear / 365 - 1.39);
        double cosine = -Math.tan(Math.toRadians(latitude)) * Math.tan(declination);
        return new DayLength(declination, Math.acos(Math.min(1, Math.max(-1, cosine))));
    }

    public double hours() {
        return 24 / Math.PI * sunsetHourAngle;
    }
}
