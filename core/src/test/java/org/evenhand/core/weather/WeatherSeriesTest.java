package org.evenhand.core.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

class WeatherSeriesTest {
    private static final Site COAST = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
    private static final Instant START = Instant.parse("2026-11-20T11:00:00Z");
    private static final DailyTemperatures USUAL = new DailyTemperatures(14, 24);

    @Test
    void a_gap_of_six_hours_is_bridged_and_one_of_seven_is_not() {
        Map<Instant, WeatherSeries.Measured> hours = new HashMap<>();
        measured(hours, 0, 10, 80);
        measured(hours, 7, 17, 66);
        measured(hours, 15, 12, 70);

        WeatherSeries air = air(hours, Map.of(), Map.of());

        assertThat(air.sources().subList(0, 8))
                .containsExactly(
                        WeatherSource.MEASURED,
                        WeatherSource.BRIDGED,
                        WeatherSource.BRIDGED,
                        WeatherSource.BRIDGED,
                        WeatherSource.BRIDGED,
                        WeatherSource.BRIDGED,
                        WeatherSource.BRIDGED,
                        WeatherSource.MEASURED);
        assertThat(air.temperatures().celsiusAtHour(3)).isCloseTo(13, within(1e-9));
        assertThat(air.sources().subList(8, 15)).containsOnly(WeatherSource.USUAL);
        // 13 °C at 74 %: es = 1.498 kPa by FAO 56 equation 11, so 0.389 kPa is missing.
        assertThat(air.deficitAt(START.plus(Duration.ofHours(3))).orElseThrow()).isCloseTo(0.3895, within(5e-4));
        assertThat(air.deficitAt(START.plus(Duration.ofHours(10)))).isEmpty();
    }

    @Test
    void an_hour_takes_the_best_that_is_known_of_it() {
        LocalDate first = START.atZone(COAST.zone()).toLocalDate();
        DayRange day = new DayRange(new DailyTemperatures(3, 9), OptionalDouble.of(60));
        DayRange foreseen = new DayRange(new DailyTemperatures(20, 30), OptionalDouble.empty());
        Map<Instant, WeatherSeries.Measured> hours = new HashMap<>();
        measured(hours, 0, 11.5, 50);

        WeatherSeries air = air(hours, Map.of(first, day), Map.of(first, foreseen, first.plusDays(1), foreseen));

        assertThat(air.sourceAt(START.plusSeconds(60))).isEqualTo(WeatherSource.MEASURED);
        assertThat(air.sourceAt(START.plus(Duration.ofHours(10)))).isEqualTo(WeatherSource.DAILY);
        assertThat(air.temperatures().celsiusAtHour(10)).isBetween(3.0, 9.0);
        assertThat(air.sourceAt(START.plus(Duration.ofHours(30)))).isEqualTo(WeatherSource.FORECAST);
        assertThat(air.temperatures().celsiusAtHour(38)).isBetween(20.0, 30.1);
        assertThat(air.sourceAt(START.plus(Duration.ofHours(55)))).isEqualTo(WeatherSource.USUAL);
    }

    /** The day curve of one kind of day equals the curve of a day repeated: the two ways to the same hours. */
    @Test
    void days_that_are_all_alike_are_the_usual_day() {
        WeatherSeries air = air(Map.of(), Map.of(), Map.of());

        HourlyTemperatures usual = USUAL.repeated(COAST, START, 72);
        for (int h = 0; h <= 72; h++) {
            assertThat(air.temperatures().celsiusAtHour(h)).isCloseTo(usual.celsiusAtHour(h), within(1e-12));
        }
    }

    static java.util.stream.Stream<Long> seeds() {
        return org.evenhand.core.Cases.seeds();
    }

