package org.evenhand.core.crop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CropSheetReaderTest {

    @Test
    void the_shipped_cherimoya_walks_from_bud_over_female_to_male() {
        CropSheet sheet = CropSheets.shipped().find("cherimoya").orElseThrow();

        assertThat(sheet.stages())
                .extracting(StageSheet::phase)
                .containsExactly(Phase.BUD, Phase.FEMALE, Phase.FEMALE, Phase.BETWEEN, Phase.MALE, Phase.SPENT);
        assertThat(sheet.indexOf("shedding")).isEqualTo(4);
        assertThat(sheet.cautions()).isNotEmpty();
        assertThat(sheet.pollen().keeping()).containsKeys(Storage.ROOM, Storage.FRIDGE_DESICCANT);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "meanHours: 96 memory|meanHours: -3 memory|stages[0].meanHours|-3",
                "phase: bud|phase: flower|stages[0].phase|known are bud, female",
                "q10: 2 memory|q10: 2 published|pollen.q10.source|must be given",
                "q10: 2 memory|q10: {value: two, basis: memory}|pollen.q10.value|must be a number",
                "q10: 2 memory|q10: 2|pollen.q10.value|must be a number",
                "q10: 2 memory|q10: two memory|pollen.q10|written with its basis",
                "shape: 6 memory|shape: 6.5 memory|stages[0].shape|whole number",
                "key: parted|key: closed|stages[1].key|twice",
                "fridge-desiccant:|cellar:|pollen.keeping.cellar|not a known storage",
                "closes: {from: sunrise, hours: 7|closes: {from: sunrise, hours: 0|stages[0].gate|never opens",
                "baseC: 9|baseC: 25|temperature|must rise",
                "receptivity: 0.9 memory|receptivity: 0 memory|stages[1].receptivity|female",
                "likely: [0.96, 0.08|likely: [0.5, 0.08|look[0].answers|must share out 1",
                "likely: [0.96, 0.08, 0|likely: [0.96, 0.08|look[0].answers[0].likely|list of 6 shares",
                "stage: wide-tight|stage: wide|mistakes[0]|does not have",
                "signs: petals shut all round|sings: petals shut|stages[0].signs|missing",
                "signs: petals shut all round|signs: ''|stages[0].signs|not empty",
                "signs: petals shut all round|signs: shut, colour: green|stages[0].colour|is not known here",
                "serves: true|serves: false|ownVariety.worth|must be 0",
                "prepareAt: closed|prepareAt: shut|cross.prepareAt|does not have",
                "seeds: 40 memory|seeds: 400 memory|cross.seeds|not be more than ovules",
                "ripeAfterHours: 24|ripeAfterHours: 90|cross.lastsHours|more than ripeAfterHours",
            })
    void a_faulty_sheet_is_refused_with_file_and_field(String from, String to, String field, String says)
            throws IOException {
        String faulty = shipped().replaceFirst(java.util.regex.Pattern.quote(from), to);
        assertThat(faulty).isNotEqualTo(shipped());

        assertThatThrownBy(() -> read(faulty))
                .isInstanceOf(CropSheetException.class)
                .hasMessageContaining("test.yaml, " + field + ": ")
                .hasMessageContaining(says);
    }

    @Test
    void every_fault_of_a_sheet_is_told_at_once() throws IOException {
        String faulty = shipped().replace("phase: bud", "phase: flower").replace("name: Cherimoya", "name: ''");

        assertThatThrownBy(() -> read(faulty))
                .isInstanceOfSatisfying(
                        CropSheetException.class,
                        e -> assertThat(e.problems()).extracting(p -> p.field()).contains("name", "stages[0].phase"));
    }

    @Test
    void what_is_not_yaml_is_refused_with_the_file() {
        assertThatThrownBy(() -> read("crop: [unclosed"))
                .isInstanceOf(CropSheetException.class)
                .hasMessageContaining("test.yaml, (document): is not readable YAML");
    }

    @Test
    void a_new_species_needs_only_a_file(@TempDir Path directory) throws IOException {
        Files.writeString(
                directory.resolve("moon-apple.yaml"),
                shipped()
                        .replace("crop: cherimoya", "crop: moon-apple")
                        .replace("name: Cherimoya", "name: Moon apple"));

        CropSheets sheets = CropSheets.shipped().withDirectory(directory);

        assertThat(sheets.find("moon-apple")).isPresent();
        assertThat(sheets.all()).extracting(CropSheet::name).contains("Cherimoya", "Moon apple");
    }

    @Test
    void two_stages_that_no_sign_tells_apart_are_refused() {
        String faulty = shipped().replaceAll("likely: \\[([^,]+), [^,]+,", "likely: [$1, $1,");

        assertThatThrownBy(() -> read(faulty))
                .hasMessageContaining("stages[1]: has no sign that tells it from 'closed'");
    }

    @Test
    void strands_serve_on_their_day_and_dried_pollen_from_then_on() {
        PollenTraits date =
                CropSheets.shipped().find("date-palm-male").orElseThrow().pollen();
        assertThat(date.servesAfter(0)).isTrue();
        assertThat(date.servesAfter(12)).isTrue();
        assertThat(date.servesAfter(30)).as("wilted, not dry").isFalse();
        assertThat(date.servesAfter(48)).isTrue();
        assertThat(CropSheets.shipped().find("cherimoya").orElseThrow().pollen().servesAfter(1))
                .isTrue();
    }

    @Test
    void every_shipped_sheet_reads_and_names_its_sources() throws IOException {
        String sources = Files.readString(Path.of("../docs/SOURCES.md"));

        for (CropSheet sheet : CropSheets.shipped().all()) {
            assertThat(sheet.numbers()).as(sheet.key()).hasSizeGreaterThan(20);
            for (SheetNumber number : sheet.numbers()) {
                number.number()
                        .source()
                        .ifPresent(key -> assertThat(sources)
                                .as("%s %s", sheet.key(), number.path())
                                .contains("| " + key + " |"));
            }
        }
        assertThat(CropSheets.shipped().all())
                .hasSize(24)
                .extracting(CropSheet::crop)
                .contains("avocado", "fig");
    }

    @Test
    void an_orchards_own_numbers_replace_the_shipped_ones_and_say_so() {
        CropSheets own = CropSheets.shipped().withOwnNumbers("cherimoya", Map.of("stages[1].meanHours", 20.0));

        CropSheet sheet = own.find("cherimoya").orElseThrow();
        assertThat(sheet.stages().get(1).meanHours()).isEqualTo(new Sourced(20, Basis.OWN, Optional.empty()));
        assertThat(sheet.numbers().stream().filter(SheetNumber::changed))
                .singleElement()
                .satisfies(n -> assertThat(n.shipped().value()).isEqualTo(16));
        assertThat(own.find("avocado-a")).isPresent();
    }

    @ParameterizedTest
    @CsvSource({
        "stages[1].meanHours,-1,allowed is",
        "stages[1].shape,2.5,whole number",
        "stages[9].meanHours,5,no number of this sheet",
        "temperature.baseC,29,must rise",
    })
    void own_numbers_that_break_the_sheet_are_refused(String path, double value, String says) {
        assertThatThrownBy(() -> CropSheets.shipped().withOwnNumbers("cherimoya", Map.of(path, value)))
                .isInstanceOf(CropSheetException.class)
                .hasMessageContaining(says);
    }

    @Test
    void a_species_with_types_is_one_file_and_each_type_has_its_own_numbers() {
        CropSheets own = CropSheets.shipped().withOwnNumbers("avocado", Map.of("types[1].stages[1].meanHours", 5.0));

        CropSheet a = own.find("avocado-a").orElseThrow();
        CropSheet b = own.find("avocado-b").orElseThrow();
        assertThat(a.crop()).isEqualTo(b.crop()).isEqualTo("avocado");
        assertThat(a.name()).isEqualTo("Avocado, type A");
        assertThat(a.stages().get(1).meanHours().value()).isEqualTo(3);
        assertThat(b.stages().get(1).meanHours().basis()).isEqualTo(Basis.OWN);
        assertThat(a.numbers()).noneMatch(n -> n.path().startsWith("types[1]"));
        assertThat(b.numbers()).noneMatch(n -> n.path().startsWith("types[0]"));
    }

    @Test
    void a_fault_that_types_share_is_told_once() {
        String faulty = TestSheets.text("avocado").replace("q10: 2 memory", "q10: 99 memory");

        assertThatThrownBy(() -> TestSheets.read(faulty))
                .isInstanceOfSatisfying(
                        CropSheetException.class, e -> assertThat(e.problems()).hasSize(1));
    }

    @Test
    void a_fault_of_one_type_names_it() {
        String faulty = TestSheets.text("kiwifruit").replaceFirst("receptivity: 0.3 memory", "receptivity: 0 memory");

        assertThatThrownBy(() -> TestSheets.read(faulty)).hasMessageContaining("types[0].stages[2].receptivity");
    }

    @Test
    void own_numbers_for_a_crop_without_a_sheet_are_refused() {
        assertThatThrownBy(() -> CropSheets.shipped().withOwnNumbers("moon-apple", Map.of()))
                .hasMessageContaining("crop: is 'moon-apple'");
    }

    private static String shipped() {
        return TestSheets.text("cherimoya");
    }

    private static CropSheet read(String yaml) {
        return TestSheets.read(yaml).get(0);
    }
}
