package org.evenhand.core.bloom.forecast;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.stream.Stream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Phase;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What growers know of each crop's hours must come out of its sheet and the clock: a steady supply of buds on a warm day. */
class HoursOfTheCropsTest {
    private static final Site PLACE = new Site(-25, 152, ZoneId.of("Australia/Brisbane"));
    private static final LocalDate DAY = LocalDate.of(2026, 11, 24);
    private static final DailyTemperatures WARM = new DailyTemperatures(18, 28);

    static Stream<CropSheet> sheets() {
        return CropSheets.shipped().all().stream();
    }

    @Test
    void dragon_fruit_is_open_at_night_only_and_gives_what_it_takes() {
        assertThat(receptive("dragon-fruit", 22)).isGreaterThan(10 * receptive("dragon-fruit", 14));
        assertThat(receptive("dragon-fruit", 22)).isEqualTo(shedding("dragon-fruit", 22));
        assertThat(receptive("dragon-fruit", 10))
                .as("closed by mid-morning")
                .isLessThan(0.15 * receptive("dragon-fruit", 22));
    }

    @Test
    void avocados_of_type_a_are_female_in_the_morning_and_male_in_the_afternoon_and_b_the_other_way_round() {
        assertThat(receptive("avocado-a", 9)).isGreaterThan(4 * receptive("avocado-a", 16));
        assertThat(shedding("avocado-a", 15)).isGreaterThan(4 * shedding("avocado-a", 9));
        assertThat(receptive("avocado-b", 15)).isGreaterThan(4 * receptive("avocado-b", 9));
        assertThat(shedding("avocado-b", 9)).isGreaterThan(4 * shedding("avocado-b", 16));
    }

    @Test
    void cherimoya_sheds_from_the_late_afternoon_on() {
        assertThat(shedding("cherimoya", 19)).isGreaterThan(1.8 * shedding("cherimoya", 13));
    }

    @Test
    void sugar_apple_gives_before_sunrise_what_it_no_longer_gives_at_noon_and_atemoya_begins_earlier() {
        assertThat(shedding("sugar-apple", 5)).isGreaterThan(2 * shedding("sugar-apple", 15));
        double sugarApple = shedding("sugar-apple", 17) / shedding("sugar-apple", 23);
        double atemoya = shedding("atemoya", 17) / shedding("atemoya", 23);
        assertThat(atemoya).isGreaterThan(sugarApple);
    }

    @Test
    void early_in_the_season_pawpaw_is_nearly_all_female() {
        CropSheet pawpaw = sheet("pawpaw");
        BudSupply supply = supply(pawpaw);
        FlowerState opened = supply.clock().entering(pawpaw.indexOf("female"), 100);
        double from = supply.hoursTo(at(6));
        double[] after = supply.advance(opened, from, from + 48).stageTotals();

        assertThat(after[pawpaw.indexOf("female")]).isGreaterThan(80);
        assertThat(after[pawpaw.indexOf("male")]).isLessThan(1);
    }

    @ParameterizedTest
    @MethodSource("sheets")
    void every_crop_opens_and_passes_on_under_a_steady_supply(CropSheet sheet) {
        double[] totals = supply(sheet).at(supply(sheet).hoursTo(at(12))).stageTotals();
        double most = 0;
        double least = 0;
        for (int hour = 0; hour < 24; hour++) {
            most = Math.max(most, sheet.receives() ? flowers(sheet, hour, true) : flowers(sheet, hour, false));
            least += totals[totals.length - 1];
        }
        assertThat(most).as("flowers at their best hour").isGreaterThan(0.5);
        assertThat(least).as("flowers past it").isPositive();
        for (int hour = 0; hour < 24; hour += 6) {
            assertThat(sheet.sheds() || flowers(sheet, hour, false) == 0).isTrue();
            assertThat(sheet.receives() || flowers(sheet, hour, true) == 0).isTrue();
        }
    }

    private static double receptive(String crop, int hour) {
        return flowers(sheet(crop), hour, true);
    }

    private static double shedding(String crop, int hour) {
        return flowers(sheet(crop), hour, false);
    }

    private static double flowers(CropSheet sheet, int hour, boolean receptive) {
        BudSupply supply = supply(sheet);
        double[] totals = supply.at(supply.hoursTo(at(hour))).stageTotals();
        double sum = 0;
        for (int s = 0; s < sheet.stages().size(); s++) {
            Phase phase = sheet.stages().get(s).phase();
            sum += (receptive ? phase.receives() : phase.sheds()) ? totals[s] : 0;
        }
        return sum;
    }

    private static final java.util.Map<String, BudSupply> SUPPLIES = new java.util.concurrent.ConcurrentHashMap<>();

    private static BudSupply supply(CropSheet sheet) {
        return SUPPLIES.computeIfAbsent(sheet.key(), k -> {
            Instant start = at(0).minus(BudSupply.warmUp(sheet));
            int hours = (int) Duration.between(start, at(0)).toHours() + 72;
            Instant until = at(0).plus(Duration.ofHours(30));
            return BudSupply.of(
                    sheet, BloomConditions.of(sheet, PLACE, WARM.repeated(PLACE, start, hours), until), until);
        });
    }

    private static Instant at(int hour) {
        return DAY.atTime(hour, 0).atZone(PLACE.zone()).toInstant();
    }

    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }
}