    /** Random holes in the record: which hours are bridged, by a rule written down a second time. */
    @org.junit.jupiter.params.ParameterizedTest
    @org.junit.jupiter.params.provider.MethodSource("seeds")
    void exactly_the_short_holes_between_measured_hours_are_bridged(long seed) {
        java.util.SplittableRandom random = new java.util.SplittableRandom(seed);
        Map<Instant, WeatherSeries.Measured> hours = new HashMap<>();
        boolean[] there = new boolean[73];
        for (int h = 0; h <= 72; h++) {
            there[h] = random.nextInt(4) == 0;
            if (there[h]) {
                measured(hours, h, 10 + random.nextInt(10), 60);
            }
        }

        WeatherSeries air = air(hours, Map.of(), Map.of());

        for (int h = 0; h <= 72; h++) {
            int before = h;
            int after = h;
            while (before >= 0 && !there[before]) {
                before--;
            }
            while (after <= 72 && !there[after]) {
                after++;
            }
            boolean hole = before >= 0 && after <= 72 && after - before - 1 <= 6;
            WeatherSource expected =
                    there[h] ? WeatherSource.MEASURED : hole ? WeatherSource.BRIDGED : WeatherSource.USUAL;
            assertThat(air.sources().get(h)).as("hour %d", h).isEqualTo(expected);
        }
    }

    /** Under cover nothing from outside counts; in the open what is not known of the part is the place's. */
    @Test
    void a_part_has_its_own_air_and_under_cover_none_of_the_places() {
        Map<Instant, WeatherSeries.Measured> outside = new HashMap<>();
        Map<Instant, WeatherSeries.Measured> inside = new HashMap<>();
        measured(outside, 3, 4, 90);
        measured(outside, 30, 5, 80);
        measured(inside, 3, 18, 60);
        WeatherSeries.Known place = new WeatherSeries.Known(TypicalYear.always(USUAL), outside, Map.of(), Map.of());
        WeatherSeries.Known own = new WeatherSeries.Known(TypicalYear.always(USUAL), inside, Map.of(), Map.of());
        DailyTemperatures warm = new DailyTemperatures(20, 30);

        WeatherSeries open = WeatherSeries.of(COAST, place.ofPart(false, Optional.empty(), own), START, 72);
        assertThat(open.temperatures().celsiusAtHour(3)).isEqualTo(18);
        assertThat(open.temperatures().celsiusAtHour(30)).isEqualTo(5);
        assertThat(open.temperatures().celsiusAtHour(50))
                .isEqualTo(
                        WeatherSeries.of(COAST, place, START, 72).temperatures().celsiusAtHour(50));

        WeatherSeries covered = WeatherSeries.of(COAST, place.ofPart(true, Optional.of(warm), own), START, 72);
        assertThat(covered.temperatures().celsiusAtHour(3)).isEqualTo(18);
        assertThat(covered.sources().get(30)).isEqualTo(WeatherSource.USUAL);
        assertThat(covered.temperatures().celsiusAtHour(30)).isBetween(20.0, 30.0);
        WeatherSeries guessed = WeatherSeries.of(COAST, place.ofPart(true, Optional.empty(), own), START, 72);
        assertThat(guessed.temperatures().celsiusAtHour(30)).isBetween(15.0, 24.0);
    }

    @Test
    void polar_day_and_night_have_hours_too() {
        Site north = new Site(78.2, 15.6, ZoneId.of("Arctic/Longyearbyen"));
        for (String date : new String[] {"2026-06-21T00:00:00Z", "2026-12-21T00:00:00Z"}) {
            WeatherSeries air = WeatherSeries.of(
                    north, WeatherSeries.Known.onlyUsual(new DailyTemperatures(-8, 2)), Instant.parse(date), 48);
            for (double celsius : air.temperatures().toArray()) {
                assertThat(celsius).isBetween(-8.01, 2.01);
            }
        }
    }

    private static void measured(
            Map<Instant, WeatherSeries.Measured> hours, int hour, double celsius, double humidity) {
        hours.put(START.plus(Duration.ofHours(hour)), new WeatherSeries.Measured(celsius, OptionalDouble.of(humidity)));
    }

    private static WeatherSeries air(
            Map<Instant, WeatherSeries.Measured> hours,
            Map<LocalDate, DayRange> days,
            Map<LocalDate, DayRange> forecast) {
        return WeatherSeries.of(
                COAST, new WeatherSeries.Known(TypicalYear.always(USUAL), hours, days, forecast), START, 72);
    }
}
