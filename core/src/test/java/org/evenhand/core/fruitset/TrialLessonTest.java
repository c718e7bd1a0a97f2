package org.evenhand.core.fruitset;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.statistics.Proportion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

/** What a judged trial would have the crop sheet say. Expected values by hand: (set + 1) / (flowers + 2), in hundredths. */
class TrialLessonTest {
    private static CropSheet sheet(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "cherimoya, 18, 40, load.setShare, 0.45",
        "cherimoya, 0, 3, load.setShare, 0.2",
        "cherimoya, 3, 3, load.setShare, 0.8",
        "dragon-fruit, 26, 28, fruit.setShare, 0.9"
    })
    void flowers_by_hand_tell_the_share_that_sets_and_a_few_never_say_none_or_all(
            String crop, int set, int flowers, String path, double value) {
        TrialLesson.Change change = TrialLesson.ofHand(sheet(crop), new Proportion(set, flowers))
                .changes()
                .get(0);

        assertThat(change.number().path()).endsWith(path);
        assertThat(change.value()).isEqualTo(value);
        assertThat(change.applied()).isEqualTo(change.number().number().value() == value);
    }

    @Test
    void what_the_sheet_says_already_is_applied() {
        TrialLesson.Change same = TrialLesson.ofHand(sheet("dragon-fruit"), new Proportion(26, 28))
                .changes()
                .get(0);
        TrialLesson.Change other = TrialLesson.ofHand(sheet("dragon-fruit"), new Proportion(13, 28))
                .changes()
                .get(0);
        assertThat(same.number().number().value()).isEqualTo(0.9);
        assertThat(List.of(same.applied(), other.applied())).containsExactly(true, false);
    }

    static Stream<CropSheet> crops() {
        return CropSheets.shipped().all().stream();
    }

    /** Over every crop there is: nothing where its sheet keeps no such number, else a value within that number's bounds. */
    @ParameterizedTest
    @MethodSource("crops")
    void every_sheet_takes_the_lesson_or_has_no_place_for_it(CropSheet sheet) {
        boolean kept = sheet.numbers().stream().anyMatch(n -> n.path().matches("(.*\\]\\.)?(load|fruit)\\.setShare"));
        for (int set : new int[] {0, 25, 50}) {
            List<TrialLesson.Change> changes =
                    TrialLesson.ofHand(sheet, new Proportion(set, 50)).changes();
            assertThat(changes)
                    .hasSize(kept ? 1 : 0)
                    .allSatisfy(c -> assertThat(c.value())
                            .isBetween(c.number().low(), c.number().high()));
        }
    }

    @Test
    void stages_are_measured_by_the_best_of_them() {
        TrialLesson lesson = TrialLesson.ofStages(
                sheet("cherimoya"), Map.of("parted", new Proportion(20, 40), "half-open", new Proportion(30, 40)));

        // (21 / 42) / (31 / 42) = 0.677
        assertThat(lesson.changes())
                .extracting(
                        c -> c.number().path(), TrialLesson.Change::what, TrialLesson.Change::value, c -> c.applied())
                .containsExactly(
                        tuple("stages[1].receptivity", "receptivity of “Tips parted”", 0.68, false),
                        tuple("stages[2].receptivity", "receptivity of “Half open”", 1.0, true));
        assertThat(TrialLesson.ofStages(sheet("cherimoya"), Map.of("closed", new Proportion(1, 9)))
                        .changes())
                .as("a stage without such a number teaches nothing")
                .isEmpty();
    }
}
