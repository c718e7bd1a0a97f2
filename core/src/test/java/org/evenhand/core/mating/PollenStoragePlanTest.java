package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.junit.jupiter.api.Test;

class PollenStoragePlanTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final LocalDate START = LocalDate.of(2026, 10, 1);

    /** Flowers on every day from one to another. */
    private static BloomProgress course(int from, int until) {
        TreeMap<LocalDate, Double> days = new TreeMap<>();
        for (int d = from; d <= until; d++) {
            days.put(START.plusDays(d), 1.0);
        }
        return new BloomProgress(days, days);
    }

    private static PollenStoragePlan bridge(BloomProgress sheds, BloomProgress receives, int flowers) {
        return PollenStoragePlan.of(CHERIMOYA, false, sheds, receives, flowers, START, ZONE);
    }

    @Test
    void blooms_that_meet_need_no_bridge() {
        PollenStoragePlan bridge = bridge(course(0, 10), course(8, 20), 30);

        assertThat(bridge.kind()).isEqualTo(Overlap.Kind.FRESH);
        assertThat(bridge.choices()).isEmpty();
        assertThat(bridge.fresh().orElseThrow().first()).isEqualTo(START.plusDays(8));
        assertThat(bridge.days()).isZero();
    }

    @Test
    void pollen_is_collected_on_the_fathers_last_days_and_the_coldest_dry_keeping_comes_first() {
        PollenStoragePlan bridge = bridge(course(0, 10), course(20, 26), 30);

        assertThat(bridge.collect().orElseThrow().first()).isEqualTo(START.plusDays(7));
        assertThat(bridge.days()).isEqualTo(10);
        assertThat(bridge.choices())
                .extracting(PollenStoragePlan.Keeping::storage)
                .first()
                .isEqualTo(Storage.FREEZER);
        assertThat(bridge.choices())
                .isSortedAccordingTo(Comparator.comparingDouble(k -> -k.last().share()));
        // By hand: 3 h open at a half-life of 8 h, the rest of 16 days frozen at one of 2000 h; with a doubt of 0.3
        // about
        // the half-life the mean is a little more. The clocks go forward on no day between.
        double last = 0.5 * Math.pow(2, -3 / 8.0 - (16 * 24 - 3) / 2000.0);
        PollenStoragePlan.Keeping best = bridge.choices().get(0);
        assertThat(best.last().share()).isCloseTo(last, within(5e-3));
        assertThat(best.doses()).contains((int) Math.ceil(30 * 0.5 / best.last().share()));
        assertThat(best.flowersToCollect().orElseThrow().expected())
                .isEqualTo((int) Math.ceil(best.doses().orElseThrow() / 4.0));
    }

    @Test
    void keeping_that_leaves_nothing_alive_promises_no_doses() {
        PollenStoragePlan bridge = bridge(course(0, 10), course(40, 46), 30);

        PollenStoragePlan.Keeping room = bridge.choices().stream()
                .filter(k -> k.storage() == Storage.ROOM)
                .findFirst()
                .orElseThrow();
        assertThat(room.useful()).isFalse();
        assertThat(room.doses()).isEmpty();
        assertThat(room.flowersToCollect()).isEmpty();
    }

    @Test
    void a_father_who_flowers_later_serves_next_year() {
        PollenStoragePlan bridge = bridge(course(30, 40), course(0, 10), 30);

        assertThat(bridge.kind()).isEqualTo(Overlap.Kind.LAST_YEARS);
        assertThat(bridge.use().orElseThrow().first()).isEqualTo(START.plusYears(1));
        assertThat(bridge.days()).isEqualTo(325);
        assertThat(bridge.choices()).noneMatch(PollenStoragePlan.Keeping::useful);
    }

    @Test
    void days_that_are_over_are_not_planned_but_those_of_the_next_season() {
        LocalDate lastDay = START.plusDays(10);

        PollenStoragePlan still =
                PollenStoragePlan.of(CHERIMOYA, false, course(0, 10), course(20, 26), 30, lastDay, ZONE);
        PollenStoragePlan over =
                PollenStoragePlan.of(CHERIMOYA, false, course(0, 10), course(20, 26), 30, lastDay.plusDays(1), ZONE);

        assertThat(still.nextSeason()).isFalse();
        assertThat(still.collect().orElseThrow().last()).isEqualTo(lastDay);
        assertThat(over.nextSeason()).isTrue();
        assertThat(over.collect().orElseThrow().last()).isEqualTo(lastDay.plusYears(1));
        assertThat(over.use().orElseThrow().first())
                .isEqualTo(START.plusDays(20).plusYears(1));
        assertThat(over.days()).isEqualTo(still.days());
        PollenStoragePlan met =
                PollenStoragePlan.of(CHERIMOYA, false, course(0, 10), course(8, 20), 30, lastDay.plusDays(1), ZONE);
        assertThat(met.fresh().orElseThrow().first())
                .isEqualTo(START.plusDays(8).plusYears(1));
    }

    @Test
    void one_who_never_gives_never_serves() {
        BloomProgress nothing = new BloomProgress(new TreeMap<>(), new TreeMap<>());

        assertThat(bridge(nothing, course(0, 10), 30).kind()).isEqualTo(Overlap.Kind.NEVER);
        assertThat(List.of(bridge(nothing, course(0, 10), 30).choices())).containsExactly(List.of());
    }
}
