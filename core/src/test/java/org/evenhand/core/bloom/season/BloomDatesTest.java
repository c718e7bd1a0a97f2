package org.evenhand.core.bloom.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.bloom.season.BloomDates.PastSeason;
import org.evenhand.core.weather.WinterRest;
import org.junit.jupiter.api.Test;

class BloomDatesTest {
    private static final double CHILL = 30;
    private static final double HEAT = 5000;

    /** Years made by the rule itself, springs warm and cold: the rule is found and foresees a year it has not seen. */
    @Test
    void where_heat_decides_it_is_found_and_foresees_an_odd_year() {
        List<PastSeason> past = new ArrayList<>();
        for (int year = 2018; year < 2024; year++) {
            past.add(season(year, 2.5 * Math.sin(year * 2.1)));
        }
        PastSeason odd = season(2024, 4);

        double[] known = java.util.Arrays.copyOf(odd.hourlyC().orElseThrow(), (odd.day() - 12) * 24);
        BloomDates dates = BloomDates.of(past, odd.seasonStart(), known, Optional.of(CHILL))
                .orElseThrow();
        BloomDates calendar = BloomDates.of(
                        past.stream().map(BloomDatesTest::withoutWeather).toList(),
                        odd.seasonStart(),
                        known,
                        Optional.of(CHILL))
                .orElseThrow();

        assertThat(dates.method()).isEqualTo(BloomDates.Method.CHILL_THEN_HEAT);
        assertThat(dates.errorDays()).isLessThan(calendar.errorDays());
        assertThat(odd.bloom().toEpochDay())
                .isBetween(dates.earliest().toEpochDay(), dates.latest().toEpochDay());
        assertThat(calendar.method()).isEqualTo(BloomDates.Method.CALENDAR);
        assertThat(Math.abs(odd.bloom().toEpochDay() - calendar.expected().toEpochDay()))
                .as("the mean day is further off in an odd year")
                .isGreaterThan(3);
    }

    /** Days 100, 104, 98, 102 of the season: mean 101; each left out, the others foresee 101⅓, 100, 102, 100⅔. */
    @Test
    void the_calendar_gives_the_mean_day_and_students_interval() {
        LocalDate[] blooms = {day(2020, 100), day(2021, 104), day(2022, 98), day(2023, 102)};
        List<PastSeason> past = new ArrayList<>();
        for (LocalDate bloom : blooms) {
            past.add(new PastSeason(LocalDate.of(bloom.getYear() - 1, 11, 1), bloom, Optional.empty()));
        }

        BloomDates dates = BloomDates.of(past, LocalDate.of(2023, 11, 1), new double[0], Optional.empty())
                .orElseThrow();

        assertThat(dates.expected()).isEqualTo(LocalDate.of(2023, 11, 1).plusDays(101));
        // Student's t with 3 degrees of freedom at 90 % is 1.638, by the tables; a fifth more as the smaller error was
        // chosen.
        assertThat(dates.errorDays()).isCloseTo(Math.sqrt((16 / 9.0 + 16 + 16 + 16 / 9.0) / 4), within(1e-9));
        long half = dates.latest().toEpochDay() - dates.expected().toEpochDay();
        assertThat((double) half).isCloseTo(1.638 * 1.2 * dates.errorDays(), within(0.51));
        assertThat(dates.expected().toEpochDay() - dates.earliest().toEpochDay())
                .isEqualTo(half);
        assertThat(dates.years()).isEqualTo(4);
    }

    @Test
    void one_year_foresees_nothing_and_a_bloom_before_its_season_is_refused() {
        PastSeason one = new PastSeason(LocalDate.of(2022, 11, 1), LocalDate.of(2023, 4, 1), Optional.empty());

        assertThat(BloomDates.of(List.of(one), LocalDate.of(2023, 11, 1), new double[0], Optional.empty()))
                .isEmpty();
        assertThatThrownBy(() -> new PastSeason(LocalDate.of(2022, 11, 1), LocalDate.of(2022, 10, 1), Optional.empty()))
                .hasMessageContaining("before the season began");
    }

