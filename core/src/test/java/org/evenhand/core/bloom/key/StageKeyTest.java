package org.evenhand.core.bloom.key;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.FlowerKey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class StageKeyTest {
    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();

    static Stream<CropSheet> sheets() {
        return CropSheets.shipped().all().stream();
    }

    /** Worked by hand from Bayes' rule with the sheet's likelihoods, six equal priors and slips of 3 % over three answers. */
    @Test
    void powder_on_the_brush_is_weighed_by_bayes() {
        StageKey key = StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("brush", "powder"));

        double[] likely = {
            0.01, 0.97 * 0.01 + 0.01, 0.97 * 0.02 + 0.01, 0.97 * 0.05 + 0.01, 0.97 * 0.88 + 0.01, 0.97 * 0.1 + 0.01
        };
        double sum = Arrays.stream(likely).sum();
        for (int s = 0; s < 6; s++) {
            assertThat(key.chances().get(s)).isCloseTo(likely[s] / sum, within(1e-12));
        }
    }

    @Test
    void wide_petals_over_a_tight_dome_are_not_yet_male_and_it_says_so() {
        StageKey key = StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("petals", "wide", "dome", "tight"));

        assertThat(best(CHERIMOYA, key)).isEqualTo("wide-tight");
        assertThat(key.mistakes()).extracting(FlowerKey.Mistake::say).anyMatch(s -> s.contains("not yet male"));
    }

    @Test
    void a_clean_brush_on_a_wide_flower_means_come_back_later() {
        StageKey key = StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("petals", "wide", "brush", "clean"));

        assertThat(best(CHERIMOYA, key)).isEqualTo("wide-tight");
        assertThat(key.mistakes()).extracting(FlowerKey.Mistake::say).anyMatch(s -> s.contains("come back later"));
    }

    /** The sheets themselves: whoever gives for each sign the answer that is usual for a stage is told that stage. */
    @ParameterizedTest
    @MethodSource("sheets")
    void the_usual_looks_of_every_stage_of_every_crop_lead_to_that_stage(CropSheet sheet) {
        for (int s = 0; s < sheet.stages().size(); s++) {
            Map<String, String> answers = usualLooks(sheet, s);

            StageKey key = StageKey.of(sheet, equal(sheet), answers);

            assertThat(best(sheet, key))
                    .as("%s %s", sheet.key(), answers)
                    .isEqualTo(sheet.stages().get(s).key());
            assertThat(key.chances().stream().mapToDouble(c -> c).sum()).isCloseTo(1, within(1e-12));
        }
    }

    /** Following the key's own questions finds the stage of simulated flowers nearly always, one that looks odd included. */
    @ParameterizedTest
    @MethodSource("sheets")
    void asking_what_tells_most_names_the_stage_of_most_simulated_flowers(CropSheet sheet) {
        SplittableRandom random = new SplittableRandom(3);
        int right = 0;
        int flowers = 300;
        for (int f = 0; f < flowers; f++) {
            int stage = random.nextInt(sheet.stages().size());
            Map<String, String> answers = new HashMap<>();
            StageKey key = StageKey.of(sheet, equal(sheet), answers);
            while (key.next().isPresent()) {
                FlowerKey.Sign sign = sign(sheet, key.next().get().sign());
                answers.put(sign.key(), seen(sign, stage, random));
                key = StageKey.of(sheet, equal(sheet), answers);
            }
            right += best(sheet, key).equals(sheet.stages().get(stage).key()) ? 1 : 0;
        }
        assertThat(right / (double) flowers).as(sheet.key()).isGreaterThan(0.85);
    }

    @Test
    void the_next_question_is_the_one_that_leaves_the_least_doubt() {
        StageKey key = StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("petals", "wide"));

        List<StageKey.Question> all = StageKey.questions(
                CHERIMOYA, key.chances().stream().mapToDouble(c -> c).toArray(), Map.of("petals", "wide"));
        assertThat(key.next()).contains(all.get(0));
        assertThat(all).extracting(StageKey.Question::sign).doesNotContain("petals");
        assertThat(all)
                .isSortedAccordingTo(
                        Comparator.comparingDouble(StageKey.Question::bits).reversed());
        assertThat(all.get(0).bits()).isBetween(0.3, Math.log(6) / Math.log(2));
    }

    @Test
    void the_hour_weighs_in() {
        double[] evening = {0.1, 0.1, 0.1, 0.05, 0.6, 0.05};

        StageKey atNoon = StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("petals", "wide"));
        StageKey later = StageKey.of(CHERIMOYA, evening, Map.of("petals", "wide"));

        assertThat(later.chances().get(4)).isGreaterThan(atNoon.chances().get(4));
    }

    @Test
    void signs_and_answers_that_are_not_on_the_sheet_are_refused() {
        assertThatThrownBy(() -> StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("smell", "sweet")))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("answers.smell: is no sign of Cherimoya");
        assertThatThrownBy(() -> StageKey.of(CHERIMOYA, equal(CHERIMOYA), Map.of("dome", "blue")))
                .hasMessageContaining("known are [hidden, tight, loose, bare]");
    }

    private static double[] equal(CropSheet sheet) {
        double[] shares = new double[sheet.stages().size()];
        Arrays.fill(shares, 1.0 / shares.length);
        return shares;
    }

    private static String best(CropSheet sheet, StageKey key) {
        int best = 0;
        for (int s = 1; s < key.chances().size(); s++) {
            best = key.chances().get(s) > key.chances().get(best) ? s : best;
        }
        return sheet.stages().get(best).key();
    }

    private static Map<String, String> usualLooks(CropSheet sheet, int stage) {
        Map<String, String> answers = new HashMap<>();
        for (FlowerKey.Sign sign : sheet.flowerKey().signs()) {
            answers.put(
                    sign.key(),
                    sign.answers().stream()
                            .max(Comparator.comparingDouble(a -> a.likely().get(stage)))
                            .orElseThrow()
                            .key());
        }
        return answers;
    }

    private static FlowerKey.Sign sign(CropSheet sheet, String key) {
        return sheet.flowerKey().signs().stream()
                .filter(s -> s.key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static String seen(FlowerKey.Sign sign, int stage, SplittableRandom random) {
        double u = random.nextDouble();
        for (FlowerKey.Answer answer : sign.answers()) {
            u -= answer.likely().get(stage);
            if (u <= 0) {
                return answer.key();
            }
        }
        return sign.answers().get(sign.answers().size() - 1).key();
    }
}
