package org.evenhand.orchard;

import jakarta.validation.constraints.NotNull;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
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
        List<DailyTemperatures> days = new ArrayList<>();
        List<FieldProblem> problems = new ArrayList<>();
        for (int m = 0; m < given.size(); m++) {
            String at = "usualMonths[" + m + "].";
            try {
                days.add(new DailyTemperatures(
                        given.get(m).minimumC(), given.get(m).maximumC()));
            } catch (InvalidInputException e) {
                e.problems().forEach(p -> problems.add(p.of(at + p.field())));
            }
        }
        if (!problems.isEmpty()) {
            throw new InvalidInputException(problems);
        }
        if (days.size() != 12) {
            throw new InvalidInputException("usualMonths", "are " + days.size() + "; give all 12, or none.");
        }
        return new TypicalYear(days).months();
    }
}
