package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.evenhand.core.Cases.between;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.PollenViability.Stay;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PollenViabilityTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final Instant EVENING = Instant.parse("2026-11-24T05:00:00Z");

    @Test
    void it_halves_once_in_a_half_life_and_adds_up_over_moves() {
        List<Stay> stays = List.of(stay(0, Storage.ROOM), stay(4, Storage.FRIDGE_DESICCANT));

        PollenViability v = PollenViability.at(CHERIMOYA, stays, EVENING.plus(Duration.ofHours(52)));

        // 4 h of 8 at room, 48 h of 96 in the fridge: half a halving each.
        assertThat(v.halvings()).isCloseTo(1, within(1e-12));
        assertThat(v.share()).isCloseTo(0.25, within(1e-12));
        assertThat(v.hours()).isEqualTo(52);
    }

    /** At room pollen that still dries, dry, dry under a lid and damp under a lid age each at its own speed. */
    @Test
    void what_the_pollen_is_like_decides_how_fast_it_ages_at_room() {
        CropSheet apple = CropSheets.shipped().find("apple").orElseThrow();
        double dry = halfLife(apple, PollenViability.Condition.DRY);

        assertThat(halfLife(apple, PollenViability.Condition.DRYING))
                .as("in the open anther it hardly ages")
                .isCloseTo(10 * dry, within(1e-9));
        assertThat(halfLife(apple, PollenViability.Condition.DRY_UNDER_LID)).isGreaterThan(5 * dry);
        assertThat(halfLife(apple, PollenViability.Condition.DAMP_UNDER_LID)).isLessThan(dry);
    }

    private static double halfLife(CropSheet sheet, PollenViability.Condition condition) {
        return PollenViability.halfLifeHours(sheet, new Stay(EVENING, Storage.ROOM, Optional.empty(), condition));
    }

    /** The trade keeps apple pollen, dried and cold, for a year. */
    @Test
    void apple_pollen_dried_and_kept_cold_serves_a_year() {
        CropSheet apple = CropSheets.shipped().find("apple").orElseThrow();
        StorageHistory keeping = StorageHistory.driedAndStored(apple, EVENING, Storage.FRIDGE_DESICCANT);
        ViabilityCurve course = ViabilityCurve.collected(apple, keeping);

        assertThat(course.at(EVENING.plus(Duration.ofHours(36))).share()).isGreaterThan(0.8);
        assertThat(course.goodUntil(EVENING.plus(Duration.ofDays(30))).orElseThrow())
                .isAfter(EVENING.plus(Duration.ofDays(365)));
    }

    @Test
    void ten_degrees_warmer_ages_q10_times_as_fast() {
        Stay warm = new Stay(EVENING, Storage.ROOM, Optional.of(30.0));

        assertThat(PollenViability.halfLifeHours(CHERIMOYA, warm)).isCloseTo(4, within(1e-12));
    }

    @Test
    void damp_pollen_shut_in_the_fridge_is_mouldy_after_a_day() {
        List<Stay> stays = List.of(stay(0, Storage.FRIDGE));

        assertThat(PollenViability.at(CHERIMOYA, stays, EVENING.plus(Duration.ofHours(24)))
                        .spoiled())
                .isFalse();
        PollenViability later = PollenViability.at(CHERIMOYA, stays, EVENING.plus(Duration.ofHours(25)));
        assertThat(later.spoiled()).isTrue();
        assertThat(later.share()).isZero();
    }

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void it_never_rises_and_cutting_a_stay_in_two_changes_nothing(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Storage storage = random.nextBoolean() ? Storage.ROOM : Storage.FREEZER;
        double cut = between(random, 1, 50);
        Instant at = EVENING.plusSeconds((long) (between(random, 50, 200) * 3600));

        double whole =
                PollenViability.at(CHERIMOYA, List.of(stay(0, storage)), at).share();
        double inTwo = PollenViability.at(CHERIMOYA, List.of(stay(cut, storage), stay(0, storage)), at)
                .share();
        double later = PollenViability.at(CHERIMOYA, List.of(stay(0, storage)), at.plusSeconds(3600))
                .share();

        assertThat(inTwo).isCloseTo(whole, within(1e-9));
        assertThat(later).isLessThan(whole);
    }

    @Test
    void a_moment_before_collection_and_an_unknown_storage_are_refused() {
        List<Stay> stays = List.of(stay(0, Storage.ROOM));
        assertThatThrownBy(() -> PollenViability.at(CHERIMOYA, stays, EVENING.minusSeconds(1)))
                .hasMessageContaining("before the pollen was collected");
    }

    private static Stay stay(double afterHours, Storage storage) {
        return new Stay(EVENING.plusSeconds((long) (afterHours * 3600)), storage, Optional.empty());
    }
}