    @Test
    void a_winter_too_warm_for_the_chill_falls_back_to_the_calendar() {
        List<PastSeason> past = new ArrayList<>();
        for (int year = 2018; year < 2023; year++) {
            past.add(season(year, year % 2));
        }
        double[] tropics = new double[24 * 330];
        java.util.Arrays.fill(tropics, 27);

        BloomDates dates = BloomDates.of(past, LocalDate.of(2023, 11, 1), tropics, Optional.of(CHILL))
                .orElseThrow();

        assertThat(dates.method()).isEqualTo(BloomDates.Method.CALENDAR);
    }

    private static LocalDate day(int year, int dayOfSeason) {
        return LocalDate.of(year - 1, 11, 1).plusDays(dayOfSeason);
    }

    private static PastSeason withoutWeather(PastSeason s) {
        return new PastSeason(s.seasonStart(), s.bloom(), Optional.empty());
    }

    /** A northern winter and spring, the spring warmer or colder by some degrees; bloom by chill, then heat. */
    private static PastSeason season(int year, double springWarmer) {
        SplittableRandom random = new SplittableRandom(year);
        double[] hours = new double[24 * 330];
        for (int h = 0; h < hours.length; h++) {
            double day = h / 24.0;
            double mean = 9 - 7 * Math.sin(Math.PI * Math.min(day, 180) / 180) + (day > 120 ? (day - 120) * 0.08 : 0);
            hours[h] = mean
                    + 4 * Math.sin(2 * Math.PI * (h - 9) / 24)
                    + (day > 100 ? springWarmer : 0)
                    + random.nextDouble()
                    - 0.5;
        }
        WinterRest chill = new WinterRest();
        WinterRest warm = new WinterRest();
        int h = 0;
        while (warm.growingDegreeHours() < HEAT) {
            (chill.chillPortions() < CHILL ? chill : warm).hour(hours[h++]);
        }
        LocalDate start = LocalDate.of(year - 1, 11, 1);
        return new PastSeason(start, start.plusDays((h - 1) / 24), Optional.of(hours));
    }

    /** What comes after today is never looked at: the same winter up to today foresees the same, whatever spring follows. */
    @Test
    void past_years_are_foreseen_as_of_the_same_day_so_that_the_error_shrinks_as_spring_comes() {
        List<PastSeason> past = new ArrayList<>();
        for (int year = 2014; year < 2024; year++) {
            past.add(season(year, 2.5 * Math.sin(year * 2.1)));
        }
        PastSeason now = season(2024, 1);
        double early = errorAsOf(past, now, 92);
        double late = errorAsOf(past, now, now.day() - 8);

        assertThat(late).isLessThan(early / 2);
    }

    private static double errorAsOf(List<PastSeason> past, PastSeason now, int day) {
        return BloomDates.of(
                        past,
                        now.seasonStart(),
                        java.util.Arrays.copyOf(now.hourlyC().orElseThrow(), day * 24),
                        Optional.of(CHILL))
                .orElseThrow()
                .errorDays();
    }

    @Test
    void what_has_not_flowered_by_today_is_not_foreseen_before_today() {
        List<PastSeason> past = new ArrayList<>();
        for (int year = 2018; year < 2024; year++) {
            past.add(withoutWeather(season(year, 0)));
        }
        LocalDate start = LocalDate.of(2023, 11, 1);

        BloomDates before =
                BloomDates.of(past, start, new double[0], Optional.empty()).orElseThrow();
        int lastDay = (int) (before.latest().toEpochDay() - start.toEpochDay());
        BloomDates dates = BloomDates.of(past, start, new double[24 * lastDay], Optional.empty())
                .orElseThrow();
        BloomDates over = BloomDates.of(past, start, new double[24 * (lastDay + 30)], Optional.empty())
                .orElseThrow();

        assertThat(dates.earliest()).isEqualTo(start.plusDays(lastDay));
        assertThat(dates.expected()).isEqualTo(start.plusDays(lastDay));
        assertThat(over.expected()).as("long over, it flowered unseen").isEqualTo(before.expected());
    }
}
