package org.evenhand.core.bloom.season;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * How far pollen tubes have grown towards the ovules, and until when a visit still helps.
 *
 * <p>Growth by the mean temperature of a day after the index of Williams R.R. &amp; Wilson D. 1970, Towards Regulated Cropping:
 * percentage of the way in a day at 5 to 15 °C. Taken are the printed whole percentages; at 5, 6, 8, 9 and 10 °C they need a day
 * more than the table's own column of days, because they are rounded. Between rows the percentage runs straight (our choice); below
 * 5 °C nothing grows and above 15 °C the last row holds (our choices, the table stops there). From memory.
 *
 * <p>Effective pollination period: Williams R.R. 1965, J. Hort. Sci. 40:31-41.
 */
public final class PollenTube {
    private static final double COLDEST = 5;
    private static final double[] PERCENT = {8, 9, 10, 11, 12, 14, 17, 20, 25, 35, 50};
    private static final double ARRIVED = 100 - 1e-9;

    private PollenTube() {}

    /**
     * Percentage of the way grown in a day of a mean temperature, °C.
     *
     * @throws InvalidInputException if {@code temps} is not valid
     */
    public static double percentPerDay(double meanC) {
        Require.within("temps", meanC, -60, 60);
        if (meanC < COLDEST) {
            return 0;
        }
        double row = Math.min(meanC - COLDEST, PERCENT.length - 1.0);
        int below = (int) row;
        int above = Math.min(below + 1, PERCENT.length - 1);
        return PERCENT[below] + (row - below) * (PERCENT[above] - PERCENT[below]);
    }

    /**
     * Percentages grown by the end of each day, up to the day of arrival.
     *
     * @param meanC mean temperatures of the days from pollination on
     */
    public static List<Double> cumulative(List<Double> meanC) {
        List<Double> grown = new ArrayList<>();
        double sum = 0;
        for (double day : meanC) {
            sum += percentPerDay(day);
            grown.add(sum);
            if (sum >= ARRIVED) {
                break;
            }
        }
        return grown;
    }

    /** Days to arrive; empty when the series ends before. */
    public static OptionalInt daysToArrive(List<Double> meanC) {
        List<Double> grown = cumulative(meanC);
        boolean arrived = !grown.isEmpty() && grown.get(grown.size() - 1) >= ARRIVED;
        return arrived ? OptionalInt.of(grown.size()) : OptionalInt.empty();
    }

    /**
     * Effective pollination period in days where the tube always needs as long; the stigma's life limits it.
     *
     * @throws InvalidInputException if {@code days} is not valid
     */
    public static double effectiveDays(double ovuleDays, double tubeDays, double stigmaDays) {
        if (!(ovuleDays >= 0 && tubeDays >= 0 && stigmaDays >= 0)) {
            throw new InvalidInputException("days", "must be 0 or more.");
        }
        return Math.min(Math.max(0, ovuleDays - tubeDays), stigmaDays);
    }

    /**
     * Days after opening on which a visit still reaches living ovules.
     *
     * @param meanC mean temperatures from the day of opening on
     * @param ovuleDays days for which the ovules live
     * @param stigmaDays days for which the stigma takes pollen
     */
    public static List<Integer> effectiveVisits(List<Double> meanC, double ovuleDays, double stigmaDays) {
        List<Integer> visits = new ArrayList<>();
        for (int day = 0; day < stigmaDays && day < meanC.size(); day++) {
            OptionalInt arrival = daysToArrive(meanC.subList(day, meanC.size()));
            if (arrival.isPresent() && day + arrival.getAsInt() <= ovuleDays) {
                visits.add(day);
            }
        }
        return visits;
    }
}
