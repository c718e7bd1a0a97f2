package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Mark;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** When to look, over every crop there is, and where a fallen fruit can be from. */
class WhenToLookTest {
    private static final LocalDate DONE = LocalDate.of(2026, 3, 1);

    static Stream<CropSheet> crops() {
        return CropSheets.shipped().all().stream().filter(CropSheet::receives);
    }

    @ParameterizedTest
    @MethodSource("crops")
    void whoever_looks_whenever_it_is_due_comes_to_an_end_and_never_looks_twice_a_day(CropSheet sheet) {
        List<CheckCalendar.Check> checks = new ArrayList<>();
        LocalDate before = DONE;
        Optional<CheckCalendar.Due> due = CheckCalendar.next(sheet, DONE, checks);
        while (due.isPresent()) {
            assertThat(due.get().due()).as(sheet.key()).isAfter(before);
            assertThat(DONE.plusDays(due.get().day())).isEqualTo(due.get().due());
            before = due.get().due();
            checks.add(new CheckCalendar.Check(before, CheckOutcome.of(6, 4, 2, 0)));
            due = CheckCalendar.next(sheet, DONE, checks);
        }
        assertThat(checks).hasSameSizeAs(sheet.checks());
    }

    /** Petals hang five days as a rule: a mark in them is gone at the first check where that comes later. */
    @ParameterizedTest
    @MethodSource("crops")
    void a_mark_in_the_petals_goes_with_them(CropSheet sheet) {
        int first = sheet.checks().get(0).days();
        assertThat(CheckCalendar.petalsOn(4)).isTrue();
        assertThat(CheckCalendar.petalsOn(5)).isFalse();
        assertThat(CheckCalendar.markGoneBefore(sheet, Mark.Lasts.PETALS))
                .isEqualTo(first > 5 ? OptionalInt.of(first) : OptionalInt.empty());
        assertThat(CheckCalendar.markGoneBefore(sheet, Mark.Lasts.HARVEST)).isEmpty();
    }

    /** As long as somebody finds flowers that cannot be known they come back, and never sooner than five days but for a planned check. */
    @ParameterizedTest
    @MethodSource("crops")
    void what_is_not_known_comes_back_until_it_is(CropSheet sheet) {
        SplittableRandom random = new SplittableRandom(sheet.key().hashCode());
        List<CheckCalendar.Check> checks = new ArrayList<>();
        LocalDate first = DONE.plusDays(sheet.checks().get(0).days());
        checks.add(new CheckCalendar.Check(first, CheckOutcome.of(6, 3, 1, 2)));
        for (int i = 0; i < 5; i++) {
            CheckCalendar.Due due = CheckCalendar.next(sheet, DONE, checks).orElseThrow();
            LocalDate last = checks.get(checks.size() - 1).on();
            assertThat(due.due()).isAfter(last).isBeforeOrEqualTo(last.plusDays(5));
            checks.add(new CheckCalendar.Check(due.due().plusDays(random.nextInt(3)), CheckOutcome.of(6, 3, 1, 2)));
        }
        LocalDate late = checks.get(checks.size() - 1).on().plusDays(400);
        checks.add(new CheckCalendar.Check(late, CheckOutcome.of(6, 4, 2, 0)));
        assertThat(CheckCalendar.next(sheet, DONE, checks)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("crops")
    void fruit_takes_its_number_before_it_is_ripe(CropSheet sheet) {
        sheet.fruit().ifPresent(fruit -> {
            assertThat(fruit.numberAtDays().value())
                    .isLessThan(fruit.ripeAtDays().value());
            assertThat(fruit.numberAtDays().value() / fruit.ripeAtDays().value())
                    .as("about three quarters of the way")
                    .isBetween(0.55, 0.8);
        });
    }

    @Test
    void a_fallen_fruit_is_as_likely_of_each_source_as_fruit_hangs_there() {
        List<FallenFruit.Source> sources = List.of(
                new FallenFruit.Source("a", 6, false),
                new FallenFruit.Source("b", 2, false),
                new FallenFruit.Source("none", 0, false),
                new FallenFruit.Source("cut", 4, true));
        List<FallenFruit.Candidate> all = FallenFruit.candidates(sources, null);
        assertThat(all).extracting(c -> c.source().name()).containsExactly("a", "cut", "b");
        assertThat(all.stream().mapToDouble(FallenFruit.Candidate::share).sum()).isCloseTo(1, within(1e-12));
        assertThat(FallenFruit.candidates(sources, true))
                .extracting(FallenFruit.Candidate::share)
                .containsExactly(1.0);
        assertThat(FallenFruit.candidates(sources, false).get(0).share()).isEqualTo(0.75);
        assertThat(FallenFruit.candidates(List.of(), null)).isEmpty();
    }
}
