package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TypicalYearTest {
    private static final List<DailyTemperatures> MONTHS = IntStream.rangeClosed(1, 12)
            .mapToObj(m -> new DailyTemperatures(m, 10 + 2 * m))
            .toList();

    /** By hand: January's middle is its 16th at noon; the first of July lies half way between June's and July's middle. */
    @ParameterizedTest
    @CsvSource({"2026-01-16, 1, 12", "2026-07-01, 6.516, 23.03", "2026-12-31, 6.677, 23.35", "2027-01-01, 6.323, 22.65"
    })
    void a_day_lies_between_the_middles_of_its_months(LocalDate date, double low, double high) {
        DailyTemperatures day = new TypicalYear(MONTHS).on(date);
        assertThat(day.minimumC()).isCloseTo(low, within(0.01));
        assertThat(day.maximumC()).isCloseTo(high, within(0.01));
    }

    @Test
    void it_has_no_jumps_and_one_day_stands_for_all() {
        TypicalYear year = new TypicalYear(MONTHS);
        for (LocalDate d = LocalDate.of(2027, 1, 1); d.isBefore(LocalDate.of(2029, 1, 1)); d = d.plusDays(1)) {
            double step = year.on(d.plusDays(1)).minimumC() - year.on(d).minimumC();
            assertThat(Math.abs(step)).as("%s", d).isLessThan(0.4);
        }
        DailyTemperatures day = new DailyTemperatures(3, 9);
        assertThat(TypicalYear.always(day).on(LocalDate.of(2027, 8, 3))).isEqualTo(day);
        assertThatThrownBy(() -> new TypicalYear(MONTHS.subList(0, 5))).hasMessageContaining("are 5; give all 12");
    }

    @Test
    void a_guess_keeps_the_known_month_turns_with_the_hemisphere_and_is_flat_at_the_equator() {
        DailyTemperatures spring = new DailyTemperatures(10, 20);
        TypicalYear south = TypicalYear.guess(new Site(-35, 174, ZoneId.of("UTC")), Month.NOVEMBER, spring);
        TypicalYear north = TypicalYear.guess(new Site(35, 0, ZoneId.of("UTC")), Month.MAY, spring);
        assertThat(south.months().get(10)).isEqualTo(spring);
        for (int m = 0; m < 12; m++) {
            assertThat(north.months().get(m).minimumC())
                    .as("rounded to tenths")
                    .isCloseTo(south.months().get((m + 6) % 12).minimumC(), within(0.11));
            assertThat(south.months().get(m).maximumC() - south.months().get(m).minimumC())
                    .isCloseTo(10, within(1e-9));
        }
        assertThat(south.months().get(0).minimumC() - south.months().get(6).minimumC())
                .as("twice 0.18 a degree")
                .isCloseTo(2 * 0.18 * 35, within(0.11));
        assertThat(TypicalYear.guess(new Site(0, 0, ZoneId.of("UTC")), Month.MAY, spring)
                        .months())
                .containsOnly(spring);
    }

    /** Means of January and July of low-lying cities, °C, rounded, from memory of published climate normals. */
    @ParameterizedTest
    @CsvSource({
        "Malaga, 36.7, 12, 25",
        "Auckland, -36.8, 20, 11",
        "Bangkok, 13.7, 27, 29",
        "Bordeaux, 44.8, 7, 21",
        "Berlin, 52.5, 1, 19",
        "Darwin, -12.5, 28, 25",
        "Portland, 45.5, 5, 21",
    })
    void a_guess_from_the_latitude_alone_is_rough_but_no_nonsense(
            String city, double latitude, double january, double july) {
        TypicalYear guess = TypicalYear.guess(new Site(latitude, 0, ZoneId.of("UTC")));
        assertThat(mean(guess, Month.JANUARY)).as(city).isCloseTo(january, within(5.0));
        assertThat(mean(guess, Month.JULY)).as(city).isCloseTo(july, within(5.0));
    }

    private static double mean(TypicalYear year, Month month) {
        DailyTemperatures day = year.months().get(month.getValue() - 1);
        return (day.minimumC() + day.maximumC()) / 2;
    }
}
