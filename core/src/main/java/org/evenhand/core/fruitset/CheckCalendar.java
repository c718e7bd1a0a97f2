package org.evenhand.core.fruitset;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Mark;

/** On which dates the flowers of a pollination want looking at. */
public final class CheckCalendar {
    private CheckCalendar() {}

    /**
     * A look that is wanted.
     *
     * @param day which of the crop's looks
     * @param due the date from which it is due
     */
    public record Due(CheckDay day, LocalDate due) {}

    /** Petals may be down after so many days; common practice. */
    private static final int PETAL_DAYS = 5;

    /**
     * Days until the first look, where the only mark goes with the petals before it; empty where the mark is still there.
     *
     * @param lasts how long the mark lasts
     */
    public static OptionalInt markGoneBefore(CropSheet sheet, Mark.Lasts lasts) {
        return lasts == Mark.Lasts.PETALS
                ? sheet.checks().stream()
                        .mapToInt(CheckDay::days)
                        .limit(1)
                        .filter(days -> days > PETAL_DAYS)
                        .findFirst()
                : OptionalInt.empty();
    }

    /**
     * The next look that nobody has taken yet. A look counts as taken when there is a check on or after its date; a check before
     * the first date does not count, it was too early to tell.
     *
     * @param pollinated local date of the pollination
     * @param checked local dates of the checks there are
     */
    public static Optional<Due> next(CropSheet sheet, LocalDate pollinated, List<LocalDate> checked) {
        for (CheckDay day : sheet.checks()) {
            LocalDate due = pollinated.plusDays(day.days());
            if (checked.stream().allMatch(date -> date.isBefore(due))) {
                return Optional.of(new Due(day, due));
            }
        }
        return Optional.empty();
    }
}
