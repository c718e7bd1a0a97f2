package org.evenhand.orchard;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.TypicalYear;

/** Lowest and highest temperature of an ordinary day of a month, °C. */
public record TypicalMonth(
        @NotNull Double minimumC, @NotNull Double maximumC) {
    static TypicalMonth of(DailyTemperatures day) {
        return new TypicalMonth(day.minimumC(), day.maximumC());
    }

    /** None, or twelve of them; each problem names its month. */
    static List<DailyTemperatures> days(List<TypicalMonth> given) {
        if (given == null || given.isEmpty()) {
            return List.of();
        }
        List<DailyTemperatures> days =
                Require.each("typicalMonths", given, m -> new DailyTemperatures(m.minimumC(), m.maximumC()));
        if (days.size() != 12) {
            throw new InvalidInputException("typicalMonths", "are " + days.size() + "; give all 12, or none.");
        }
        return new TypicalYear(days).months();
    }
}
