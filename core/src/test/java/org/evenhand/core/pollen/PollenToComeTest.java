package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.SplittableRandom;
import org.evenhand.core.crop.Basis;
import org.evenhand.core.crop.CropLoadTraits;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What a plan of days reckons with: pollen that is still to be collected, and what crops can carry. */
class PollenToComeTest {
    private static final Instant START = Instant.parse("2026-11-20T05:00:00Z");

    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void the_mean_alone_is_the_mean_of_the_estimate_whatever_happened_to_the_jar(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        CropSheet sheet = CropSheets.shipped()
                .find(random.nextBoolean() ? "cherimoya" : "apple")
                .orElseThrow();
        Storage[] storages = sheet.pollen().keeping().keySet().toArray(Storage[]::new);
        ViabilityCurve course = ViabilityCurve.collected(
                sheet, StorageHistory.driedAndStored(sheet, START, storages[random.nextInt(storages.length)]));
        if (random.nextBoolean()) {
            int grains = 20 + random.nextInt(80);
            course = course.tested(
                    START.plus(Duration.ofHours(random.nextInt(200))),
                    new GerminationTest(
                            java.util.List.of(new GerminationTest.Field(grains, random.nextInt(grains + 1)))));
        }
        for (int i = 0; i < 20; i++) {
            Instant at = START.plus(Duration.ofMinutes(random.nextInt(60 * 24 * 30)));
            assertThat(course.shareAt(at)).isCloseTo(course.at(at).share(), within(1e-12));
        }
    }

    @Test
    void pollen_is_put_away_once_it_should_be_dry_and_not_before() {
        CropSheet apple = CropSheets.shipped().find("apple").orElseThrow();

        StorageHistory keeping = StorageHistory.driedAndStored(apple, START, Storage.FREEZER);

        Instant dry = START.plus(Duration.ofHours(36));
        assertThat(keeping.storageAt(dry.minusSeconds(60))).isEqualTo(Storage.ROOM);
        assertThat(keeping.storageAt(dry.plusSeconds(60))).isEqualTo(Storage.FREEZER);
        assertThat(keeping.dryAt(dry.plusSeconds(60))).isTrue();
        assertThat(keeping.hazardsUntil(dry.plus(Duration.ofDays(30))))
                .as("kept as it should be")
                .isEmpty();
    }

    @Test
    void what_crops_can_carry_is_plausible_and_says_what_it_rests_on() {
        long told = CropSheets.shipped().all().stream()
                .filter(s -> s.load().isPresent())
                .peek(s -> {
                    CropLoadTraits load = s.load().orElseThrow();
                    assertThat(load.fruitsPerCm2().value()).as(s.key()).isBetween(0.1, 12.0);
                    assertThat(load.setShare().value()).as(s.key()).isBetween(0.01, 0.9);
                    assertThat(load.twigMm().value()).as(s.key()).isBetween(2.0, 20.0);
                    assertThat(load.fruitsPerCm2().basis()).isIn(Basis.PRACTICE, Basis.MEMORY);
                })
                .count();
        assertThat(told).isGreaterThanOrEqualTo(12);
        assertThat(CropSheets.shipped().find("date-palm-female").flatMap(CropSheet::load))
                .isEmpty();
    }
}
