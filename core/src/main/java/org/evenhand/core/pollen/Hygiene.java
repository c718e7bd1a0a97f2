package org.evenhand.core.pollen;

import java.util.List;
import java.util.Set;
import org.evenhand.core.crop.CropSheet;

/** What must be cleaned or changed between one jar and the next. */
public final class Hygiene {
    private Hygiene() {}

    /**
     * The steps between two jars, none when both hold the same fathers.
     *
     * @param sheet crop sheet of the next jar
     * @param before pollen parents of the jar before; none at the beginning
     * @param next pollen parents of the next jar
     */
    public static List<String> between(CropSheet sheet, Set<?> before, Set<?> next) {
        return before.isEmpty() || before.equals(next)
                ? List.of()
                : sheet.mating().cleanBetween();
    }
}
