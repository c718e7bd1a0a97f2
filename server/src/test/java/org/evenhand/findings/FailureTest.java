package org.evenhand.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Why flowers failed, what was learned from all of them, and the season on paper. */
class FailureTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;
    private final String ridge = api.variety("Pale Ridge");
    private final String lantern = api.variety("Lantern");
    private final String giver = api.tree(lantern, "Lantern 1");
    private final String other = api.tree(api.variety("Far Bank"), "Far Bank 1");
    private final String taker = api.tree(ridge, "Pale Ridge 1");
    private final String second = api.tree(ridge, "Pale Ridge 2");
    private final Instant done = now.minus(Duration.ofDays(20));

    /** An old jar that failed on two trees, and a fresh one of another father that did well on the same. */
    private String oldJar() {
        String old = api.lot(giver, done.minus(Duration.ofDays(22)), 90).id();
        String fresh = api.lot(other, done.minusSeconds(600), 90).id();
        took(taker, old, 20, 1, 19);
        took(second, old, 20, 2, 18);
        took(taker, fresh, 30, 21, 9);
        took(second, fresh, 30, 20, 10);
        return old;
    }

    private void took(String tree, String lot, int flowers, int taken, int failed) {
        String id = api.pollinate(tree, lot, flowers, done).expect(200).id();
        api.check(id, done.plus(Duration.ofDays(7)), taken, failed, 0).expect(200);
        api.check(id, done.plus(Duration.ofDays(12)), taken, failed, 0).expect(200);
    }

    @Test
    void an_old_jar_that_failed_on_two_trees_is_found_and_the_test_for_it_named() {
        String old = oldJar();
        JsonNode worst = api.get("/api/findings/worst").expect(200).body();
        assertThat(worst.path("lines").get(0).path("kind").asString()).isEqualTo("JAR");
        assertThat(worst.path("lines").get(0).path("key").asString()).isEqualTo(old);

        JsonNode jar =
                api.get("/api/findings/failure?kind=JAR&key=" + old).expect(200).body();
        assertThat(jar.path("rate").path("taken").asInt()).isEqualTo(3);
        assertThat(jar.path("causes").get(0).path("name").asString()).isEqualTo("Pollen too old");
        assertThat(jar.path("test").asString()).startsWith("Germinate a pinch");
        assertThat(jar.path("ruledOut").toString())
                .contains("it is not the day alone")
                .contains("it is not the tree alone");

        JsonNode tree = api.get("/api/findings/failure?kind=TREE&key=" + taker)
                .expect(200)
                .body();
        assertThat(tree.path("what").asString()).isEqualTo("Pale Ridge 1");
        assertThat(api.get("/api/findings/failure?kind=DAY&key=" + giver)
                        .expect(400)
                        .errorAt("key"))
                .contains("a date");
        assertThat(api.get("/api/findings/failure?kind=TREE&key=" + giver)
                        .expect(400)
                        .errorAt("key"))
                .contains("no flowers");
    }

    @Test
    void what_was_learned_stands_beside_what_was_shipped_and_can_be_switched_off() {
        oldJar();
        JsonNode learned = api.get("/api/learned").expect(200).body();
        assertThat(learned.path("used").asBoolean()).isTrue();
        JsonNode variety = named(learned.path("varieties"), "variety", "Pale Ridge");
        assertThat(variety.path("shipped").asDouble()).isEqualTo(0.5);
        // 44 of 100 flowers, and the sheet's half weighing 4.
        assertThat(variety.path("learned").asDouble()).isCloseTo(46 / 104.0, within(1e-9));
        assertThat(variety.path("flowers").asInt()).isEqualTo(100);
        JsonNode cross =
                learned.path("crosses").get(0).path("father").asString().equals("Lantern")
                        ? learned.path("crosses").get(0)
                        : learned.path("crosses").get(1);
        assertThat(cross.path("shipped").asDouble()).isEqualTo(1);
        // (3 + 20 · 0.44) / 60 over 0.44.
        assertThat(cross.path("learned").asDouble()).isCloseTo(11.8 / 60 / 0.44, within(1e-9));

        api.put("/api/cross-requests/" + Api.newId(), Map.of("motherId", ridge, "fatherId", lantern, "seeds", 200))
                .expect(200);
        assertThat(whyOfCrossRequest()).contains("the crop sheet, and 3 of 40 here");

        Map<String, Object> off = Api.settings(Map.of("flowersPerHour", 60, "everyDay", List.of()));
        off.put("useLearned", false);
        assertThat(share()).isCloseTo(46 / 104.0, within(1e-9));
        api.put("/api/round-settings/" + Api.newId(), off).expect(200);
        assertThat(share()).as("the crop sheet's").isEqualTo(0.5);
        assertThat(whyOfCrossRequest()).contains("about 40 % of crossed flowers", "(as the crop sheet says)");
        JsonNode still = api.get("/api/learned").expect(200).body();
        assertThat(still.path("used").asBoolean()).isFalse();
        assertThat(still.path("varieties")).isEqualTo(learned.path("varieties"));
    }

    private String whyOfCrossRequest() {
        return api.get("/api/cross-requests")
                .expect(200)
                .body()
                .get(0)
                .path("why")
                .asString();
    }

    private double share() {
        return named(api.get("/api/targets").expect(200).body(), "tree", "Pale Ridge 1")
                .path("share")
                .asDouble();
    }

    private static JsonNode named(JsonNode rows, String field, String name) {
        for (JsonNode row : rows) {
            if (row.path(field).asString().equals(name)) {
                return row;
            }
        }
        throw new AssertionError("Nothing is called " + name + " in " + rows);
    }

    @Test
    void the_season_is_told_on_a_page_and_on_paper_year_against_year() throws IOException {
        oldJar();
        Instant lastYear = done.minus(Duration.ofDays(365));
        String lot = api.lot(giver, lastYear.minusSeconds(600), 90).id();
        String id = api.pollinate(taker, lot, 40, lastYear).expect(200).id();
        api.check(id, lastYear.plus(Duration.ofDays(12)), 10, 30, 0).expect(200);

        JsonNode report = api.get("/api/findings/season").expect(200).body();
        assertThat(report.path("done").get(0).asString())
                .isEqualTo("Cherimoya, 2026: 100 flowers by hand on 2 trees, on 1 day, from 2 jars, by 1 person.");
        assertThat(report.path("fathers").get(0).path("name").asString()).isEqualTo("Far Bank");
        assertThat(report.path("otherwise").toString()).contains("use Far Bank").contains("Germinate a pinch");
        assertThat(report.path("years").size()).isEqualTo(2);
        assertThat(report.path("between").asString()).startsWith("Against 2025: 44 %, then 25 %; better by");
        JsonNode before = api.get("/api/findings/season?season=2025&crop=cherimoya")
                .expect(200)
                .body();
        assertThat(before.path("between").asString()).isEmpty();

        try (PDDocument pdf = Loader.loadPDF(api.bytes("/api/findings/season.pdf"))) {
            String text = new PDFTextStripper().getText(pdf);
            assertThat(text)
                    .contains("Cherimoya, season 2026")
                    .contains("Best fathers")
                    .contains("Far Bank")
                    .contains("41 of 60")
                    .contains("Year against year");
            assertThat(pdf.getNumberOfPages()).isEqualTo(1);
        }
    }
}
