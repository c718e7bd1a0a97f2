package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;

class ViabilityCurveTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();
    private static final CropSheet APPLE = CropSheets.shipped().find("apple").orElseThrow();
    private static final Instant START = Instant.parse("2026-11-20T05:00:00Z");

    private static Instant hours(double hours) {
        return START.plusSeconds(Math.round(hours * 3600));
    }

    private static ViabilityCurve kept(CropSheet sheet, Storage storage) {
        return ViabilityCurve.collected(sheet, StorageHistory.of(sheet, List.of(StorageStep.stored(START, storage))));
    }

    private static GerminationTest test(int grains, int tubes) {
        return new GerminationTest(List.of(new GerminationTest.Field(grains, tubes)));
    }

    @Test
    void untested_it_halves_as_the_sheet_says_and_the_doubt_grows_with_the_halvings() {
        ViabilityCurve course = kept(CHERIMOYA, Storage.FRIDGE_DESICCANT);

        assertThat(course.at(START).share()).isCloseTo(0.5, within(1e-12));
        assertThat(course.at(hours(96)).share()).isCloseTo(0.5 * meanLeft(1), within(1e-3));
        Instant until = course.goodUntil(START).orElseThrow();
        assertThat(course.at(until).share()).as("a quarter of fresh").isCloseTo(0.125, within(1e-4));
        assertThat(course.goodUntil(until.plusSeconds(3600))).isEmpty();
        ViabilityCurve.Estimate day = course.at(hours(24));
        assertThat(day.low()).isLessThan(day.share());
        assertThat(day.high()).isGreaterThan(day.share());
    }

    @Test
    void a_test_at_the_beginning_gives_the_beta_posterior_of_prior_and_count() {
        ViabilityCurve course = kept(CHERIMOYA, Storage.FRIDGE_DESICCANT).tested(START, test(100, 40));
        BetaPosterior expected =
                BetaPosterior.ofMean(0.5, ViabilityCurve.FRESH_WEIGHT).after(40, 100);

        assertThat(course.at(START).share()).isCloseTo(expected.mean(), within(1e-12));
        assertThat(course.at(START).low()).isCloseTo(expected.interval(0.8).lower(), within(1e-6));
        assertThat(course.at(hours(96)).share()).isCloseTo(expected.mean() * meanLeft(1), within(1e-3));
    }

    @Test
    void the_interval_holds_eight_times_in_ten_of_thrown_lots() {
        ViabilityCurve course = kept(CHERIMOYA, Storage.FRIDGE_DESICCANT);
        ViabilityCurve.Estimate foreseen = course.at(hours(120));
        Random random = new Random(3);
        BetaPosterior prior = BetaPosterior.ofMean(0.5, ViabilityCurve.FRESH_WEIGHT);
        int inside = 0;
        int lots = 20_000;
        for (int i = 0; i < lots; i++) {
            double fresh = quantile(prior, random.nextDouble());
            double factor = Math.exp(ViabilityCurve.HALF_LIFE_DOUBT * random.nextGaussian());
            double share = fresh * Math.pow(2, -120.0 / 96 * factor);
            inside += share >= foreseen.low() && share <= foreseen.high() ? 1 : 0;
        }
        assertThat((double) inside / lots).isCloseTo(0.8, within(0.02));
    }

    /** Mean of 2^(−halvings · factor) over the doubt about the half-life, by a fine sum. */
    private static double meanLeft(double halvings) {
        var normal =
                org.apache.commons.statistics.distribution.NormalDistribution.of(0, ViabilityCurve.HALF_LIFE_DOUBT);
        double sum = 0;
        for (int i = 0; i < 20_000; i++) {
            double factor = Math.exp(normal.inverseCumulativeProbability((i + 0.5) / 20_000));
            sum += Math.pow(2, -halvings * factor) / 20_000;
        }
        return sum;
    }

    private static double quantile(BetaPosterior belief, double p) {
        return org.apache.commons.statistics.distribution.BetaDistribution.of(belief.a(), belief.b())
                .inverseCumulativeProbability(p);
    }

    @Test
    void a_test_leaves_what_was_believed_before_it_and_narrows_what_comes_after() {
        ViabilityCurve before = kept(APPLE, Storage.FRIDGE_DESICCANT);
        ViabilityCurve after = before.tested(hours(500), test(300, 150));

        assertThat(after.at(hours(499))).isEqualTo(before.at(hours(499)));
        assertThat(after.at(hours(501)).share())
                .isLessThan(before.at(hours(501)).share());
        assertThat(after.at(hours(501)).high() - after.at(hours(501)).low())
                .isLessThan(before.at(hours(501)).high() - before.at(hours(501)).low());
    }

    @Test
    void grains_in_clumps_count_for_fewer() {
        GerminationTest even =
                new GerminationTest(List.of(new GerminationTest.Field(50, 25), new GerminationTest.Field(50, 26)));
        GerminationTest clumped =
                new GerminationTest(List.of(new GerminationTest.Field(50, 48), new GerminationTest.Field(50, 3)));

        assertThat(even.clumping()).isEqualTo(1);
        assertThat(clumped.clumping()).isGreaterThan(50);
        assertThatThrownBy(() -> new GerminationTest.Field(10, 11)).hasMessageContaining("11 of 10 grains");
        assertThatThrownBy(() -> test(0, 0)).hasMessageContaining("hold no grain");
    }

    @Test
    void a_trial_beside_fresh_pollen_tells_more_than_one_without() {
        BetaPosterior before = BetaPosterior.ofMean(0.5, 8);
        BetaPosterior without = new FlowerTrial(30, 4, 0, 0).learn(before, 0.85);
        BetaPosterior beside = new FlowerTrial(30, 4, 30, 24).learn(before, 0.85);

        assertThat(beside.mean()).isLessThan(without.mean());
        assertThat(beside.variance()).isLessThan(without.variance());
        assertThat(new FlowerTrial(30, 24, 30, 24).learn(before, 0.85).mean()).isGreaterThan(before.mean());
    }

    @Test
    void a_blend_lies_between_its_parts_by_their_doses_and_a_mouldy_part_kills_its_share() {
        ViabilityCurve fresh = kept(CHERIMOYA, Storage.FRIDGE_DESICCANT);
        ViabilityCurve mouldy = kept(CHERIMOYA, Storage.FRIDGE);
        Instant at = hours(48);
        StorageHistory jar = StorageHistory.of(CHERIMOYA, List.of(StorageStep.stored(at, Storage.FRIDGE_DESICCANT)));
        ViabilityCurve blend = ViabilityCurve.poured(
                CHERIMOYA, jar, List.of(new ViabilityCurve.Part(30, fresh), new ViabilityCurve.Part(10, mouldy)));

        assertThat(mouldy.at(at).spoiled()).isTrue();
        assertThat(blend.at(at).share()).isCloseTo(fresh.at(at).share() * 0.75, within(0.02));
        assertThatThrownBy(() -> ViabilityCurve.poured(CHERIMOYA, jar, List.of()))
                .hasMessageContaining("hold no dose");
    }

    @Test
    void pollen_dries_in_the_open_faster_in_dry_air_and_not_at_all_under_a_lid() {
        StorageHistory tray = StorageHistory.of(APPLE, List.of(StorageStep.of(START, StorageStep.Kind.TRAY)));
        StorageStep damp = new StorageStep(
                START,
                StorageStep.Kind.TRAY,
                java.util.Optional.empty(),
                java.util.Optional.of(20.0),
                java.util.Optional.of(75.0));

        assertThat(tray.dryBy(START)).contains(hours(36));
        assertThat(StorageHistory.of(APPLE, List.of(damp)).dryBy(START)).contains(hours(72));
        StorageHistory lidded = tray.then(StorageStep.of(hours(10), StorageStep.Kind.LID));
        assertThat(lidded.dryBy(hours(20))).isEmpty();
        assertThat(lidded.drynessAt(hours(40))).isCloseTo(10 / 36.0, within(1e-9));
        assertThat(StorageWarning.ofLastStep(lidded)).containsExactly(StorageWarning.LID_ON_DAMP);
        assertThat(ViabilityCurve.collected(APPLE, lidded).at(hours(35)).spoiled())
                .isTrue();
        assertThat(ViabilityCurve.collected(APPLE, lidded).at(hours(33)).spoiled())
                .isFalse();
    }

    @Test
    void what_was_seen_dry_may_be_shut_and_each_guard_speaks_for_its_own_mistake() {
        StorageHistory dry = StorageHistory.of(APPLE, List.of(StorageStep.of(START, StorageStep.Kind.TRAY)))
                .then(StorageStep.of(hours(40), StorageStep.Kind.SEEN_DRY));
        assertThat(StorageWarning.ofLastStep(dry.then(StorageStep.of(hours(41), StorageStep.Kind.LID))))
                .isEmpty();
        assertThat(StorageWarning.ofLastStep(dry.then(StorageStep.stored(hours(41), Storage.FRIDGE))))
                .containsExactly(StorageWarning.FRIDGE_WITHOUT_DESICCANT);
        assertThat(StorageWarning.ofLastStep(dry.then(StorageStep.of(hours(41), StorageStep.Kind.SUN))))
                .containsExactly(StorageWarning.DRIED_IN_SUN);
        StorageHistory thawed = dry.then(StorageStep.stored(hours(50), Storage.FREEZER))
                .then(StorageStep.stored(hours(60), Storage.FRIDGE_DESICCANT));
        assertThat(thawed.thawsUntil(hours(61))).isEqualTo(1);
        assertThat(StorageWarning.ofLastStep(thawed.then(StorageStep.stored(hours(70), Storage.FREEZER))))
                .containsExactly(StorageWarning.FROZEN_AGAIN);
        assertThatThrownBy(() -> dry.then(StorageStep.of(hours(3), StorageStep.Kind.LID)))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("before the step before it");
        assertThatThrownBy(() -> kept(CHERIMOYA, Storage.FREEZER)
                        .keeping()
                        .then(StorageStep.of(hours(-1), StorageStep.Kind.TRAY)))
                .isInstanceOf(InvalidInputException.class);
    }

    @Test
    void old_and_mishandled_lots_are_asked_for_a_test_and_tested_ones_are_not() {
        ViabilityCurve jar = kept(CHERIMOYA, Storage.FRIDGE_DESICCANT);
        assertThat(TestAdvice.of(jar, hours(18))).isEmpty();
        assertThat(TestAdvice.of(jar, hours(97))).contains(TestAdvice.OLD);
        assertThat(TestAdvice.of(jar.tested(hours(97), test(80, 30)), hours(120)))
                .isEmpty();
        ViabilityCurve apple = kept(APPLE, Storage.FREEZER);
        assertThat(TestAdvice.of(apple, START.plus(Duration.ofDays(300)))).contains(TestAdvice.LAST_SEASON);
    }

    @Test
    void flowers_to_gather_follow_the_yield_and_small_flowers_need_more() {
        FlowersToCollect ordinary = FlowersToCollect.of(CHERIMOYA, false, 40);
        FlowersToCollect small = FlowersToCollect.of(CHERIMOYA, true, 40);

        assertThat(ordinary.expected()).isEqualTo(10);
        assertThat(ordinary.sure()).isGreaterThan(10).isLessThan(16);
        assertThat(small.expected()).isEqualTo(25);
        assertThat(Hygiene.between(APPLE, java.util.Set.of("a"), java.util.Set.of("a")))
                .isEmpty();
        assertThat(Hygiene.between(APPLE, java.util.Set.of("a"), java.util.Set.of("a", "b")))
                .isNotEmpty();
    }
}
