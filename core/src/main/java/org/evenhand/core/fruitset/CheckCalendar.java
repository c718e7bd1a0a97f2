package org.evenhand.core.fruitset;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Mark;

/** On which dates the flowers of a pollination want looking at. */
public final class CheckCalendar {
    private CheckCalendar() {}

    /** Petals may be down after so many days; common practice. */
    private static final int PETAL_DAYS = 5;
    /** Flowers not yet known are looked at again after so many days. Our convention. */
    private static final int AGAIN_DAYS = 5;

    /**
     * A check that is wanted.
     *
     * @param day days after the pollination
     * @param due the date from which it is due
     */
    public record Due(int day, String name, String lookFor, LocalDate due) {}

    /** A check that was made. */
    public record Check(LocalDate on, CheckOutcome outcome) {}

    /** Whether the petals are still on as a rule, so many days after the pollination. */
    public static boolean petalsOn(long day) {
        return day < PETAL_DAYS;
    }

    /**
     * Days until the first check, where the only mark goes with the petals before it; empty where the mark is still there.
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
     * The next check that is wanted. It counts as made when there is a check on or after its date; a check before the first date
     * does not count, it was too early to tell. Where the latest check left flowers not yet known, they come back by themselves some
     * days later, if no other check comes before. Flowers that are all gone want no check.
     *
     * @param pollinated local date of the pollination
     * @param checks local date and outcome of each check there is, in order
     */
    public static Optional<Due> next(CropSheet sheet, LocalDate pollinated, List<Check> checks) {
        Optional<CheckOutcome> last = checks.isEmpty()
                ? Optional.empty()
                : Optional.of(checks.get(checks.size() - 1).outcome());
        if (last.filter(o -> o.gone() + o.thinned() == o.flowers()).isPresent()) {
            return Optional.empty();
        }
        Optional<Due> planned = sheet.checks().stream()
                .map(day -> new Due(day.days(), day.name(), day.lookFor(), pollinated.plusDays(day.days())))
                .filter(due -> checks.stream().allMatch(check -> check.on().isBefore(due.due())))
                .findFirst();
        boolean tooEarly =
                planned.filter(p -> p.day() == sheet.checks().get(0).days()).isPresent();
        if (tooEarly || last.filter(o -> o.unknown() > 0).isEmpty()) {
            return planned;
        }
        LocalDate again = checks.get(checks.size() - 1).on().plusDays(AGAIN_DAYS);
        return planned.filter(p -> !p.due().isAfter(again)).or(() -> Optional.of(again(pollinated, again)));
    }

    private static Due again(LocalDate pollinated, LocalDate on) {
        return new Due(
                (int) ChronoUnit.DAYS.between(pollinated, on),
                "Check again",
                "Some were not known last time. Petals still on: do not pull. Green stalk and bulge, set; browning or gone,"
                        + " failed.",
                on);
    }
}
