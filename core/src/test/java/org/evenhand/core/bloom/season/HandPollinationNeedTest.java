package org.evenhand.core.bloom.season;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Optional;
import org.evenhand.core.bloom.season.HandPollinationNeed.Block;
import org.evenhand.core.bloom.season.HandPollinationNeed.Insects;
import org.evenhand.core.bloom.season.HandPollinationNeed.Verdict;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HandPollinationNeedTest {
    @ParameterizedTest
    @CsvSource({
        // dry inland air and nobody in the flowers
        "cherimoya,2.2,300,NONE,false,2,YES",
        // humid coast, many beetles
        "cherimoya,0.4,5,MANY,false,2,PERHAPS_NOT",
        "cherimoya,,,NOT_LOOKED,false,2,WORTH_TESTING",
        // under cover nothing else does it, self-fertile or not
        "citrus,,,NONE,true,0,YES",
        "citrus,,,MANY,false,0,PERHAPS_NOT",
        // alone, and its own pollen does not serve
        "pawpaw,,,FEW,false,0,YES",
        "apple,,,MANY,false,3,PERHAPS_NOT",
    })
    void it_leans_as_growers_report(
            String crop, Double kpa, Double sea, Insects insects, boolean indoors, int others, Verdict verdict) {
        HandPollinationNeed need = HandPollinationNeed.of(
                sheet(crop), new Block(Optional.ofNullable(kpa), Optional.ofNullable(sea), insects, indoors, others));

        assertThat(need.verdict()).as("%s", need.reasons()).isEqualTo(verdict);
        assertThat(need.points())
                .isEqualTo(need.reasons().stream()
                        .mapToInt(HandPollinationNeed.Reason::points)
                        .sum());
        assertThat(need.reasons()).allMatch(r -> r.sentence().endsWith("."));
    }

    @Test
    void a_distance_below_nothing_is_refused() {
        assertThatThrownBy(() -> new Block(Optional.empty(), Optional.of(-3.0), Insects.FEW, false, 0))
                .hasMessageContaining("seaKm: is -3");
    }

    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }
}
