package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.statistics.BlockRandomization;
import org.evenhand.core.statistics.SampleSize;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What goes back from findings into the plan. */
class LearningTest {
    /** Between what was seen and "as all do", nearer to what was seen the more flowers there are. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void a_factor_lies_between_what_was_seen_and_one_and_moves_with_flowers(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int flowers = 1 + random.nextInt(80);
        int taken = random.nextInt(flowers + 1);
        int others = 20 + random.nextInt(200);
        int otherTaken = 1 + random.nextInt(others);
        double all = (double) (taken + otherTaken) / (flowers + others);
        double seen = (double) taken / flowers / all;
        double factor = ShrunkenRatio.of(taken, flowers, taken + otherTaken, flowers + others)
                .value();
        assertThat(factor).isBetween(Math.min(seen, 1) - 1e-12, Math.max(seen, 1) + 1e-12);
        assertThat(Math.abs(factor - 1)).isLessThanOrEqualTo(Math.abs(seen - 1));
        int ten = 10;
        double surer = ShrunkenRatio.of(
                        ten * taken, ten * flowers, ten * (taken + otherTaken), ten * (flowers + others))
                .value();
        assertThat(Math.abs(surer - seen))
                .as("ten times the flowers")
                .isLessThanOrEqualTo(Math.abs(factor - seen) + 1e-12);
    }

    @Test
    void numbers_that_cannot_be_are_refused_and_nothing_seen_is_one() {
        assertThatThrownBy(() -> ShrunkenRatio.of(5, 4, 5, 9)).hasMessageContaining("taken: is 5");
        assertThatThrownBy(() -> ShrunkenRatio.of(4, 5, 3, 9)).hasMessageContaining("allTaken");
        assertThat(ShrunkenRatio.of(0, 30, 0, 90).value())
                .as("nothing took anywhere")
                .isEqualTo(1);
        assertThat(new ShrunkenRatio(1.4, 10).atMostOne()).isEqualTo(1);
        assertThat(new ShrunkenRatio(0.4, 10).atMostOne()).isEqualTo(0.4);
    }

    @Test
    void a_pair_that_does_worse_is_worth_less_says_so_and_keeps_its_verdict() {
        CrossCompatibility fits = CrossCompatibility.ofBlend(List.of(new CrossCompatibility.Part(
                "Lantern", 1, CrossCompatibility.refused("a stand-in").with(new CrossEvidence(60, 55, 60, 40)))));
        assertThat(fits.compatibilityFactor())
                .as("results speak against a refusal, and it stays")
                .isZero();
        assertThat(fits.weighed(new CrossEvidence(60, 5, 60, 40)))
                .as("what is worth nothing is not worth less")
                .isEqualTo(fits);
    }

    /** A technique moves the mean and keeps the doubt; what never takes is not believed to be sure of it. */
    @ParameterizedTest
    @CsvSource({"0.2", "0.8", "1", "1.3", "9"})
    void a_belief_moved_by_a_technique_stays_a_share(double factor) {
        SetBelief before = SetBelief.of(Optional.empty(), new SetBelief.Seen(40, 20), new SetBelief.Seen(3, 9));
        SetBelief after = before.with(new ShrunkenRatio(factor, 30));
        assertThat(after.share().mean()).isCloseTo(Math.min(0.99, before.share().mean() * factor), within(1e-9));
        assertThat(after.share().a() + after.share().b())
                .isCloseTo(before.share().a() + before.share().b(), within(1e-9));
        assertThat(after.learnedFrom()).isEqualTo(before.learnedFrom());
    }

    /** A season is named after its spring: rest begins in May in the south, in November in the north. */
    @ParameterizedTest
    @CsvSource({
        "-35.3,2026-04-30,2025",
        "-35.3,2026-05-01,2026",
        "-35.3,2027-01-15,2026",
        "47.1,2026-10-31,2026",
        "47.1,2026-11-01,2027",
        "47.1,2027-04-20,2027",
        "0,2026-06-01,2026"
    })
    void a_day_belongs_to_the_bloom_of_its_spring(double latitude, LocalDate day, int year) {
        assertThat(new Site(latitude, 170, ZoneId.of("UTC")).bloomYear(day)).isEqualTo(year);
    }

    /** Larger differences need fewer flowers, more power more; either way about is as good as the other. */
    @ParameterizedTest
    @CsvSource({"0.3,0.5", "0.5,0.7", "0.1,0.35", "0.6,0.9"})
    void a_trial_is_as_large_as_what_it_is_to_show(double one, double other) {
        SampleSize usual = SampleSize.of(one, other, 0.95, 0.8);
        assertThat(SampleSize.of(one, other + (1 - other) / 2, 0.95, 0.8).flowers())
                .isLessThan(usual.flowers());
        assertThat(SampleSize.of(one, other, 0.95, 0.9).flowers()).isGreaterThan(usual.flowers());
        assertThat(SampleSize.of(other, one, 0.95, 0.8).flowers()).isEqualTo(usual.flowers());
        assertThat(SampleSize.withFlowers(usual.flowers() / 2, one, other, 0.95).power())
                .isLessThan(usual.power());
        assertThat(usual.falseAlarm()).isLessThan(0.08);
    }

    /** The same generator and shuffle, written out in Python from their specification, draw these. */
    @Test
    void the_lot_is_one_of_many_and_falls_the_same_on_any_machine() {
        assertThat(BlockRandomization.blocks(2, 4, 7)).containsExactly(0, 0, 1, 1, 1, 1, 0, 0);
        assertThat(BlockRandomization.blocks(3, 3, 42)).containsExactly(0, 0, 2, 2, 1, 1, 2, 0, 1);
        assertThat(BlockRandomization.blocks(3, 1, 7)).containsExactlyInAnyOrder(0, 1, 2);
        assertThatThrownBy(() -> BlockRandomization.blocks(1, 4, 7)).hasMessageContaining("arms: is 1");
        assertThatThrownBy(() -> BlockRandomization.blocks(2, 0, 7)).hasMessageContaining("flowers: is 0");
    }
}
