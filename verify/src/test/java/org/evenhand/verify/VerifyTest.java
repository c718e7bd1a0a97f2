package org.evenhand.verify;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.stream.Stream;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

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
        "survival,5",
        "flower-forecast,4",
        "forecast-coverage,19",
        "bloom-coverage,2",
        "seed-budget,10",
        "nursery,12",
        "cross-evidence,10",
        "trial-power,14",
        "flower-trial,14",
        "walking-order,11",
        "visit-plan,12"
    })
    void the_reference_cases_pass(String topic, int cases) {
        int exit = run(CHECKS.resolve(topic + ".json"));

        assertThat(said()).startsWith(topic + ": " + cases + " passed, 0 failed");
        assertThat(exit).isZero();
    }

    @Test
    void choices_of_a_round_plan_are_kept() {
        assertThat(run(CHECKS.resolve("round-plan-choices.json"))).isZero();
        assertThat(said()).startsWith("round-plan: 14 passed, 0 failed");
    }

    static Stream<Path> refused() throws IOException {
        return Files.list(CHECKS).filter(f -> f.getFileName().toString().startsWith("must-be-refused"));
    }

    /** Unknown, unused, contradicting, impossible or wrongly long: a sentence that names file, case and field, never a number. */
    @ParameterizedTest
    @MethodSource("refused")
    void inputs_that_cannot_be_are_refused_with_their_name(Path file) throws IOException {
        int cases = JsonMapper.shared()
                .readTree(Files.readString(file))
                .path("cases")
                .size();

        assertThat(run(file)).isZero();
        assertThat(said()).contains(": " + cases + " passed, 0 failed").doesNotContain("Exception", "cannot be run");
        assertThat(said().lines().filter(l -> l.contains("is refused: ")))
                .hasSize(cases)
                .allSatisfy(line -> assertThat(line).contains(file.getFileName() + ": case ", "inputs"));
    }

    static Stream<String> topics() {
        return Verify.TOPICS.stream().map(Topic::name);
    }

    /** What is printed about a topic holds an example that runs. */
    @ParameterizedTest
    @MethodSource("topics")
    void each_topic_says_what_it_wants_with_an_example_that_passes(String topic) throws IOException {
        new Verify(new PrintStream(printed, true, StandardCharsets.UTF_8)).run("--schema", topic);
        String schema = said();
        assertThat(schema).startsWith(topic + ": ").contains("inputs", "expected");
        Path example = directory.resolve("example.json");
        Files.writeString(example, schema.substring(schema.indexOf("\nexample\n") + 9));
        printed.reset();

        assertThat(run(example)).as(said()).isZero();
        assertThat(said()).startsWith(topic + ": 1 passed, 0 failed");
    }

    @Test
    void a_mode_that_is_not_computed_is_broken_and_hides_no_other_case() throws IOException {
        assertThat(run(altered("statistics.json", "logistic_separated", "moonlight")))
                .isEqualTo(2);

        assertThat(said()).contains("15 passed, 0 failed, 1 broken").contains("stats-s16, inputs.mode is not one");
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
                "{\"topic\": \"moon\", \"cases\": [{}]}|the topic 'moon' is not known; known are flower-clock, flower-forecast",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"lat\": 1}, \"expected\": {}}]}|case n, expected is empty",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"lat\": 1}, \"expected\": {\"a\": 1}, \"tolerance\": 0.001}]}|case n, tolerance must be a map",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"lat\": 1}, \"expected\": {\"a\": 1}, \"tolerance\": {\"absolute\": 1}}]}|tolerance.absolute is not known",
                "{\"topic\": \"suspension\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"dilution\", \"c1\": 10, \"v1\": 1}, \"expected\": {\"v2\": 1}}]}|must be three of the four, 2 are given",
                "{\"topic\": \"statistics\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"plan_binomial\", \"k\": 1e400, \"p\": 0.5, \"c\": 0.9}, \"expected\": {\"n\": 1}}]}|n, inputs.k",
                "{\"topic\": \"sun\", \"cases\": []}|has no list of cases",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\"}]}|case n needs 'inputs' and 'expected'",
                "{\"topic\": \"sun\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"lat\": 1}, \"expected\": {\"a\": 1}}]}|case n, inputs.date is missing",
                "{\"topic\": \"statistics\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"proportion\", \"x\": \"two\"}, \"expected\": {\"a\": 1}}]}|inputs.x must be a whole number",
                "{\"topic\": \"chill\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"series\", \"series\": {\"kind\": \"moon\"}}, \"expected\": {\"a\": 1}}]}|inputs.series.kind is not known",
                "{\"topic\": \"chill\", \"cases\": [{\"name\": \"n\", \"inputs\": {\"mode\": \"series\", \"series\": {\"kind\": \"steps\", \"steps\": [[1]]}}, \"expected\": {\"a\": 1}}]}|steps[0] must be a pair of numbers",
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

        assertThat(run(altered("statistics.json", "\"x\": 81,", "\"x\": 281,"))).isEqualTo(2);
        assertThat(said())
                .contains("15 passed, 0 failed, 1 broken")
                .contains("case stats-s01, inputs: x: is 281; allowed is 0 to 263");
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

    /** More pieces of nonsense than anybody writes by hand: every case of every file with one input taken out, emptied or made odd. */
    @Test
    @Timeout(value = 120, threadMode = Timeout.ThreadMode.SEPARATE_THREAD)
    void whatever_is_done_to_an_input_no_case_ends_in_a_stack_trace() throws IOException {
        JsonMapper json = JsonMapper.shared();
        SoftAssertions softly = new SoftAssertions();
        for (Topic topic : Verify.TOPICS) {
            String schema = Verify.schemaOf(topic.name());
            ObjectNode whole = (ObjectNode) json.readTree(schema.substring(schema.indexOf("\nexample\n") + 9));
            ObjectNode inputs = (ObjectNode) whole.path("cases").path(0).path("inputs");
            for (String field :
                    inputs.properties().stream().map(e -> e.getKey()).toList()) {
                JsonNode before = inputs.get(field);
                for (JsonNode odd : List.of(
                        json.nullNode(),
                        json.valueToTree(-1),
                        json.valueToTree("x"),
                        json.createArrayNode(),
                        json.createObjectNode(),
                        json.valueToTree(1e300),
                        json.readTree("[null]"),
                        json.readTree("[[]]"))) {
                    inputs.set(field, odd);
                    Path file = directory.resolve("odd.json");
                    Files.writeString(file, json.writeValueAsString(whole));
                    printed.reset();
                    int exit = run(file);
                    softly.assertThat(exit).isBetween(0, 2);
                    softly.assertThat(said())
                            .as(topic.name() + " " + field + " " + odd)
                            .doesNotContain("Exception", "cannot be run", "\tat ");
                }
                inputs.set(field, before);
            }
        }
        softly.assertAll();
    }
}
