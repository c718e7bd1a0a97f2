package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.planning.WorkingHours.TimeWindow;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class VisitTimesTest {
    private static final Site COAST = new Site(-33.4, 151.3, ZoneId.of("Australia/Sydney"));
    /** Noon by the clock there; sunset is at 19:46, sunrise at 05:38 (an almanac's minutes differ by less than ten). */
    private static final Instant NOON = Instant.parse("2026-11-28T01:00:00Z");

    private static final List<Instant> MOMENTS =
            IntStream.rangeClosed(0, 96).mapToObj(VisitTimesTest::at).toList();

    private static Instant at(int halfHours) {
        return NOON.plus(Duration.ofMinutes(30L * halfHours));
    }

    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }

    private static VisitTimes.OfCrop crop(String crop, IntToDoubleFunction receptive) {
        return new VisitTimes.OfCrop(
                WorkHours.of(sheet(crop), COAST, NOON, at(96)),
                IntStream.rangeClosed(0, 96).mapToDouble(receptive).toArray(),
                new double[97],
                true);
    }

    @Test
    void every_crop_has_hours_and_a_night_crop_has_them_by_night() {
        for (CropSheet sheet : CropSheets.shipped().all()) {
            List<TimeWindow> hours = WorkHours.of(sheet, COAST, NOON, at(96));
            assertThat(hours).as(sheet.key()).isNotEmpty();
            assertThat(hours).allSatisfy(h -> assertThat(h.until()).isAfter(h.from()));
        }
        TimeWindow first =
                WorkHours.of(sheet("dragon-fruit"), COAST, NOON, at(96)).get(0);
        assertThat(first.from())
                .isBetween(Instant.parse("2026-11-28T09:05:00Z"), Instant.parse("2026-11-28T09:25:00Z"));
        TimeWindow apple = WorkHours.of(sheet("apple"), COAST, NOON, at(96)).get(0);
        assertThat(apple.until())
                .isBetween(Instant.parse("2026-11-28T08:36:00Z"), Instant.parse("2026-11-28T08:56:00Z"));
    }

    /** The sun does not set there in June and does not rise in December: the clock stands in. */
    @Test
    void polar_days_have_hours_by_the_clock() {
        Site north = new Site(78.2, 15.6, ZoneId.of("Arctic/Longyearbyen"));
        for (String day : List.of("2026-06-21T00:00:00Z", "2026-12-21T00:00:00Z")) {
            Instant from = Instant.parse(day);
            List<TimeWindow> hours = WorkHours.of(sheet("apple"), north, from, from.plus(Duration.ofDays(1)));
            assertThat(hours).isNotEmpty();
            assertThat(hours.get(0).hours()).isEqualTo(11);
            assertThat(WorkHours.byClockFrom(sheet("apple"), north, from, from.plus(Duration.ofDays(1))))
                    .hasValueSatisfying(d -> assertThat(d).hasToString(day.substring(0, 10)));
        }
        assertThat(WorkHours.byClockFrom(sheet("apple"), COAST, NOON, at(96))).isEmpty();
    }

    /** By the rules that hold there: back by an hour at 03:00 on the first Sunday of April, forward at 02:00 on that of October. */
    @Test
    void clocks_change_when_their_place_says() {
        ZoneId zone = COAST.zone();
        assertThat(ClockChange.within(
                        zone, Instant.parse("2026-04-04T10:00:00Z"), Instant.parse("2026-04-04T16:01:00Z")))
                .hasValue(new ClockChange(Instant.parse("2026-04-04T16:00:00Z"), Duration.ofHours(-1)));
        assertThat(ClockChange.within(
                        zone, Instant.parse("2026-04-04T10:00:00Z"), Instant.parse("2026-04-04T16:00:00Z")))
                .isEmpty();
        assertThat(ClockChange.within(
                        zone, Instant.parse("2026-10-03T15:00:00Z"), Instant.parse("2026-10-03T17:00:00Z")))
                .hasValueSatisfying(c -> assertThat(c.back()).isFalse());
        assertThat(ClockChange.within(ZoneId.of("Asia/Bangkok"), NOON, NOON.plus(Duration.ofDays(3650))))
                .isEmpty();
    }

    /** Nobody told hours: one free stretch of two days. Apples by day, dragon fruit by night, and nothing at midnight for its own sake. */
    @Test
    void a_day_crop_and_a_night_crop_have_visits_of_their_own_in_one_free_stretch() {
        List<VisitTimes.Visit> visits = VisitTimes.of(
                List.of(new TimeWindow(NOON, at(48))),
                MOMENTS,
                List.of(crop("apple", i -> 10), crop("dragon-fruit", i -> i >= 16 && i < 36 ? 6 : 0)));
        assertThat(visits.get(0).at()).isEqualTo(NOON);
        assertThat(visits.get(0).until()).as("sunset").isBefore(at(16));
        assertThat(visits.get(1).at()).isBetween(at(16), at(18));
        assertThat(visits)
                .as("and at dawn for the one, an hour after sunrise for the other")
                .hasSize(4);
    }

    @Test
    void crops_whose_best_hours_lie_close_share_a_visit_and_told_hours_outside_all_windows_are_kept() {
        List<VisitTimes.OfCrop> two =
                List.of(crop("apple", i -> i < 5 ? 10 - i : 1), crop("pear", i -> i == 2 ? 20 : 3));
        List<VisitTimes.Visit> visits = VisitTimes.of(List.of(new TimeWindow(NOON, at(10))), MOMENTS, two);
        assertThat(visits).singleElement().satisfies(v -> assertThat(v.at()).isEqualTo(at(2)));

        TimeWindow night = new TimeWindow(at(20), at(24));
        assertThat(VisitTimes.of(List.of(night), MOMENTS, List.of(crop("apple", i -> 4))))
                .as("who tells such hours means them")
                .singleElement()
                .satisfies(v -> assertThat(v.at()).isEqualTo(at(20)));
        assertThat(VisitTimes.of(List.of(night), MOMENTS, List.of(crop("apple", i -> 0.2))))
                .isEmpty();
    }

    /** No jar: the visit waits for the first flower that sheds; what was shed before can be used later. */
    @Test
    void without_a_jar_nobody_is_sent_out_before_there_is_pollen() {
        double[] shedding = new double[97];
        shedding[11] = 3;
        VisitTimes.OfCrop cherimoya = new VisitTimes.OfCrop(
                WorkHours.of(sheet("cherimoya"), COAST, NOON, at(96)),
                IntStream.rangeClosed(0, 96).mapToDouble(i -> 20 - i * 0.1).toArray(),
                shedding,
                false);
        List<VisitTimes.Visit> visits =
                VisitTimes.of(List.of(new TimeWindow(NOON, at(48))), MOMENTS, List.of(cherimoya));
        assertThat(visits.get(0).at()).isEqualTo(at(11));
        assertThat(visits).as("next morning, with what was collected").hasSizeGreaterThan(1);
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void visits_lie_in_free_time_in_order_and_never_run_into_one_another(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<String> crops = List.of("apple", "cherimoya", "dragon-fruit", "avocado-a", "avocado-b");
        List<VisitTimes.OfCrop> of = crops.stream()
                .filter(c -> random.nextBoolean())
                .map(c -> crop(c, i -> random.nextInt(4) == 0 ? 0 : random.nextDouble() * 20))
                .toList();
        int split = 1 + random.nextInt(60);
        List<TimeWindow> free = List.of(new TimeWindow(at(0), at(split)), new TimeWindow(at(split + 3), at(96)));
        List<VisitTimes.Visit> visits = VisitTimes.of(free, MOMENTS, of);
        for (int v = 0; v < visits.size(); v++) {
            VisitTimes.Visit visit = visits.get(v);
            assertThat(visit.until()).isAfter(visit.at());
            assertThat(free).anySatisfy(f -> {
                assertThat(visit.at()).isAfterOrEqualTo(f.from());
                assertThat(visit.until()).isBeforeOrEqualTo(f.until());
            });
            assertThat(visit.at()).isEqualTo(MOMENTS.get(visit.moment()));
            if (v > 0) {
                assertThat(visits.get(v - 1).until()).isBeforeOrEqualTo(visit.at());
            }
        }
    }
}
