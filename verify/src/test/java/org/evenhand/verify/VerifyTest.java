package org.evenhand.verify;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class VerifyTest {
    private static final Path CHECKS = Path.of("src/test/resources/checks");

    @TempDir
    Path directory;

    private final ByteArrayOutputStream printed = new ByteArrayOutputStream();

    @ParameterizedTest
    @CsvSource({
        "flower-clock,4",
        "sun,14",
        "vpd,12",
        "chill,15",
        "pollen-tube,14",
        "statistics,16",
        "incompatibility,16",
        "pedigree,11",
        "suspension,14",
        "crop-load,11",
        "round-plan,6",
        "allocation,10",
        "survival,5"
    })
    void the_reference_cases_pass(String topic, int cases) {
        int exit = run(CHECKS.resolve(topic + ".json"));

        assertThat(said()).startsWith(topic + ": " + cases + " passed, 0 failed");
        assertThat(exit).isZero();
    }

    @Test
    void modes_that_the_core_does_not_compute_are_named_and_never_counted_as_passed() throws IOException {
        run(altered("statistics.json", "logistic_separated", "moonlight"));

        assertThat(said()).contains("15 passed").contains("1 not run").contains("moonlight");
    }

    @Test
    void a_miss_is_printed_with_case_expected_and_got_and_ends_with_1() throws IOException {
        Path file = altered("statistics.json", "0.2552885198782743", "0.3");

        int exit = run(file);

        assertThat(exit).isEqualTo(1);
        assertThat(said()).contains("15 passed, 1 failed").contains("stats-s01, wilson[0]: expected 0.3, got 0.25528");
    }

    @Test
    void a_time_beyond_its_minutes_is_a_miss() throws IOException {
        Path file = altered("sun.json", "\"2024-03-20T06:18:00-05:00\"", "\"2024-03-20T06:20:00-05:00\"");

        assertThat(run(file)).isEqualTo(1);
        assertThat(said())
                .contains("sun-s01, local.sunrise: expected \"2024-03-20T06:20:00-05:00\", got 2024-03-20T06:1");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"topic\": \"moon\", \"cases\": [{}]}|the topic 'moon' is not known; known are flower-clock, sun, vpd, chill, pollen-tube, incompatibility, pedigree, suspension, crop-load, round-plan, allocation, statistics",
                "{\"topic\": \"sun\", \"cases\": []}|has no list of cases",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\"}]}|case n needs 'inputs' and 'expected'",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"lat\": 1}, \"expected\": {}}]}|case n, inputs.date is missing",
                "{\"topic\": \"statistics\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"proportion\", \"x\": \"two\"}, \"expected\": {}}]}|inputs.x must be a whole number",
                "{\"topic\": \"chill\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"series\", \"series\": {\"kind\": \"moon\"}}, \"expected\": {}}]}|inputs.series.kind is not known",
                "{\"topic\": \"chill\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"series\", \"series\": {\"kind\": \"steps\", \"steps\": [[1]]}}, \"expected\": {}}]}|steps[0] must be a pair of numbers",
                "{\"topic\": \"pollen-tube\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"index\", \"temps\": [7]}, \"expected\": {\"exact_inverse_days\": {}}}]}|expects none of the readings that the core offers",
                "{\"topic\": \"sun\", \"cases\": [|is not JSON",
            })
    void a_broken_file_is_told_in_a_sentence_and_ends_with_2(String content, String says) throws IOException {
        Path file = directory.resolve("broken.json");
        Files.writeString(file, content);

        assertThat(run(file, CHECKS.resolve("sun.json"))).isEqualTo(2);
        assertThat(said()).contains("broken.json: ").contains(says).contains("sun: 14 passed, 0 failed");
    }

    @Test
    void a_missing_file_and_inputs_the_core_refuses_are_told() throws IOException {
        assertThat(run(directory.resolve("nowhere.json"))).isEqualTo(2);
        assertThat(said()).contains("cannot be read");

        assertThat(run(altered("statistics.json", "\"x\": 81,", "\"x\": 281,"))).isEqualTo(1);
        assertThat(said()).contains("stats-s01, the core refuses the inputs").contains("is 281; allowed is 0 to 263");
    }

    @Test
    void a_changed_value_of_each_new_topic_is_a_miss() throws IOException {
        assertThat(run(altered("vpd.json", "0.9143479032660189", "0.9153479032660189")))
                .isEqualTo(1);
        assertThat(said()).contains("11 passed, 1 failed").contains("vpd_kPa: expected 0.915");

        assertThat(run(altered("chill.json", "7.820745749814913,", "7.83,"))).isEqualTo(1);
        assertThat(said()).contains("chill_portions: expected 7.83, got 7.8207");

        assertThat(run(altered("pollen-tube.json", "\"epp_days\": 2", "\"epp_days\": 3")))
                .isEqualTo(1);
        assertThat(said()).contains("epp_days: expected 3, got 2.0");
    }

    private Path altered(String name, String from, String to) throws IOException {
        String content = Files.readString(CHECKS.resolve(name));
        assertThat(content).contains(from);
        Path file = directory.resolve(name);
        Files.writeString(file, content.replace(from, to));
        return file;
    }

    private int run(Path... files) {
        String[] names = java.util.Arrays.stream(files).map(Path::toString).toArray(String[]::new);
        return new Verify(new PrintStream(printed, true, StandardCharsets.UTF_8)).run(names);
    }

    private String said() {
        return printed.toString(StandardCharsets.UTF_8);
    }
}
