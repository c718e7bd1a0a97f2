package org.evenhand.core.crop;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
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
                "meanHours: {value: 96, basis: memory}|meanHours: {value: -3, basis: memory}|stages[0].meanHours.value|-3",
                "phase: bud|phase: flower|stages[0].phase|known are bud, female",
                "q10: {value: 2, basis: memory}|q10: {value: 2, basis: published}|pollen.q10.source|must be given",
                "q10: {value: 2, basis: memory}|q10: {value: two, basis: memory}|pollen.q10.value|must be a number",
                "shape: {value: 6, basis: memory}|shape: {value: 6.5, basis: memory}|stages[0].shape.value|whole number",
                "key: parted|key: closed|stages[1].key|twice",
                "fridge-desiccant:|cellar:|pollen.keeping.cellar|not a known storage",
                "closes: {from: sunrise, hours: {value: 7|closes: {from: sunrise, hours: {value: 0|stages[0].gate|never opens",
                "baseC: {value: 9|baseC: {value: 25|temperature|must rise",
                "receptivity: {value: 0.9, basis: memory}|receptivity: {value: 0, basis: memory}|stages[1].receptivity.value|female",
                "signs: petals shut all round|sings: petals shut|stages[0].signs|missing",
                "signs: petals shut all round|signs: shut~colour: green|stages[0].colour|is not known here",
                "serves: true|serves: false|ownVariety.worth.value|must be 0",
            })
    void a_faulty_sheet_is_refused_with_file_and_field(String from, String to, String field, String says)
            throws IOException {
        String faulty = shipped().replaceFirst(java.util.regex.Pattern.quote(from), to.replace("~", "\n    "));
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
        assertThat(sheets.all()).extracting(CropSheet::name).containsExactly("Cherimoya", "Moon apple");
    }

    private static String shipped() throws IOException {
        try (InputStream stream = CropSheetReaderTest.class.getResourceAsStream("/crops/cherimoya.yaml")) {
            return new String(stream.readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static CropSheet read(String yaml) {
        return CropSheetReader.read("test.yaml", new ByteArrayInputStream(yaml.getBytes(StandardCharsets.UTF_8)));
    }
}
