package org.evenhand.core.fruitset;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CropSheet;

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
