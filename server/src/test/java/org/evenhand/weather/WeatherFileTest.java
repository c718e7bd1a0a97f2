package org.evenhand.weather;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Locale;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class WeatherFileTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");

    @Test
    void columns_may_come_in_any_order_with_others_between_them() {
        WeatherFile file = WeatherFile.read(
                "\uFEFFwind,Humidity,TIME,temperature_f\n3,50,2026-11-24 15:00,68\n\n4,,2026-11-24T16:00+13:00,50\n",
                ZONE);

        assertThat(file.bad()).isEmpty();
        assertThat(file.kind()).isEqualTo(WeatherKind.HOURS);
        assertThat(file.hours().get(0).at()).isEqualTo(Instant.parse("2026-11-24T02:00:00Z"));
        assertThat(file.hours().get(0).celsius()).isCloseTo(20, within(1e-9));
        assertThat(file.hours().get(0).humidity()).isEqualTo(50);
        assertThat(file.hours().get(1).at()).isEqualTo(Instant.parse("2026-11-24T03:00:00Z"));
        assertThat(file.hours().get(1).humidity()).isNull();
    }

    @ParameterizedTest
    @ValueSource(strings = {",", ";", "\t"})
    void whatever_is_written_is_read_back(String separator) {
        SplittableRandom random = new SplittableRandom(4);
        StringBuilder csv = new StringBuilder(String.join(separator, "date", "min_c", "max_c", "humidity") + "\n");
        LocalDate first = LocalDate.of(2024, 2, 20);
        double[][] days = new double[400][];
        for (int d = 0; d < days.length; d++) {
            double low = Math.round(random.nextDouble() * 300) / 10.0 - 15;
            days[d] = new double[] {low, low + Math.round(random.nextDouble() * 150) / 10.0, random.nextInt(101)};
            String row = String.format(
                    Locale.ROOT, "%s|%.1f|%.1f|%.0f%n", first.plusDays(d), days[d][0], days[d][1], days[d][2]);
            csv.append((separator.equals(";") ? row.replace('.', ',') : row).replace("|", separator));
        }

        WeatherFile file = WeatherFile.read(csv.toString(), ZONE);

        assertThat(file.bad()).isEmpty();
        assertThat(file.days()).hasSize(days.length);
        for (int d = 0; d < days.length; d++) {
            WeatherFile.Day day = file.days().get(d);
            assertThat(day.date()).isEqualTo(first.plusDays(d));
            assertThat(day.minimumC()).isCloseTo(days[d][0], within(0.051));
            assertThat(day.maximumC()).isCloseTo(days[d][1], within(0.051));
            assertThat(day.humidity()).isEqualTo(days[d][2]);
        }
    }

    @Test
    void the_hour_that_comes_twice_in_autumn_is_taken_once_and_told_apart_by_its_offset() {
        WeatherFile once = WeatherFile.read("time,temperature_c\n2026-04-05T02:00,9\n2026-04-05T02:00,8\n", ZONE);
        WeatherFile both =
                WeatherFile.read("time,temperature_c\n2026-04-05T02:00+13:00,9\n2026-04-05T02:00+12:00,8\n", ZONE);

        assertThat(once.hours()).hasSize(1);
        assertThat(once.bad()).hasSize(1);
        assertThat(both.hours()).hasSize(2);
        assertThat(Duration.between(
                        both.hours().get(0).at(), both.hours().get(1).at()))
                .isEqualTo(Duration.ofHours(1));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "time,date,temperature_c~1,2,3|'time' for hours or 'date' for days",
                "time,temperature_c,temperature_f~1,2,3|exactly one of the columns",
                "date,min_c~1,2|'max_c'",
            })
    void a_head_that_cannot_be_understood_is_refused_as_a_whole(String csv, String says) {
        assertThatThrownBy(() -> WeatherFile.read(csv.replace('~', '\n'), ZONE))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining(says);
    }

    /** The stand-in posts what could be: warm by day, damp by night, and the same for the same seed. */
    @Test
    void the_stand_in_makes_up_plausible_air() {
        StationStandIn station = new StationStandIn(7, new Site(-35.3, 173.9, ZONE), new DailyTemperatures(14, 24));
        Instant until = Instant.parse("2026-11-24T02:40:00Z");

        var hours = station.hours(until, 240);

        assertThat(hours).hasSize(240);
        assertThat(hours.get(239).at()).isEqualTo(Instant.parse("2026-11-24T02:00:00Z"));
        assertThat(hours).allSatisfy(h -> {
            assertThat(h.celsius()).isBetween(9.0, 30.0);
            assertThat(h.humidity()).isBetween(15.0, 100.0);
        });
        assertThat(new StationStandIn(7, new Site(-35.3, 173.9, ZONE), new DailyTemperatures(14, 24)).hours(until, 240))
                .isEqualTo(hours);
    }
}
