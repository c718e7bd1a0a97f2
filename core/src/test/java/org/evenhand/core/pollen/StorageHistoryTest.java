package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Properties of random histories of keeping. */
class StorageHistoryTest {
    private static final CropSheet SHEET = CropSheets.shipped().find("apple").orElseThrow();
    private static final Instant START = Instant.parse("2026-10-02T01:00:00Z");

    private static Instant hours(double hours) {
        return START.plusSeconds(Math.round(hours * 3600));
    }

    private static List<StorageStep> history(Random random) {
        List<StorageStep> steps = new ArrayList<>(List.of(StorageStep.of(START, StorageStep.Kind.TRAY)));
        double at = 0;
        for (int i = random.nextInt(6); i >= 0; i--) {
            at += random.nextInt(100);
            StorageStep.Kind kind = StorageStep.Kind.values()[random.nextInt(5)];
            steps.add(
                    kind == StorageStep.Kind.STORED
                            ? StorageStep.stored(hours(at), Storage.values()[random.nextInt(4)])
                            : StorageStep.of(hours(at), kind));
        }
        return steps;
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 4})
    void pollen_never_gets_fresher_nor_damper_and_mould_never_goes_away(int seed) {
        Random random = new Random(seed);
        for (int i = 0; i < 60; i++) {
            List<StorageStep> steps = history(random);
            StorageHistory keeping = StorageHistory.of(SHEET, steps);
            ViabilityCurve course = ViabilityCurve.collected(SHEET, keeping);
            ViabilityCurve.Estimate before = course.at(START);
            double dry = 0;
            for (int h = 5; h < 700; h += 35) {
                ViabilityCurve.Estimate now = course.at(hours(h));
                String where = "seed " + seed + ", after " + h + " h of " + steps;
                assertThat(now.share()).as(where).isLessThanOrEqualTo(before.share());
                assertThat(now.low()).as(where).isLessThanOrEqualTo(now.high());
                assertThat(before.spoiled() && !now.spoiled()).as(where).isFalse();
                assertThat(keeping.drynessAt(hours(h))).as(where).isGreaterThanOrEqualTo(dry);
                dry = keeping.drynessAt(hours(h));
                before = now;
            }
        }
    }

    @Test
    void when_it_is_said_to_be_dry_it_is_dry_and_not_an_hour_before() {
        Random random = new Random(8);
        for (int i = 0; i < 100; i++) {
            StorageStep tray = new StorageStep(
                    START,
                    StorageStep.Kind.TRAY,
                    Optional.empty(),
                    Optional.of(10 + 20 * random.nextDouble()),
                    Optional.of(20 + 60 * random.nextDouble()));
            StorageHistory keeping = StorageHistory.of(SHEET, List.of(tray));
            Instant by = keeping.dryBy(START).orElseThrow();
            assertThat(keeping.dryAt(by.plusSeconds(1))).as("%s", tray).isTrue();
            assertThat(keeping.dryAt(by.minusSeconds(3600))).as("%s", tray).isFalse();
        }
    }

    @Test
    void until_it_is_useful_it_is_useful_and_after_that_it_is_not() {
        for (Storage storage : List.of(Storage.ROOM, Storage.FRIDGE_DESICCANT, Storage.FREEZER)) {
            ViabilityCurve course = ViabilityCurve.collected(
                    SHEET, StorageHistory.of(SHEET, List.of(StorageStep.stored(START, storage))));
            Instant until = course.goodUntil(START).orElseThrow();
            double least = course.fresh() * ViabilityCurve.USEFUL_SHARE_OF_FRESH;
            assertThat(course.at(until).share()).as("%s", storage).isCloseTo(least, within(1e-5));
            assertThat(course.goodUntil(until.plusSeconds(60)))
                    .as("%s", storage)
                    .isEmpty();
        }
    }

    @Test
    void a_history_can_be_asked_as_it_was_before_its_later_steps() {
        StorageHistory keeping = StorageHistory.of(SHEET, List.of(StorageStep.of(START, StorageStep.Kind.TRAY)))
                .then(StorageStep.stored(hours(80), Storage.FREEZER));

        assertThat(keeping.until(hours(79)).steps()).hasSize(1);
        assertThat(keeping.until(hours(80)).steps()).hasSize(2);
        assertThat(keeping.storageAt(hours(79))).isEqualTo(Storage.ROOM);
        assertThat(keeping.storageAt(hours(81))).isEqualTo(Storage.FREEZER);
    }

    @Test
    void carrying_a_damp_shut_jar_to_another_place_does_not_put_off_the_mould() {
        StorageHistory carried = StorageHistory.of(SHEET, List.of(StorageStep.of(START, StorageStep.Kind.TRAY)))
                .then(StorageStep.of(hours(2), StorageStep.Kind.LID))
                .then(StorageStep.stored(hours(16), Storage.FRIDGE));
        StorageHistory opened = StorageHistory.of(SHEET, List.of(StorageStep.of(START, StorageStep.Kind.TRAY)))
                .then(StorageStep.of(hours(2), StorageStep.Kind.LID))
                .then(StorageStep.of(hours(16), StorageStep.Kind.TRAY));

        assertThat(carried.mouldyFrom()).contains(hours(26));
        assertThat(opened.mouldyFrom()).isEmpty();
    }

    @Test
    void what_cannot_be_is_refused() {
        CropSheet citrus = CropSheets.shipped().find("citrus").orElseThrow();
        assertThatThrownBy(() -> StorageHistory.of(SHEET, List.of())).hasMessageContaining("say where");
        assertThatThrownBy(() -> StorageHistory.of(citrus, List.of(StorageStep.stored(START, Storage.FREEZER))))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("'freezer' is not on the crop sheet");
        assertThatThrownBy(() -> StorageStep.of(START, StorageStep.Kind.STORED)).hasMessageContaining("storage");
        assertThatThrownBy(() -> new StorageStep(
                        START, StorageStep.Kind.TRAY, Optional.empty(), Optional.of(20.0), Optional.of(101.0)))
                .hasMessageContaining("101");
    }

    /** The grid of a trial against lots and flowers thrown one by one. */
    @Test
    void a_trial_teaches_what_throwing_lots_that_would_have_shown_it_teaches() {
        BetaPosterior before = new BetaPosterior(4, 4);
        Random random = new Random(21);
        double sum = 0;
        int alike = 0;
        for (int i = 0; i < 400_000; i++) {
            double v = org.apache.commons.statistics.distribution.BetaDistribution.of(4, 4)
                    .inverseCumulativeProbability(random.nextDouble());
            double s = random.nextDouble();
            if (thrown(random, 6, s * Math.min(1, v / 0.8)) == 2 && thrown(random, 6, s) == 4) {
                sum += v;
                alike++;
            }
        }
        assertThat(new FlowerTrial(6, 2, 6, 4).learn(before, 0.8).mean()).isCloseTo(sum / alike, within(0.01));
    }

    private static int thrown(Random random, int flowers, double chance) {
        int taken = 0;
        for (int i = 0; i < flowers; i++) {
            taken += random.nextDouble() < chance ? 1 : 0;
        }
        return taken;
    }
}
