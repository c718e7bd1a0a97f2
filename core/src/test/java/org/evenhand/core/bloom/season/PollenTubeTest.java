package org.evenhand.core.bloom.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.Cases;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** From the grain on the stigma to the ovule: in time, and of the right kind. */
class PollenTubeTest {
    static Stream<Long> seeds() {
        return Cases.seeds();
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void a_warmer_spell_never_arrives_later_and_never_shortens_the_time_for_visits(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<Double> cool = new ArrayList<>();
        List<Double> warm = new ArrayList<>();
        for (int d = 0; d < 20; d++) {
            double mean = Cases.between(random, 3, 15);
            cool.add(mean);
            warm.add(mean + Cases.between(random, 0, 3));
        }

        int coolDays = PollenTube.daysToArrive(cool).orElse(99);
        assertThat(PollenTube.daysToArrive(warm).orElse(99)).isLessThanOrEqualTo(coolDays);
        assertThat(PollenTube.effectiveVisits(warm, 9, 6)).containsAll(PollenTube.effectiveVisits(cool, 9, 6));
        assertThat(PollenTube.cumulative(cool)).isSorted();
    }

    @Test
    void between_two_rows_growth_lies_between_them() {
        assertThat(PollenTube.percentPerDay(10.5)).isCloseTo((14 + 17) / 2.0, within(1e-9));
        assertThat(PollenTube.percentPerDay(4.9)).isZero();
        assertThat(PollenTube.percentPerDay(30)).isEqualTo(50);
    }

    @Test
    void too_cold_for_any_visit_is_an_empty_list() {
        assertThat(PollenTube.effectiveVisits(java.util.Collections.nCopies(30, 4.0), 9, 6))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "cherimoya,sugar-apple,true",
        "ilama,sugar-apple,true",
        "atemoya,cherimoya,true",
        "soursop,cherimoya,false",
        "apple,pear,false",
        "avocado-a,avocado-b,true",
        "kiwifruit-female,kiwifruit-male,true",
        "kiwifruit-male,kiwifruit-female,false",
        "fig-edible,fig-capri,true",
        "date-palm-female,date-palm-female,false",
    })
    void pollen_serves_its_kin_and_only_from_what_gives_to_what_takes(String taker, String giver, boolean serves) {
        CrossCompatibility cross = CrossCompatibility.ofCrops(sheet(taker), sheet(giver), false);

        assertThat(cross.serves()).as(cross.why()).isEqualTo(serves);
        assertThat(cross.why()).endsWith(".");
    }

    @ParameterizedTest
    @CsvSource({"apple,false", "pawpaw,false", "dragon-fruit,false", "cherimoya,true", "citrus,true"})
    void its_own_variety_serves_where_the_sheet_says_so(String crop, boolean serves) {
        assertThat(CrossCompatibility.ofCrops(sheet(crop), sheet(crop), true).serves())
                .isEqualTo(serves);
    }

    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }
}
