package org.evenhand.core.map;

import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * The earth around an orchard as a plane: metres east and north of an origin, by the curvature of the ellipsoid there. Right to a part in
 * a thousand within ten kilometres, away from the poles; a phone's position is off by more.
 *
 * <p>Source: radii of curvature of the WGS 84 ellipsoid (NIMA TR8350.2, 2000: a = 6378137 m, 1/f = 298.257223563).
 */
public final class OrchardPlane {
    private static final double SEMI_MAJOR_AXIS = 6_378_137.0;
    private static final double FLATTENING = 1 / 298.257223563;
    private static final double ECCENTRICITY_SQUARED = FLATTENING * (2 - FLATTENING);

    /** Nearer to a pole east is no direction any more. Our convention, degrees. */
    private static final double MOST_LATITUDE = 85;

    private final double latitude;
    private final double longitude;
    private final double metresPerDegreeNorth;
    private final double metresPerDegreeEast;

    /**
     * @param latitude of the origin, degrees, north positive, -85 to 85
     * @param longitude of the origin, degrees, east positive, -180 to 180
     * @throws InvalidInputException if either lies outside
     */
    public OrchardPlane(double latitude, double longitude) {
        this.latitude = Require.within("latitude", latitude, -MOST_LATITUDE, MOST_LATITUDE);
        this.longitude = Require.within("longitude", longitude, -180, 180);
        double sine = Math.sin(Math.toRadians(latitude));
        double root = Math.sqrt(1 - ECCENTRICITY_SQUARED * sine * sine);
        double meridian = SEMI_MAJOR_AXIS * (1 - ECCENTRICITY_SQUARED) / (root * root * root);
        double primeVertical = SEMI_MAJOR_AXIS / root;
        this.metresPerDegreeNorth = Math.toRadians(meridian);
        this.metresPerDegreeEast = Math.toRadians(primeVertical * Math.cos(Math.toRadians(latitude)));
    }

    public double metresPerDegreeNorth() {
        return metresPerDegreeNorth;
    }

    public double metresPerDegreeEast() {
        return metresPerDegreeEast;
    }

    /**
     * @throws InvalidInputException if it is no place on earth, or one too far from the orchard
     */
    public Spot spot(double atLatitude, double atLongitude) {
        Require.within("latitude", atLatitude, -90, 90);
        Require.within("longitude", atLongitude, -180, 180);
        // The short way round where the date line lies between.
        double east = Math.IEEEremainder(atLongitude - longitude, 360) * metresPerDegreeEast;
        double north = (atLatitude - latitude) * metresPerDegreeNorth;
        if (Math.hypot(east, north) > Spot.FARTHEST) {
            throw new InvalidInputException(
                    "latitude",
                    "and longitude lie " + Math.round(Math.hypot(east, north) / 1000)
                            + " km from the orchard. Check both, or the orchard’s own place.");
        }
        return new Spot(east, north);
    }

    /** Degrees, north positive. */
    public double latitude(Spot spot) {
        return latitude + spot.north() / metresPerDegreeNorth;
    }

    /** Degrees, east positive, -180 to 180. */
    public double longitude(Spot spot) {
        return Math.IEEEremainder(longitude + spot.east() / metresPerDegreeEast, 360);
    }
}
