package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.statistics.Proportion;
import org.junit.jupiter.api.Test;

class FruitSetTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final LocalDate DONE = LocalDate.of(2026, 11, 12);

    @Test
    void the_first_look_is_due_on_the_crops_day_then_the_count_then_nothing() {
        assertThat(due(List.of())).isEqualTo(LocalDate.of(2026, 11, 19));
        assertThat(due(List.of(looked(3, 8, 0, 0)))).isEqualTo(LocalDate.of(2026, 11, 19));
        assertThat(due(List.of(looked(8, 8, 0, 0)))).isEqualTo(LocalDate.of(2026, 11, 24));
        assertThat(CheckCalendar.next(CHERIMOYA, DONE, List.of(looked(12, 6, 2, 0))))
                .isEmpty();
    }

    @Test
    void what_was_not_known_comes_back_by_itself_and_what_is_all_gone_does_not() {
        assertThat(next(looked(7, 4, 2, 2))).as("the count comes first").isEqualTo(DONE.plusDays(12));
        CheckCalendar.Due again = CheckCalendar.next(CHERIMOYA, DONE, List.of(looked(12, 4, 3, 1)))
                .orElseThrow();
        assertThat(again.due()).isEqualTo(DONE.plusDays(17));
        assertThat(again.day()).isEqualTo(17);
        assertThat(again.name()).isEqualTo("Check again");
        assertThat(next(looked(2, 0, 0, 8))).as("too early to tell").isEqualTo(DONE.plusDays(7));
        assertThat(CheckCalendar.next(CHERIMOYA, DONE, List.of(looked(7, 0, 8, 0))))
                .isEmpty();
    }

    private static LocalDate next(CheckCalendar.Check look) {
        return due(List.of(look));
    }

    private static CheckCalendar.Check looked(int day, int taken, int failed, int unknown) {
        return new CheckCalendar.Check(DONE.plusDays(day), CheckOutcome.of(8, taken, failed, unknown));
    }

    @Test
    void a_mark_on_the_petals_is_gone_before_a_first_look_on_day_seven_and_no_other_mark_is() {
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, Mark.Lasts.PETALS)).hasValue(7);
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, Mark.Lasts.HARVEST)).isEmpty();
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, null)).isEmpty();
    }

    @Test
    void the_set_rate_leaves_out_what_nobody_knows_yet() {
        CheckOutcome outcome = CheckOutcome.of(14, 9, 2, 1);

        assertThat(outcome.setRate()).contains(new Proportion(9, 11));
        assertThat(outcome.notFound()).isEqualTo(2);
        assertThat(CheckOutcome.of(5, 0, 0, 5).setRate()).isEmpty();
    }

    @Test
    void what_was_known_of_a_flower_stays_known() {
        CheckOutcome before = new CheckOutcome(9, 3, 2, 1, 2, 0, 1);
        assertThat(before.decided()).isEqualTo(7);
        assertThat(CheckOutcome.of(9, 2, 0, 7).knowsLessThan(before))
                .as("only those found since")
                .isTrue();
        assertThat(CheckOutcome.of(9, 0, 7, 2).knowsLessThan(before))
                .as("judged otherwise now")
                .isFalse();
        assertThat(before.knowsLessThan(before)).isFalse();
    }

    @Test
    void there_are_never_more_outcomes_than_flowers() {
        assertThatThrownBy(() -> CheckOutcome.of(9, 5, 4, 1))
                .hasMessageContaining("makes 10, but only 9 flowers were pollinated");
        assertThatThrownBy(() -> CheckOutcome.of(9, Integer.MAX_VALUE, 4, 1)).hasMessageContaining("only 9");
        assertThatThrownBy(() -> CheckOutcome.of(9, -1, 4, 1)).hasMessageContaining("taken: is -1");
        assertThatThrownBy(() -> CheckOutcome.of(9, 0, 0, 0)).hasMessageContaining("give at least one number");
    }

    private static LocalDate due(List<CheckCalendar.Check> checked) {
        return CheckCalendar.next(CHERIMOYA, DONE, checked).orElseThrow().due();
    }
}
