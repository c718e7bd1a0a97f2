package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.statistics.BetaPosterior;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class ReceivedPollenTest {
    private static final CropSheet APPLE = CropSheets.shipped().find("apple").orElseThrow();
    private static final Instant CAME = Instant.parse("2026-10-02T01:00:00Z");
    private static final Instant PICKED = CAME.minus(Duration.ofDays(60));
    private static final double FRESH = APPLE.pollen().freshViability().value();

    private static ViabilityCurve curve(ReceivedPollen p) {
        return p.curve(APPLE, StorageHistory.of(APPLE, p.firstSteps()));
    }

    private static ReceivedPollen came(
            @Nullable Instant collectedAt, @Nullable Storage keptBefore, @Nullable Double stated) {
        return new ReceivedPollen(CAME, Storage.FREEZER, true, collectedAt, keptBefore, stated);
    }

    @Test
    void known_from_its_collection_on_it_is_worth_what_a_jar_of_ones_own_is() {
        ViabilityCurve own = ViabilityCurve.collected(
                APPLE,
                StorageHistory.of(
                        APPLE,
                        List.of(
                                StorageStep.stored(PICKED, Storage.FREEZER),
                                StorageStep.of(PICKED, StorageStep.Kind.SEEN_DRY))));

        for (int days = 0; days < 400; days += 40) {
            Instant at = CAME.plus(Duration.ofDays(days));
            ViabilityCurve.Estimate came =
                    curve(came(PICKED, Storage.FREEZER, null)).at(at);
            assertThat(came.share()).isCloseTo(own.at(at).share(), within(1e-12));
            assertThat(came.low()).isCloseTo(own.at(at).low(), within(1e-4));
            assertThat(came.fromAt()).isEqualTo(PICKED);
        }
    }

    @Test
    void a_stated_share_is_believed_half_as_firmly_as_fresh_pollen_and_begins_when_it_came() {
        ViabilityCurve.Estimate stated =
                curve(came(PICKED, Storage.FREEZER, 0.6)).at(CAME);

        assertThat(stated.share()).isCloseTo(0.6, within(1e-9));
        assertThat(stated.low())
                .isCloseTo(
                        BetaPosterior.ofMean(0.6, ReceivedPollen.STATED_WEIGHT)
                                .interval(0.8)
                                .lower(),
                        within(1e-6));
        assertThat(stated.fromAt()).isEqualTo(CAME);
    }

    @Test
    void of_pollen_of_which_nothing_is_known_anything_up_to_fresh_is_as_likely() {
        ViabilityCurve.Estimate unknown = curve(came(null, null, null)).at(CAME);

        // The mean and the middle eight tenths of a uniform distribution from 0 to fresh.
        assertThat(unknown.share()).isCloseTo(FRESH / 2, within(1e-9));
        assertThat(unknown.low()).isCloseTo(0.1 * FRESH, within(0.06));
        assertThat(unknown.high()).isCloseTo(0.9 * FRESH, within(0.06));
        assertThat(curve(came(PICKED, null, null)).at(CAME)).isEqualTo(unknown);
    }

    @Test
    void it_is_to_be_tested_until_somebody_here_has_done_so_and_so_is_what_it_is_blended_into() {
        ViabilityCurve course = curve(came(PICKED, Storage.FREEZER, 0.6));
        Instant now = CAME.plusSeconds(3600);
        StorageHistory blend = StorageHistory.of(APPLE, List.of(StorageStep.stored(now, Storage.FREEZER)));

        assertThat(TestAdvice.of(course, now)).contains(TestAdvice.FROM_ELSEWHERE);
        assertThat(TestAdvice.of(ViabilityCurve.poured(APPLE, blend, List.of(new ViabilityCurve.Part(5, course))), now))
                .contains(TestAdvice.FROM_ELSEWHERE);
        ViabilityCurve tested = course.tested(now, new GerminationTest(List.of(new GerminationTest.Field(200, 100))));
        assertThat(TestAdvice.of(tested, now)).isEmpty();
    }

    @Test
    void what_cannot_be_is_refused_at_its_field() {
        refused("collectedAt", () -> came(CAME.plusSeconds(1), null, null));
        refused("collectedAt", () -> came(null, Storage.ROOM, null));
        refused("statedAlive", () -> came(PICKED, null, 0.0));
        refused("statedAlive", () -> came(PICKED, null, 1.01));
        refused("statedAlive", () -> came(PICKED, null, Double.NaN));
    }

    private static void refused(String field, Runnable made) {
        assertThatThrownBy(made::run)
                .isInstanceOfSatisfying(
                        InvalidInputException.class,
                        e -> assertThat(e.problems())
                                .extracting(FieldProblem::field)
                                .containsExactly(field));
    }
}
