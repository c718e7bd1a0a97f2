package org.evenhand.core;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** In which units a grower is told what is kept in metric ones. */
public enum Units {
    METRIC {
        @Override
        String degrees(double celsius) {
            return say("%.0f", celsius);
        }

        @Override
        String degree() {
            return " °C";
        }

        @Override
        public String fruit(double grams) {
            return say("%.0f g", grams);
        }

        @Override
        public String harvest(double kilograms) {
            return say("%.1f kg", kilograms);
        }
    },
    IMPERIAL {
        @Override
        String degrees(double celsius) {
            return say("%.0f", celsius * 1.8 + 32);
        }

        @Override
        String degree() {
            return " °F";
        }

        @Override
        public String fruit(double grams) {
            return say("%.1f oz", grams / 1000 / KILOGRAMS_IN_A_POUND * 16);
        }

        @Override
        public String harvest(double kilograms) {
            return say("%.1f lb", kilograms / KILOGRAMS_IN_A_POUND);
        }
    };

    /** Exact by definition: agreement on the international yard and pound, 1959. */
    private static final double KILOGRAMS_IN_A_POUND = 0.45359237;

    abstract String degrees(double celsius);

    abstract String degree();

    /** The weight of a fruit, as 464 g or 16.4 oz. */
    public abstract String fruit(double grams);

    /** The weight of a harvest, as 11.1 kg or 24.5 lb. */
    public abstract String harvest(double kilograms);

    /** A temperature in whole degrees, as 24 °C or 75 °F. */
    public String temperature(double celsius) {
        return degrees(celsius) + degree();
    }

    /**
     * The names of classes of temperature: below the first bound, between each two, from the last on.
     *
     * @param bounds ascending, °C, at least one
     */
    public List<String> temperatureClasses(double... bounds) {
        int last = bounds.length - 1;
        return Stream.of(
                        Stream.of("below " + temperature(bounds[0])),
                        IntStream.range(0, last)
                                .mapToObj(i -> degrees(bounds[i]) + " to " + temperature(bounds[i + 1])),
                        Stream.of(temperature(bounds[last]) + " and more"))
                .flatMap(s -> s)
                .toList();
    }

    private static String say(String format, double value) {
        return String.format(Locale.ROOT, format, value);
    }
}
