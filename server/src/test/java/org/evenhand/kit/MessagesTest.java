package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.Text;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.ObjectMapper;

/** The words of each language against one another, against the code that says them, and against the crop sheets. */
class MessagesTest {
    private static final Pattern TAG = Pattern.compile("</?([a-z]+)>");
    private static final Pattern SAID = Pattern.compile("Text\\.of\\(\\s*\"([^\"]+)\"");

    /** Words of a crop sheet that field screens show; the same list stands in web/src/text/sheets.ts. */
    private static final Set<String> SHOWN = Set.of(
            "name",
            "signs",
            "question",
            "strokes",
            "handling",
            "cautions",
            "cleanBetween",
            "how",
            "say",
            "lookFor",
            "whenThere",
            "bag",
            "emasculate",
            "thin");

    /** A sheet that the tests bring along. */
    private static final String OF_TESTS = "proud-annona";

    private final Map<String, String> english = read("en");
    private final Map<String, String> spanish = read("es");

    private static Map<String, String> read(String file) {
        try {
            return new ObjectMapper()
                    .readValue(
                            Files.readString(Path.of("../messages/" + file + ".json")),
                            new TypeReference<TreeMap<String, String>>() {});
        } catch (IOException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void every_message_is_there_in_both_languages_with_the_same_values_and_marks() {
        assertThat(english.size()).isGreaterThan(400);
        assertThat(spanish.keySet()).isEqualTo(english.keySet());
        english.forEach((key, text) -> {
            assertThat(arguments(spanish.get(key))).as(key).isEqualTo(arguments(text));
            assertThat(tags(spanish.get(key))).as(key).isEqualTo(tags(text));
        });
    }

    private static Set<String> arguments(String message) {
        return new TreeSet<>(new MessageFormat(message, Locale.ROOT).getArgumentNames());
    }

    private static Set<String> tags(String message) {
        Set<String> tags = new TreeSet<>();
        Matcher m = TAG.matcher(message);
        while (m.find()) {
            tags.add(m.group(1));
        }
        return tags;
    }

    @Test
    void whatever_core_and_server_say_has_its_words() throws IOException {
        List<String> said = new ArrayList<>();
        for (Path room : List.of(Path.of("src/main/java"), Path.of("../core/src/main/java"))) {
            try (Stream<Path> files = Files.walk(room)) {
                for (Path file :
                        files.filter(f -> f.toString().endsWith(".java")).toList()) {
                    Matcher m = SAID.matcher(Files.readString(file));
                    while (m.find()) {
                        said.add(m.group(1));
                    }
                }
            }
        }
        assertThat(said).hasSizeGreaterThan(20);
        assertThat(english.keySet()).containsAll(said);
    }

    @Test
    void the_crop_sheets_that_ship_are_complete_in_spanish() {
        Map<String, String> phrases = read("phrases.es");
        Set<String> missing = new TreeSet<>();
        Api api = TestServer.get().newOrchard();
        api.get("/api/crops")
                .expect(200)
                .body()
                .valueStream()
                .filter(sheet -> !sheet.path("key").asString().equals(OF_TESTS))
                .forEach(sheet -> shown(sheet, missing));
        assertThat(missing).hasSizeGreaterThan(300);
        missing.removeAll(phrases.keySet());
        assertThat(missing).isEmpty();
    }

    private static void shown(JsonNode of, Set<String> into) {
        of.properties().forEach(field -> {
            if (SHOWN.contains(field.getKey())) {
                texts(field.getValue(), into);
            } else {
                field.getValue().forEach(one -> shown(one, into));
                shown(field.getValue(), into);
            }
        });
    }

    private static void texts(JsonNode of, Set<String> into) {
        if (of.isString()) {
            into.add(of.asString());
        } else {
            of.forEach(one -> texts(one, into));
        }
    }

    // Plurals and dates by CLDR, as ICU ships it.
    @ParameterizedTest
    @CsvSource({"1, 1 flower", "2, 2 flowers", "1200, '1,200 flowers'"})
    void numbers_have_their_plural(int n, String said) {
        assertThat(Messages.english(ZoneId.of("UTC")).say(Text.of("count.flower", "n", n)))
                .isEqualTo(said);
    }

    @Test
    void days_and_moments_are_written_for_readers_and_what_has_no_words_is_an_error() {
        Messages english = Messages.english(ZoneId.of("Pacific/Auckland"));
        assertThat(english.say(
                        Text.of("obstacle.leaf-out", "sheet", "Cherimoya", "day", LocalDate.parse("2026-12-17"))))
                .startsWith("Cherimoya: flowers that open before 17 Dec 2026 ");
        assertThat(english.say(Text.of("stop.first-visit", "marks", "none", "at", "2026-11-23T05:10:00Z")))
                .startsWith("without a mark, pollinated ")
                .contains("18:10");
        assertThatThrownBy(() -> english.say(Text.of("nobody.says-this")))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("nobody.says-this");
    }

    @Test
    void the_language_is_kept_with_the_account_and_only_one_that_is_there() {
        Api api = TestServer.get().newOrchard();
        assertThat(api.get("/api/session").expect(200).body().has("locale")).isFalse();
        api.put("/api/session/locale", Map.of("locale", "es-MX")).expect(200);
        assertThat(api.get("/api/session").expect(200).body().path("locale").asString())
                .isEqualTo("es-MX");
        assertThat(api.put("/api/session/locale", Map.of("locale", "tlh"))
                        .expect(400)
                        .errorAt("locale"))
                .contains("'tlh'")
                .contains("en-GB");
    }
}
