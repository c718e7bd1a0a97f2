package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.List;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Mark;
import org.evenhand.core.findings.Proportion;
import org.junit.jupiter.api.Test;

class FruitSetTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final LocalDate DONE = LocalDate.of(2026, 11, 12);

    @Test
    void the_first_look_is_due_on_the_crops_day_then_the_count_then_nothing() {
        assertThat(due(List.of())).isEqualTo(LocalDate.of(2026, 11, 19));
        assertThat(due(List.of(DONE.plusDays(3)))).isEqualTo(LocalDate.of(2026, 11, 19));
        assertThat(due(List.of(DONE.plusDays(8)))).isEqualTo(LocalDate.of(2026, 11, 24));
        assertThat(CheckCalendar.next(CHERIMOYA, DONE, List.of(DONE.plusDays(12))))
                .isEmpty();
    }

    @Test
    void a_mark_on_the_petals_is_gone_before_a_first_look_on_day_seven_and_no_other_mark_is() {
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, Mark.Lasts.PETALS)).hasValue(7);
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, Mark.Lasts.HARVEST)).isEmpty();
        assertThat(CheckCalendar.markGoneBefore(CHERIMOYA, null)).isEmpty();
    }

    @Test
    void the_set_rate_leaves_out_what_nobody_knows_yet() {
        CheckOutcome outcome = new CheckOutcome(14, 9, 2, 1);

        assertThat(outcome.setRate()).contains(new Proportion(9, 11));
        assertThat(outcome.notFound()).isEqualTo(2);
        assertThat(new CheckOutcome(5, 0, 0, 5).setRate()).isEmpty();
    }

    @Test
    void there_are_never_more_outcomes_than_flowers() {
        assertThatThrownBy(() -> new CheckOutcome(9, 5, 4, 1))
                .hasMessageContaining("makes 10, but only 9 flowers were pollinated");
        assertThatThrownBy(() -> new CheckOutcome(9, Integer.MAX_VALUE, 4, 1)).hasMessageContaining("only 9");
        assertThatThrownBy(() -> new CheckOutcome(9, -1, 4, 1)).hasMessageContaining("taken: is -1");
        assertThatThrownBy(() -> new CheckOutcome(9, 0, 0, 0)).hasMessageContaining("give at least one number");
    }

    private static LocalDate due(List<LocalDate> checked) {
        return CheckCalendar.next(CHERIMOYA, DONE, checked).orElseThrow().due();
    }
}
