package org.evenhand.core.weather;

import java.time.LocalDate;
import java.time.Month;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.InvalidInputException;

/**
 * What an ordinary day is like over the year: it stands in where nothing is known of the air.
 *
 * @param months January to December, each standing for its middle; or one day for the whole year
 */
public record TypicalYear(List<DailyTemperatures> months) {
    /** Half the range of monthly means for each degree of latitude, °C; a rough guess of ours, less by the sea, more inland. */
    private static final double HALF_RANGE_PER_DEGREE = 0.18;

    /** The warmest month comes about a month after the longest day. */
    private static final int WARMEST_IN_THE_NORTH = 7;

    /** Yearly mean at the equator, °C; from memory, as a round number for low ground. */
    private static final double MEAN_AT_EQUATOR = 27;

    /** Half of a day's range, °C; from memory, less by the sea and more inland. */
    private static final double HALF_OF_A_DAY = 5;

    public TypicalYear {
        months = List.copyOf(months);
        if (months.size() != 1 && months.size() != 12) {
            throw new InvalidInputException(
                    "months", "are " + months.size() + "; give all 12, or one day for the year.");
        }
    }

    /** Every day of the year alike. */
    public static TypicalYear always(DailyTemperatures day) {
        return new TypicalYear(List.of(day));
    }

    /**
     * A first guess where nothing is known but how far from the equator a place lies: the yearly mean falls with the square of the
     * latitude's cosine. Low ground is meant: height cools by about 6 °C a kilometre, and coasts can be several degrees off. A rough
     * shape of ours, for a start until weather is recorded.
     */
    public static TypicalYear guess(Site site) {
        double cos = Math.cos(Math.toRadians(site.latitude()));
        double mean = MEAN_AT_EQUATOR * cos * cos;
        // Spring and autumn lie at the yearly mean: three months from the warmest.
        Month middling = Month.of(WARMEST_IN_THE_NORTH).plus(3);
        return guess(site, middling, new DailyTemperatures(round(mean - HALF_OF_A_DAY), round(mean + HALF_OF_A_DAY)));
    }

    /**
     * A first guess where only one month is known: the mean rises and falls with the sun, the more the farther from the equator; the
     * day's range stays.
     */
    public static TypicalYear guess(Site site, Month known, DailyTemperatures day) {
        int warmest = site.latitude() >= 0 ? WARMEST_IN_THE_NORTH : WARMEST_IN_THE_NORTH - 6;
        double half = HALF_RANGE_PER_DEGREE * Math.abs(site.latitude());
        List<DailyTemperatures> months = new ArrayList<>();
        for (int m = 1; m <= 12; m++) {
            double off = half * (season(m - warmest) - season(known.getValue() - warmest));
            months.add(new DailyTemperatures(round(day.minimumC() + off), round(day.maximumC() + off)));
        }
        return new TypicalYear(months);
    }

    private static double season(int monthsFromWarmest) {
        return Math.cos(2 * Math.PI * monthsFromWarmest / 12);
    }

    private static double round(double celsius) {
        return Math.round(celsius * 10) / 10.0;
    }

    /** The typical day of a date, between the middles of the months on both sides. */
    public DailyTemperatures on(LocalDate date) {
        if (months.size() == 1) {
            return months.get(0);
        }
        double fromMiddle = (date.getDayOfMonth() - 0.5) / date.lengthOfMonth() - 0.5;
        int month = date.getMonthValue() - 1;
        DailyTemperatures own = months.get(month);
        DailyTemperatures next = months.get((month + (fromMiddle < 0 ? 11 : 1)) % 12);
        double part = Math.abs(fromMiddle);
        return new DailyTemperatures(
                own.minimumC() + part * (next.minimumC() - own.minimumC()),
                own.maximumC() + part * (next.maximumC() - own.maximumC()));
    }
}
