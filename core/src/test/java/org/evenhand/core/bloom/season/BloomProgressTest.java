package org.evenhand.core.bloom.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class BloomProgressTest {
    private static final Site PLACE = new Site(47.5, 8.7, ZoneId.of("Europe/Zurich"));
    private static final LocalDate APRIL = LocalDate.of(2026, 4, 1);

    @Test
    void pawpaw_is_female_about_a_week_before_it_is_male() {
        BloomProgress course = course("pawpaw", 0, 8, 20);

        LocalDate female = course.receives().orElseThrow().first();
        LocalDate male = course.sheds().orElseThrow().first();
        assertThat(male.toEpochDay() - female.toEpochDay()).isBetween(4L, 10L);
        assertThat(course.receptive().values()).allMatch(s -> s <= 1).anyMatch(s -> s > 0.999);
    }

    @Test
    void varieties_that_meet_give_fresh_pollen_on_the_days_they_share() {
        Overlap overlap = Overlap.of(course("apple", 0, 6, 14), course("apple", 8, 14, 22));

        assertThat(overlap.kind()).isEqualTo(Overlap.Kind.FRESH);
        BloomProgress.Days fresh = overlap.fresh().orElseThrow();
        assertThat(fresh.first()).isBetween(APRIL.plusDays(8), APRIL.plusDays(10));
        assertThat(fresh.last()).isBetween(APRIL.plusDays(14), APRIL.plusDays(20));
    }

    @Test
    void the_early_ones_pollen_is_kept_for_the_late_one_and_the_late_ones_for_next_year() {
        BloomProgress early = course("apple", 0, 4, 8);
        BloomProgress late = course("apple", 30, 34, 38);

        Overlap kept = Overlap.of(early, late);
        Overlap lastYears = Overlap.of(late, early);

        assertThat(kept.kind()).isEqualTo(Overlap.Kind.KEEP);
        assertThat(kept.keepDays()).isBetween(15, 24);
        assertThat(lastYears.kind()).isEqualTo(Overlap.Kind.LAST_YEARS);
        assertThat((double) lastYears.keepDays()).isCloseTo(365 - 42, within(6.0));
    }

    @Test
    void a_female_plant_never_gives() {
        Overlap overlap = Overlap.of(course("kiwifruit-female", 0, 4, 8), course("kiwifruit-female", 0, 4, 8));

        assertThat(overlap.kind()).isEqualTo(Overlap.Kind.NEVER);
    }

    static java.util.stream.Stream<String> crops() {
        return CropSheets.shipped().all().stream().map(CropSheet::key);
    }

    /** A season moved by some days moves its course by as many, and whoever meets still meets. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("crops")
    void every_crops_course_has_one_best_day_and_lies_in_its_season(String crop) {
        BloomProgress course = course(crop, 3, 10, 20);
        CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();

        assertThat(course.receives().isPresent()).isEqualTo(sheet.receives());
        assertThat(course.sheds().isPresent()).isEqualTo(sheet.sheds());
        for (var side : java.util.List.of(course.receptive(), course.shedding())) {
            if (!side.isEmpty()) {
                assertThat(side.firstKey()).isAfterOrEqualTo(APRIL.plusDays(3));
                assertThat(side.lastKey()).isBeforeOrEqualTo(APRIL.plusDays(20 + 21));
                assertThat(side.values().stream().mapToDouble(v -> v).max().orElseThrow())
                        .isCloseTo(1, within(1e-9));
            }
        }
        if (sheet.receives() && sheet.sheds()) {
            assertThat(Overlap.of(course, course).kind()).isEqualTo(Overlap.Kind.FRESH);
        }
    }

    @Test
    void days_out_of_order_are_refused() {
        assertThatThrownBy(() -> course("apple", 5, 3, 8)).hasMessageContaining("from first over full to last");
    }

    private static BloomProgress course(String crop, int first, int full, int last) {
        CropSheet sheet = CropSheets.shipped().find(crop).orElseThrow();
        Instant start = APRIL.atStartOfDay(PLACE.zone()).toInstant();
        HourlyTemperatures air = new DailyTemperatures(8, 18).repeated(PLACE, start, 24 * 90);
        Instant until = APRIL.plusDays(80).atStartOfDay(PLACE.zone()).toInstant();
        BudSupply clock = BudSupply.of(sheet, BloomConditions.of(sheet, PLACE, air, until), start);
        return BloomProgress.of(clock, PLACE.zone(), APRIL.plusDays(first), APRIL.plusDays(full), APRIL.plusDays(last));
    }
}
