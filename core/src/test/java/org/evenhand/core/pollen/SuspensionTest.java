package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.math.BigDecimal;
import java.util.Optional;
import java.util.Random;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.SuspensionTraits;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SuspensionTest {
    private static BigDecimal d(String number) {
        return new BigDecimal(number);
    }

    @Test
    void the_volume_for_some_fruits_is_enough_for_them_and_one_step_less_is_not() {
        Random random = new Random(7);
        for (int i = 0; i < 500; i++) {
            int fruits = 1 + random.nextInt(2000);
            BigDecimal dose = BigDecimal.valueOf(1 + random.nextInt(400), 2);
            BigDecimal waste = BigDecimal.valueOf(random.nextInt(60), 2);
            BigDecimal step = BigDecimal.valueOf(1 + random.nextInt(50), 1);
            Suspension made = Suspension.forFruits(fruits, dose, waste, step, d("5"), d("1"));
            String asked = fruits + " fruits, " + dose + " ml, waste " + waste + ", step " + step;

            assertThat(made.doses()).as(asked).isGreaterThanOrEqualTo(fruits);
            BigDecimal less = made.volumeMl().subtract(step);
            assertThat(new Suspension(less, d("5"), d("1"), dose, waste).doses())
                    .as(asked)
                    .isLessThan(fruits);
        }
    }

    /** A kitchen weighs grams: by hand, 2.5 % of 15 ml is 0.375 g, of a jug of 100 ml 2.5 g. */
    @ParameterizedTest
    @CsvSource({
        "2.5, 15, 100, 2.5",
        "5, 40, 100, 5",
        "2, 30, 200, 4",
        "2.5, 100, -, -",
        "0, 15, -, -",
        "1, 20, 250, 2.5"
    })
    void too_little_sugar_is_taken_from_a_jug_that_can_be_weighed(String percent, String ml, String jug, String grams) {
        Suspension made = new Suspension(d(ml), d(percent), d("1"), d("0.5"), d("0.15"));
        Optional<HouseholdRecipe> recipe = HouseholdRecipe.of(made);
        assertThat(recipe.isPresent()).isEqualTo(!jug.equals("-"));
        recipe.ifPresent(r -> {
            assertThat(r.stockMl()).isEqualByComparingTo(jug);
            assertThat(r.sugarG()).isEqualByComparingTo(grams);
            assertThat(r.takeMl()).isEqualByComparingTo(ml);
        });
    }

    /** 30 doses of 0.5 ml at 1 mg/ml are 15 mg: one caprifig; a milligram more takes another. */
    @Test
    void milligrams_are_caprifigs_and_caprifigs_are_doses() {
        Suspension fig = new Suspension(d("15"), d("2.5"), d("1"), d("0.5"), d("0.15"));
        assertThat(fig.pollenMgPerFlower(d("30"))).isEqualByComparingTo("15");
        assertThat(fig.flowersFor(d("30"))).isEqualTo(1);
        assertThat(new Suspension(d("16"), d("2.5"), d("1"), d("0.5"), d("0.15")).flowersFor(d("30")))
                .isEqualTo(2);
        assertThatThrownBy(() -> fig.flowersFor(d("0"))).hasMessageContaining("more than 0");
    }

    @ParameterizedTest(name = "{0} % sugar")
    @CsvSource({"88, true", "88.1, false", "-1, false"})
    void sugar_over_saturation_is_refused(String percent, boolean allowed) {
        if (allowed) {
            assertThat(new Suspension(d("100"), d(percent), d("1"), d("1"), d("0")).sugarG())
                    .isEqualByComparingTo(percent);
        } else {
            assertThatThrownBy(() -> new Suspension(d("100"), d(percent), d("1"), d("1"), d("0")))
                    .hasMessageContaining(percent);
        }
    }

    @Test
    void all_of_it_wasted_is_refused_where_a_volume_is_asked_for() {
        assertThatThrownBy(() -> Suspension.forFruits(10, d("1"), d("1"), d("1"), d("5"), d("1")))
                .hasMessageContaining("no volume is enough");
        assertThatThrownBy(() -> Dilution.toVolume(d("10"), d("12"), d("100")))
                .hasMessageContaining("12 %, stronger than the stock of 10 %");
    }

    @ParameterizedTest
    @CsvSource({
        "8, TIGHT_GREEN, TOO_SMALL",
        "12, LOOSENING_GREEN, RIGHT",
        "27.9, LOOSENING_GREEN, RIGHT",
        "28, LOOSENING_GREEN, TOO_LATE",
        "10, COLOURED, TOO_LATE",
    })
    void a_fig_takes_pollen_between_two_sizes_and_only_with_a_green_eye(double mm, FigSize.Eye eye, FigSize expected) {
        SuspensionTraits traits = CropSheets.shipped()
                .find("fig-edible")
                .orElseThrow()
                .pollen()
                .suspension()
                .orElseThrow();

        assertThat(FigSize.of(mm, eye, traits.sizeWindow().orElseThrow())).isEqualTo(expected);
        assertThatThrownBy(() -> FigSize.of(Double.NaN, eye, traits.sizeWindow().orElseThrow()))
                .hasMessageContaining("NaN");
    }
}
