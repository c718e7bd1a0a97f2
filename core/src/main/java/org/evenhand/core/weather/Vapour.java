package org.evenhand.core.weather;

import java.util.OptionalDouble;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * Water vapour in the air: saturation, actual pressure, deficit, dew point; pressures in kPa, temperatures in °C.
 *
 * <p>Allen R.G., Pereira L.S., Raes D., Smith M. 1998, Crop evapotranspiration, FAO Irrigation and Drainage Paper 56, chapter 3
 * (equations by number below). The coefficients over water are used below 0 °C too.
 *
 * @param saturationKpa pressure at saturation
 * @param actualKpa actual pressure
 */
public record Vapour(double saturationKpa, double actualKpa) {
    /** Lowest and highest land, metres above the sea. */
    private static final double LOWEST_M = -430;

    private static final double HIGHEST_M = 9000;

    public Vapour {
        Require.within("vapour", actualKpa, 0, 100);
    }

    /**
     * Saturation pressure at a temperature, equation 11.
     *
     * @throws InvalidInputException if {@code T} is not valid
     */
    public static double saturation(double celsius) {
        Require.within("T", celsius, -60, 60);
        return 0.6108 * Math.exp(17.27 * celsius / (celsius + 237.3));
    }

    /**
     * Mean saturation pressure of a day, equation 12.
     *
     * @throws InvalidInputException if {@code tmin} is not valid
     */
    public static double saturation(double minimumC, double maximumC) {
        if (minimumC > maximumC) {
            throw new InvalidInputException("tmin", "is " + minimumC + ", above tmax, " + maximumC + ".");
        }
        return (saturation(maximumC) + saturation(minimumC)) / 2;
    }

    /** Air at one moment, from its relative humidity in percent. */
    public static Vapour at(double celsius, double humidity) {
        return new Vapour(saturation(celsius), saturation(celsius) * share("rh", humidity));
    }

    /**
     * A day, from lowest and highest temperature and relative humidity, equation 17.
     *
     * @throws InvalidInputException if {@code rhmin} is not valid
     */
    public static Vapour ofDay(double minimumC, double maximumC, double lowestHumidity, double highestHumidity) {
        if (lowestHumidity > highestHumidity) {
            throw new InvalidInputException(
                    "rhmin", "is " + lowestHumidity + ", above rhmax, " + highestHumidity + ".");
        }
        double actual = (saturation(minimumC) * share("rhmax", highestHumidity)
                        + saturation(maximumC) * share("rhmin", lowestHumidity))
                / 2;
        return new Vapour(saturation(minimumC, maximumC), actual);
    }

    /** A day, from its mean relative humidity, equation 19. */
    public static Vapour ofDay(double minimumC, double maximumC, double meanHumidity) {
        double mean = saturation(minimumC, maximumC);
        return new Vapour(mean, share("rhmean", meanHumidity) * mean);
    }

    /**
     * A day, from its dew point, equation 14.
     *
     * @throws InvalidInputException if {@code tdew} is not valid
     */
    public static Vapour ofDewPoint(double minimumC, double maximumC, double dewPointC) {
        if (dewPointC > maximumC) {
            throw new InvalidInputException(
                    "tdew", "is " + dewPointC + ", above tmax, " + maximumC + "; air that warm would be fog all day.");
        }
        return new Vapour(saturation(minimumC, maximumC), saturation(dewPointC));
    }

    /**
     * Air at one moment, from an aspirated psychrometer, equations 8, 15 and 16.
     *
     * @param pressureKpa of the air, measured or the {@link #pressure} of the height; 25 to 115
     * @throws InvalidInputException if {@code twet} or {@code pressure_kPa} is not valid
     */
    public static Vapour ofPsychrometer(double dryC, double wetC, double pressureKpa) {
        if (wetC > dryC) {
            throw new InvalidInputException(
                    "twet", "is " + wetC + ", above tdry, " + dryC + "; a wet bulb is never the warmer one.");
        }
        double coefficient = 0.000662 * Require.within("pressure_kPa", pressureKpa, 25, 115);
        double actual = saturation(wetC) - coefficient * (dryC - wetC);
        if (actual < 0) {
            throw new InvalidInputException(
                    "twet", "is " + wetC + "; so far below tdry, " + dryC + ", there would be less vapour than none.");
        }
        return new Vapour(saturation(dryC), actual);
    }

    /**
     * Usual air pressure at a height in metres, equation 7.
     *
     * @throws InvalidInputException if {@code elevation_m} is not valid
     */
    public static double pressure(double elevation) {
        Require.within("elevation_m", elevation, LOWEST_M, HIGHEST_M);
        return 101.3 * Math.pow((293 - 0.0065 * elevation) / 293, 5.26);
    }

    /** What the air could still take up. */
    public double deficitKpa() {
        return saturationKpa - actualKpa;
    }

    /** Relative humidity, percent. */
    public double humidity() {
        return 100 * actualKpa / saturationKpa;
    }

    /** Temperature at which the vapour would be saturated, the inverse of equation 11; none in air without vapour. */
    public OptionalDouble dewPointC() {
        if (!(actualKpa > 0)) {
            return OptionalDouble.empty();
        }
        double x = Math.log(actualKpa / 0.6108);
        return OptionalDouble.of(237.3 * x / (17.27 - x));
    }

    private static double share(String field, double percent) {
        return Require.within(field, percent, 0, 100) / 100;
    }
}
