package org.evenhand.core.findings;

import java.util.List;
import java.util.function.Function;
import org.evenhand.core.Units;

/** What could have made a difference to whether a flower took. */
public enum Factor {
    VARIETY,
    FATHER,
    LOT_AGE("within the hour", "same day", "1 to 2 days", "2 to 4 days", "4 to 10 days", "over 10 days"),
    STORAGE,
    HOUR("0 to 3 h", "3 to 6 h", "6 to 9 h", "9 to 12 h", "12 to 15 h", "15 to 18 h", "18 to 21 h", "21 to 24 h"),
    STAGE,
    TEMPERATURE(units -> units.temperatureClasses(Bounds.CELSIUS)),
    DRY_AIR("below 0.5 kPa", "0.5 to 1 kPa", "1 to 1.5 kPa", "1.5 to 2.5 kPa", "2.5 kPa and more"),
    STROKES,
    VISITS("once", "twice or more"),
    TOOL,
    LIMB,
    HELPER,
    LOT,
    TREE,
    EVENING,
    /** By hand, left to nature, or bagged and not pollinated; the others are of flowers by hand alone. */
    TREATMENT,
    /** Tree and treatment, so that each tree can be compared within itself. */
    TREE_AND_TREATMENT;

    /** Those that a model of several causes looks at together. Air temperature and dry air go together, so that one stands for both. */
    public static final List<Factor> CAUSES =
            List.of(VARIETY, FATHER, LOT_AGE, STORAGE, HOUR, STAGE, DRY_AIR, STROKES, VISITS, LIMB);

    /** Between classes; a boundary belongs to the class above it. */
    private static final class Bounds {
        private static final double[] AGE_HOURS = {1, 24, 48, 96, 240};
        private static final double[] CELSIUS = {12, 16, 20, 24, 28};
        private static final double[] KPA = {0.5, 1, 1.5, 2.5};
    }

    private final Function<Units, List<String>> classes;

    Factor(String... classes) {
        this(units -> List.of(classes));
    }

    Factor(Function<Units, List<String>> classes) {
        this.classes = classes;
    }

    /** Names of its classes where it is a number put into classes; else none. */
    public List<String> classes(Units units) {
        return classes.apply(units);
    }

    /** Whether its classes have an order. */
    public boolean ordered() {
        return !classes(Units.METRIC).isEmpty();
    }

    /** The class of pollen so many hours old; a boundary belongs to the class above it. */
    public static int lotAge(double hours) {
        return classOf(Bounds.AGE_HOURS, hours);
    }

    /** The class of an air temperature in °C. */
    public static int temperature(double celsius) {
        return classOf(Bounds.CELSIUS, celsius);
    }

    /** The class of a vapour pressure deficit in kPa. */
    public static int dryAir(double kPa) {
        return classOf(Bounds.KPA, kPa);
    }

    /** The class of a local hour, 0 to 23. */
    public static int hour(int hour) {
        return hour / 3;
    }

    private static int classOf(double[] bounds, double value) {
        int c = 0;
        while (c < bounds.length && value >= bounds[c]) {
            c++;
        }
        return c;
    }
}
