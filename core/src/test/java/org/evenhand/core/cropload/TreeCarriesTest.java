package org.evenhand.core.cropload;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.crop.CropLoadTraits;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.cropload.SetBelief.Seen;
import org.evenhand.core.cropload.TreeCarries.Measured;
import org.junit.jupiter.api.Test;

class TreeCarriesTest {
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    /** 0.35 fruits a cm², young for three years, a twig of 10 mm for one fruit, half of the flowers set. */
    private static final CropLoadTraits CHERIMOYA =
            CropSheets.shipped().find("cherimoya").flatMap(s -> s.load()).orElseThrow();

    private static Optional<TreeCarries> carries(LocalDate planted, Double girthCm, Integer... limbsMm) {
        return TreeCarries.of(
                CHERIMOYA,
                new Measured(Optional.ofNullable(planted), Optional.ofNullable(girthCm), List.of(limbsMm)),
                TODAY);
    }

    @Test
    void the_thinner_of_trunk_and_limbs_binds_and_nothing_measured_says_nothing() {
        // 40² / 4π = 127.3 cm², at 0.35 a cm² 44.56.
        assertThat(carries(null, 40.0).orElseThrow().fruits()).isEqualTo(44);
        assertThat(carries(null, 40.0, 20, 30, 5).orElseThrow().fruits())
                .as("(20 / 10)² + (30 / 10)² and none on 5 mm")
                .isEqualTo(4 + 9);
        assertThat(carries(null, 10.0, 60, 60).orElseThrow().fruits()).isEqualTo(2);
        assertThat(carries(null, 40.0, 20).orElseThrow().how())
                .contains("girth 40.0 cm")
                .contains("its 1 limbs carry 4");
        assertThat(carries(LocalDate.of(2015, 1, 1), null)).isEmpty();
    }

    @Test
    void a_young_tree_is_better_without_fruit_until_the_very_day() {
        assertThat(carries(TODAY.minusYears(3).plusDays(1), 40.0).orElseThrow())
                .matches(TreeCarries::young)
                .extracting(TreeCarries::fruits)
                .isEqualTo(0);
        assertThat(carries(TODAY.minusYears(3), 40.0).orElseThrow().young()).isFalse();
    }

    @Test
    void what_is_seen_on_its_own_variety_weighs_in_full_and_other_varieties_as_twenty_flowers_at_most() {
        Optional<Double> load = Optional.of(CHERIMOYA.setShare().value());
        assertThat(SetBelief.of(load, Seen.NOTHING, Seen.NOTHING).share().mean())
                .isCloseTo(0.5, within(1e-12));
        SetBelief unknown = SetBelief.of(Optional.empty(), Seen.NOTHING, Seen.NOTHING);
        assertThat(unknown.stated()).isFalse();
        assertThat(unknown.share().quantile(0.1))
                .as("nobody says: every share alike")
                .isCloseTo(0.1, within(1e-9));
        assertThat(unknown.share().quantile(0.9)).isCloseTo(0.9, within(1e-9));
        // Beta(2, 2) and 30 of 40.
        SetBelief own = SetBelief.of(load, new Seen(30, 10), Seen.NOTHING);
        assertThat(own.share().mean()).isCloseTo(32 / 44.0, within(1e-12));
        assertThat(own.learnedFrom()).isEqualTo(40);
        // Beta(2, 2) and 15 of 20, however many more were seen in the same proportion.
        assertThat(SetBelief.of(load, Seen.NOTHING, new Seen(3000, 1000))
                        .share()
                        .mean())
                .isCloseTo(17 / 24.0, within(1e-12));
        assertThat(SetBelief.of(load, Seen.NOTHING, new Seen(6, 2)).share().mean())
                .isCloseTo(8 / 12.0, within(1e-12));
    }
}
