package org.evenhand.permit;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Base64;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Permits are recorded, end, and are spoken of where they are missing; the authority decides. */
class PermitTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final LocalDate today =
            TestServer.NOW.atZone(ZoneId.of("Pacific/Auckland")).toLocalDate();

    private static Map<String, Object> permit(LocalDate from, LocalDate until, String... scopes) {
        Map<String, Object> body = new HashMap<>(Map.of(
                "number",
                "2026-114",
                "authority",
                "Plant Office",
                "scopes",
                List.of(scopes),
                "validFrom",
                from.toString()));
        if (until != null) {
            body.put("validUntil", until.toString());
        }
        return body;
    }

    private List<String> states() {
        return api.get("/api/permits")
                .expect(200)
                .body()
                .path("notices")
                .valueStream()
                .map(n -> n.path("scope").asString() + " " + n.path("state").asString())
                .toList();
    }

    private String plan() {
        return api.get("/api/plan?days=2").expect(200).body().path("obstacles").toString();
    }

    @Test
    void the_plan_says_when_a_protected_species_has_no_permit_or_one_that_ends() {
        api.tree(api.variety("rare-dioecious-female", "Sea Cliff"), "Cliff 1");
        assertThat(states()).containsExactly("FLOWERS MISSING");
        assertThat(plan()).contains("obstacle.permit-missing");

        String id = Api.newId();
        api.put("/api/permits/" + id, permit(today.minusDays(9), today.plusDays(9), "FLOWERS"))
                .expect(200);
        assertThat(states()).containsExactly("FLOWERS ENDS_SOON");
        assertThat(plan()).contains("obstacle.permit-ends", today.plusDays(9).toString());

        Map<String, Object> longer = permit(today.minusDays(9), null, "FLOWERS");
        longer.put("version", 0);
        api.put("/api/permits/" + id, longer).expect(200);
        assertThat(states()).isEmpty();
        assertThat(plan()).doesNotContain("permit");

        api.post("/api/permits/" + id + "/void", Api.voiding(1)).expect(204);
        assertThat(states()).containsExactly("FLOWERS MISSING");
        api.post("/api/story/permit/" + id + "/restore", Map.of("version", 2)).expect(204);
        assertThat(states()).isEmpty();
    }

    @Test
    void pollen_moved_between_properties_asks_for_none_until_one_was_ever_recorded() {
        api.tree(api.variety("Lantern"), "Lantern 1");
        assertThat(states()).isEmpty();

        api.put(
                        "/api/permits/" + Api.newId(),
                        permit(today.minusDays(90), today.minusDays(1), "POLLEN_IN", "POLLEN_OUT"))
                .expect(200);

        assertThat(states()).containsExactly("POLLEN_IN ENDED", "POLLEN_OUT ENDED");
        assertThat(plan()).doesNotContain("permit");
        String standing = "/api/permits/standing?crop=cherimoya&scope=POLLEN_IN&day=";
        assertThat(api.get(standing + today.minusDays(1))
                        .expect(200)
                        .body()
                        .path("state")
                        .asString())
                .isEqualTo("ENDS_SOON");
        assertThat(api.get(standing + today).expect(200).body().path("day").asString())
                .isEqualTo(today.minusDays(1).toString());
    }

    @Test
    void the_calendar_says_when_a_permit_ends_a_month_before_and_on_its_last_day() {
        api.tree(api.variety("Lantern"), "Lantern 1");
        api.put("/api/permits/" + Api.newId(), permit(today, LocalDate.parse("2027-03-01"), "POLLEN_OUT"))
                .expect(200);
        String feed = api.put("/api/calendars/" + Api.newId(), Map.of("name", "phone"))
                .expect(200)
                .body()
                .path("path")
                .asString();

        // 30 days before the first of March of a year that is no leap year.
        String calendar = new String(api.bytes(feed), StandardCharsets.UTF_8).replace("\r\n ", "");
        assertThat(calendar)
                .contains("DTSTART;VALUE=DATE:20270130", "DTSTART;VALUE=DATE:20270301", "Last day of permit 2026-114");
    }

    @Test
    void its_paper_is_kept_as_a_pdf_whether_it_was_one_or_a_picture() throws Exception {
        String id = Api.newId();
        api.variety("Lantern");
        api.put("/api/permits/" + id, permit(today, null, "POLLEN_IN")).expect(200);
        ByteArrayOutputStream png = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(400, 200, BufferedImage.TYPE_INT_RGB), "png", png);

        api.put("/api/permits/" + id + "/paper", paper("front.png", png.toByteArray(), 0))
                .expect(200);

        byte[] kept = api.bytes("/api/permits/" + id + "/paper");
        try (PDDocument pdf = Loader.loadPDF(kept)) {
            assertThat(pdf.getPage(0).getMediaBox().getWidth())
                    .as("a broad picture on a broad page")
                    .isGreaterThan(pdf.getPage(0).getMediaBox().getHeight());
        }
        JsonNode again = api.put("/api/permits/" + id + "/paper", paper("front.pdf", kept, 1))
                .expect(200)
                .body();
        assertThat(again.path("fileName").asString()).isEqualTo("front.pdf");
        assertThat(api.bytes("/api/permits/" + id + "/paper")).isEqualTo(kept);
        for (String nonsense : List.of("hello", "%PDF-1.7 and then nothing")) {
            assertThat(api.put(
                                    "/api/permits/" + id + "/paper",
                                    paper("x", nonsense.getBytes(StandardCharsets.UTF_8), 2))
                            .expect(400)
                            .errorAt("data"))
                    .isNotBlank();
        }
    }

    private static Map<String, Object> paper(String name, byte[] data, int version) {
        return Map.of("name", name, "data", Base64.getEncoder().encodeToString(data), "version", version);
    }

    @Test
    void what_cannot_be_is_refused_and_nothing_is_written() {
        api.variety("Lantern");
        assertThat(put(permit(today, today.minusDays(1), "FLOWERS")).errorAt("validUntil"))
                .isNotBlank();
        assertThat(put(permit(today, null)).errorAt("scopes")).isNotBlank();
        Map<String, Object> other = permit(today, null, "FLOWERS");
        other.put("crop", "apple");
        assertThat(put(other).errorAt("crop")).contains("not grown here");
        assertThat(api.get("/api/permits").body().path("permits").size()).isZero();
    }

    @Test
    void it_is_found_by_its_number_and_by_the_words_of_its_conditions() {
        api.variety("Lantern");
        Map<String, Object> body = permit(today, null, "POLLEN_IN");
        body.put("conditions", "dry pollen only");
        api.put("/api/permits/" + Api.newId(), body).expect(200);
        for (String asked : List.of("2026-114", "pollen only")) {
            assertThat(api.get("/api/search?q=" + asked.replace(" ", "%20"))
                            .expect(200)
                            .body()
                            .toString())
                    .contains("\"kind\":\"permit\"", "2026-114");
        }
    }

    private Api.Answer put(Map<String, Object> body) {
        return api.put("/api/permits/" + Api.newId(), body).expect(400);
    }
}
