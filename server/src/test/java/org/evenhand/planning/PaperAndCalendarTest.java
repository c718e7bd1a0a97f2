package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.walk.PaperRounds;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The round on a page to carry, and in a calendar. */
class PaperAndCalendarTest {
    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final String giver = api.tree(api.variety("Lantern"), "Lantern 1");
    private final String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");

    private HttpResponse<byte[]> fetch(String path) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(server.address() + path))
                                .build(),
                        HttpResponse.BodyHandlers.ofByteArray());
    }

    @Test
    void a_walk_fits_on_one_page_with_its_stops_jars_and_cautions() throws Exception {
        api.read(taker, TestServer.NOW, Map.of("half-open", 12)).expect(200);
        api.lot(giver, TestServer.NOW, 30).expect(200);
        String walk = Api.newId();
        api.put("/api/walks/" + walk, Map.of()).expect(200);

        String said = text(api.bytes("/api/walks/" + walk + "/paper"));

        assertThat(said)
                .contains("Visit of 24 November 2026", "Tern Flat", "Pale Ridge 1", "12 half open", "LA-01")
                .contains("Take care")
                .contains("Ladders need level ground");
    }

    @Test
    void even_sixty_stops_stay_on_one_page_and_a_long_name_is_shortened_visibly() throws IOException {
        byte[] pdf =
                PaperRounds.of(60, "The pale one beyond the second ridge by the old gate where herons sleep in winter");

        try (PDDocument document = Loader.loadPDF(pdf)) {
            assertThat(document.getNumberOfPages()).isEqualTo(1);
        }
        String said = text(pdf);
        assertThat(said).contains("The pale one").contains("\u2026");
        IntStream.rangeClosed(1, 60).forEach(i -> assertThat(said).contains("J-" + i));
        CropSheets.shipped()
                .find("dragon-fruit")
                .orElseThrow()
                .cautions()
                .forEach(c -> assertThat(said.replaceAll("\\s+", " ")).contains(c.substring(0, 20)));
    }

    private static String text(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFTextStripper().getText(document);
        }
    }

    @Test
    void a_calendar_program_reads_rounds_and_looks_by_a_secret_address_until_it_is_stopped() throws Exception {
        api.read(giver, TestServer.NOW, Map.of("closed", 9, "half-open", 6, "shedding", 5))
                .expect(200);
        api.read(taker, TestServer.NOW, Map.of("closed", 20, "half-open", 6)).expect(200);
        String lot = api.lot(giver, TestServer.NOW, 30).id();
        api.pollinate(taker, lot, 2, TestServer.NOW).expect(200);
        String id = Api.newId();
        JsonNode made = api.put("/api/calendars/" + id, Map.of("name", "my phone"))
                .expect(200)
                .body();
        String path = made.path("path").asString();

        HttpResponse<byte[]> answer = fetch(path);

        assertThat(answer.headers().firstValue("Content-Type").orElse("")).startsWith("text/calendar");
        Calendar calendar = parsed(new String(answer.body(), java.nio.charset.StandardCharsets.UTF_8));
        List<VEvent> events = calendar.getComponents("VEVENT");
        List<String> summaries =
                events.stream().map(e -> e.getSummary().getValue()).toList();
        assertThat(summaries).anyMatch(s -> s.startsWith("Visit: ")).contains("Check fruit: 1 check");
        assertThat(events).allSatisfy(e -> {
            assertThat(e.getUid()).isPresent();
            assertThat(e.getDateTimeStamp()).isNotNull();
        });
        assertThat(events.stream().map(e -> e.getUid().orElseThrow().getValue()).distinct())
                .hasSameSizeAs(events);
        VEvent look = events.stream()
                .filter(e -> e.getSummary().getValue().startsWith("Check fruit"))
                .findFirst()
                .orElseThrow();
        assertThat(look.getDateTimeStart().getDate().toString()).isEqualTo("2026-12-01");
        VEvent round = events.stream()
                .filter(e -> e.getSummary().getValue().startsWith("Visit"))
                .findFirst()
                .orElseThrow();
        assertThat(round.getDescription().getValue()).contains(" of Pale Ridge 1 with ");

        assertThat(api.get("/api/calendars").body().get(0).has("path"))
                .as("told once")
                .isFalse();
        api.put("/api/calendars/" + id, Map.of("name", "my phone")).expect(409);
        assertThat(fetch("/api/feeds/guessed.ics").statusCode()).isEqualTo(404);
        api.post("/api/calendars/" + id + "/void", Api.voiding(0)).expect(204);
        assertThat(fetch(path).statusCode()).as("stopped").isEqualTo(404);
    }

    private static Calendar parsed(String text) throws IOException, ParserException {
        return new CalendarBuilder().build(new StringReader(text));
    }
}
