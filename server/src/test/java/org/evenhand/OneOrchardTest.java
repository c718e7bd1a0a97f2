package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;
import tools.jackson.databind.JsonNode;

/** A record of another orchard is not there: in no address, in no body, whatever one tries. */
class OneOrchardTest {
    private final TestServer server = TestServer.get();
    private final Api theirs = server.newOrchard();
    private final Api ours = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String variety = theirs.variety("Lantern");
    private final String tree = theirs.tree(variety, "Lantern 1");
    private final String reading = theirs.read(tree, now, Map.of("shedding", 3)).id();
    private final String lot = theirs.lot(tree, now, 9).id();
    private final String pollination = theirs.pollinate(tree, lot, 2, now).id();
    private final String check = theirs.check(pollination, now, 1, 1, 0).id();

    @Test
    void a_foreign_id_in_the_address_answers_404_at_every_endpoint_that_takes_one() {
        String ownVariety = ours.variety("Pale Ridge");
        String ownTree = ours.tree(ownVariety, "Pale Ridge 1");
        String ownLot = ours.lot(ownTree, now, 9).id();
        String ownPollination = ours.pollinate(ownTree, ownLot, 2, now).id();
        Map<String, Api.Answer> tried = new HashMap<>();
        tried.put(
                "PUT /api/varieties/{id}",
                ours.put("/api/varieties/" + variety, Map.of("crop", "cherimoya", "name", "Mine", "version", 0)));
        tried.put(
                "PUT /api/trees/{id}",
                ours.put(
                        "/api/trees/" + tree,
                        Map.of("varietyId", ownVariety, "name", "Mine", "row", 1, "position", 1, "version", 0)));
        tried.put("POST /api/trees/{id}/void", ours.post("/api/trees/" + tree + "/void", Api.voiding(0)));
        tried.put("GET /api/trees/{id}/readings", ours.get("/api/trees/" + tree + "/readings"));
        tried.put(
                "PUT /api/readings/{id}",
                ours.put("/api/readings/" + reading, Api.reading(ownTree, now, Map.of("closed", 1))));
        tried.put("POST /api/readings/{id}/void", ours.post("/api/readings/" + reading + "/void", Api.voiding(0)));
        tried.put("GET /api/records/tables/{name}.csv", ours.get("/api/records/tables/account.csv"));
        String person = "/api/people/"
                + theirs.get("/api/session")
                        .expect(200)
                        .body()
                        .path("accountId")
                        .asString();
        tried.put("PUT /api/people/{accountId}/role", ours.put(person + "/role", Map.of("role", "VIEWER")));
        tried.put("POST /api/people/{accountId}/owner", ours.post(person + "/owner", Map.of()));
        tried.put("POST /api/people/{accountId}/remove", ours.post(person + "/remove", Map.of()));
        tried.put("POST /api/people/{accountId}/reset-link", ours.post(person + "/reset-link", Map.of()));
        theirs.post("/api/people/invitations", Map.of("role", "WORKER")).expect(200);
        tried.put(
                "POST /api/people/invitations/{id}/withdraw",
                ours.post(
                        "/api/people/invitations/"
                                + theirs.get("/api/people")
                                        .body()
                                        .path("invitations")
                                        .get(0)
                                        .path("id")
                                        .asString()
                                + "/withdraw",
                        Map.of()));
        tried.put(
                "POST /api/account/sessions/{key}/end",
                ours.post(
                        "/api/account/sessions/"
                                + theirs.get("/api/account")
                                        .body()
                                        .path("sessions")
                                        .get(0)
                                        .path("key")
                                        .asString()
                                + "/end",
                        Map.of()));
        tried.put("DELETE /api/account/passkeys/{id}", ours.delete("/api/account/passkeys/AAAA"));
        String run = "/api/imports/" + Api.newId();
        Map<String, Object> csv = Api.file("varieties", "name,crop\nImported,cherimoya\n");
        theirs.put(run, csv).expect(200);
        tried.put("PUT /api/imports/{id}", ours.put(run, csv));
        tried.put("GET /api/imports/{id}/progress", ours.get(run + "/progress"));
        tried.put("POST /api/imports/{id}/stop", ours.post(run + "/stop", Map.of()));
        tried.put("POST /api/imports/{id}/void", ours.post(run + "/void", Api.voiding(0)));
        String story = "/api/story/reading/" + reading;
        tried.put("GET /api/story/{kind}/{id}/history", ours.get(story + "/history"));
        tried.put("GET /api/story/{kind}/{id}/effects", ours.get(story + "/effects"));
        tried.put("POST /api/story/{kind}/{id}/remove", ours.post(story + "/remove", Api.voiding(0)));
        tried.put("POST /api/story/{kind}/{id}/restore", ours.post(story + "/restore", Map.of("version", 0)));
        tried.put(
                "POST /api/trees/{id}/graft",
                ours.post(
                        "/api/trees/" + tree + "/graft",
                        Map.of(
                                "treeId",
                                Api.newId(),
                                "varietyId",
                                ownVariety,
                                "name",
                                "Pale Ridge 77",
                                "on",
                                "2026-11-01",
                                "version",
                                0)));
        tried.put(
                "POST /api/varieties/{id}/merge",
                ours.post("/api/varieties/" + variety + "/merge", Map.of("into", ownVariety, "version", 0)));
        String photo = "/api/record-photos/" + Api.newId();
        Map<String, Object> ofPhoto =
                Map.of("of", "READING", "recordId", reading, "at", now.toString(), "data", Api.picture(60, 40));
        theirs.put(photo, ofPhoto).expect(204);
        tried.put("PUT /api/record-photos/{id}", ours.put(photo, ofPhoto));
        tried.put("GET /api/record-photos/{id}", ours.get(photo));
        tried.put("POST /api/record-photos/{id}/void", ours.post(photo + "/void", Api.voiding(0)));
        tried.put("GET /api/trees/{id}/stage-photos", ours.get("/api/trees/" + tree + "/stage-photos"));
        String permit = "/api/permits/" + Api.newId();
        Map<String, Object> ofPermit = Map.of(
                "number", "7", "authority", "Plant Office", "scopes", List.of("FLOWERS"), "validFrom", "2026-01-01");
        theirs.put(permit, ofPermit).expect(200);
        tried.put("PUT /api/permits/{id}", ours.put(permit, ofPermit));
        tried.put(
                "PUT /api/permits/{id}/paper",
                ours.put(permit + "/paper", Map.of("name", "x.jpg", "data", Api.picture(60, 40), "version", 0)));
        tried.put("GET /api/permits/{id}/paper", ours.get(permit + "/paper"));
        tried.put("POST /api/permits/{id}/void", ours.post(permit + "/void", Api.voiding(0)));
        String seeds = "/api/seed-lots/" + Api.newId();
        Map<String, Object> ofSeeds =
                Map.of("treeId", tree, "harvestedOn", "2026-03-01", "fruits", 1, "seeds", 5, "emptySeeds", 0);
        theirs.put(seeds, ofSeeds).expect(200);
        tried.put("GET /api/seed-lots/{id}", ours.get(seeds));
        tried.put("PUT /api/seed-lots/{id}", ours.put(seeds, ofSeeds));
        tried.put("POST /api/seed-lots/{id}/void", ours.post(seeds + "/void", Api.voiding(0)));
        tried.put(
                "POST /api/seed-lots/{id}/labels",
                ours.post(seeds + "/labels", Map.of("grid", "A4_3_BY_7", "copies", 2)));
        String sowing = seeds + "/steps/" + Api.newId();
        Map<String, Object> sown = Map.of("step", "SOWN", "on", "2026-03-02", "count", 2);
        theirs.put(sowing, sown).expect(200);
        tried.put("PUT /api/seed-lots/{lot}/steps/{id}", ours.put(sowing, sown));
        tried.put("POST /api/seed-lots/{lot}/steps/{id}/void", ours.post(sowing + "/void", Api.voiding(0)));
        trySeedlings(tried, seeds);
        tried.put("GET /api/lots/{id}", ours.get("/api/lots/" + lot));
        tried.put("PUT /api/lots/{id}", ours.put("/api/lots/" + lot, Api.lotBody(ownTree, now, 5)));
        tried.put(
                "PUT /api/lots/{id}/correction",
                ours.put("/api/lots/" + lot + "/correction", Map.of("at", now.toString(), "note", "", "version", 0)));
        tried.put(
                "PUT /api/lots/{id}/received",
                ours.put(
                        "/api/lots/" + lot + "/received",
                        Map.of(
                                "varietyId",
                                ownVariety,
                                "how",
                                "BOUGHT",
                                "from",
                                "Long Reach",
                                "receivedAt",
                                now.toString(),
                                "storage",
                                "ROOM",
                                "dry",
                                true,
                                "doses",
                                5)));
        tried.put("POST /api/lots/{id}/void", ours.post("/api/lots/" + lot + "/void", Api.voiding(0)));
        tried.put(
                "PUT /api/pollinations/{id}",
                ours.put("/api/pollinations/" + pollination, Api.pollination(ownTree, ownLot, 1, now)));
        tried.put(
                "POST /api/pollinations/{id}/void",
                ours.post("/api/pollinations/" + pollination + "/void", Api.voiding(0)));
        tried.put(
                "PUT /api/checks/{id}", ours.put("/api/checks/" + check, Api.checkBody(ownPollination, now, 1, 0, 0)));
        tried.put("POST /api/checks/{id}/void", ours.post("/api/checks/" + check + "/void", Api.voiding(0)));

        tried.put(
                "PUT /api/own-sheets/{id}",
                ours.put("/api/own-sheets/" + theirOwnSheet(), Map.of("crop", "cherimoya", "numbers", Map.of())));
        tried.put("GET /api/crops/{crop}/own", ours.get("/api/crops/no-such-crop/own"));
        String note = Api.newId();
        Map<String, Object> block = Map.of("block", "North", "insects", "FEW", "indoors", false);
        theirs.put("/api/block-notes/" + note, block).expect(204);
        tried.put("PUT /api/block-notes/{id}", ours.put("/api/block-notes/" + note, block));
        String season = Api.newId();
        theirs.put("/api/bloom-dates/" + season, season(variety)).expect(200);
        tried.put("PUT /api/bloom-dates/{id}", ours.put("/api/bloom-dates/" + season, season(ownVariety)));
        tried.put("POST /api/bloom-dates/{id}/void", ours.post("/api/bloom-dates/" + season + "/void", Api.voiding(0)));
        String weather = Api.newId();
        Map<String, Object> day = Map.of("date", "2026-11-25", "minimumC", 4, "maximumC", 9);
        theirs.put("/api/weather/forecasts/" + weather, Map.of("days", List.of(day)))
                .expect(200);
        tried.put(
                "PUT /api/weather/forecasts/{id}",
                ours.put("/api/weather/forecasts/" + weather, Map.of("days", List.of(day))));
        tried.put(
                "PUT /api/weather/stations/{id}", ours.put("/api/weather/stations/" + weather, Map.of("name", "Mast")));
        tried.put(
                "POST /api/weather/records/{id}/void",
                ours.post("/api/weather/records/" + weather + "/void", Api.voiding(0)));

        tryJars(tried, ownLot);
        tryRounds(tried, ownTree, ownLot);
        tryCrossesAndFigs(tried);
        tryFruit(tried, ownTree);
        tryMap(tried, ownTree);
        tried.put("GET /api/lots/{id}/serves", ours.get("/api/lots/" + lot + "/serves"));
        tried.put("GET /api/trees/{id}/servers", ours.get("/api/trees/" + tree + "/servers"));
        String crossRequest = Api.newId();
        String theirOther = theirs.variety("Far Ridge");
        Map<String, Object> requested = Map.of("motherId", variety, "fatherId", theirOther, "flowers", 5);
        theirs.put("/api/cross-requests/" + crossRequest, requested).expect(200);
        Map<String, Object> own = Map.of("motherId", ownVariety, "fatherId", ownVariety, "flowers", 5);
        tried.put("PUT /api/cross-requests/{id}", ours.put("/api/cross-requests/" + crossRequest, own));
        tried.put(
                "POST /api/cross-requests/{id}/void",
                ours.post("/api/cross-requests/" + crossRequest + "/void", Api.voiding(0)));

        tried.forEach((endpoint, answer) -> assertThat(answer.status())
                .as(endpoint + ": " + answer.raw().body())
                .isEqualTo(404));
        assertThat(tried.keySet())
                .as("every endpoint with an id was tried")
                .containsExactlyInAnyOrderElementsOf(endpointsWithId());
    }

    private void trySeedlings(Map<String, Api.Answer> tried, String seeds) {
        String day = "2026-11-10";
        theirs.put(seeds + "/steps/" + Api.newId(), Map.of("step", "CAME_UP", "on", day, "count", 1))
                .expect(200);
        String id = Api.newId();
        Map<String, Object> numbers = Map.of("ids", List.of(id), "at", "UP", "on", day);
        theirs.post(seeds + "/seedlings", numbers).expect(200);
        tried.put("POST /api/seed-lots/{lot}/seedlings", ours.post(seeds + "/seedlings", numbers));
        String seedling = "/api/seedlings/" + id;
        tried.put("GET /api/seedlings/{id}", ours.get(seedling));
        tried.put("PUT /api/seedlings/{id}", ours.put(seedling, Map.of("at", "UP", "on", day, "version", 0)));
        String moving = seedling + "/steps/" + Api.newId();
        Map<String, Object> moved = Map.of("event", "MOVED", "on", day, "place", "bench 1");
        theirs.put(moving, moved).expect(200);
        tried.put("PUT /api/seedlings/{seedling}/steps/{id}", ours.put(moving, moved));
        tried.put("POST /api/seedlings/{seedling}/steps/{id}/void", ours.post(moving + "/void", Api.voiding(0)));
        tried.put(
                "PUT /api/seedlings/{id}/variety",
                ours.put(seedling + "/variety", Map.of("varietyId", Api.newId(), "name", "Lampwick")));
        tried.put("POST /api/seedlings/{id}/void", ours.post(seedling + "/void", Api.voiding(0)));
        assertThat(ours.post("/api/seedlings/void", Map.of("ids", List.of(id), "reason", "x"))
                        .status())
                .isEqualTo(404);
        String trait = Api.newId();
        Map<String, Object> taste =
                Map.of("crop", "cherimoya", "name", "Taste", "low", 1, "high", 9, "better", "HIGH", "weight", 1);
        theirs.put("/api/traits/" + trait, taste).expect(204);
        tried.put("PUT /api/traits/{id}", ours.put("/api/traits/" + trait, taste));
        tried.put("POST /api/traits/{id}/void", ours.post("/api/traits/" + trait + "/void", Api.voiding(0)));
    }

    private void tryMap(Map<String, Api.Answer> tried, String ownTree) {
        String spot = Api.newId();
        theirs.put("/api/tree-spots/" + spot, spot(tree)).expect(200);
        tried.put("PUT /api/tree-spots/{id}", ours.put("/api/tree-spots/" + spot, spot(ownTree)));
        tried.put("POST /api/tree-spots/{id}/void", ours.post("/api/tree-spots/" + spot + "/void", Api.voiding(0)));
        String rows = Api.newId();
        Map<String, Object> layout = Map.of("block", "North", "rowSpacingM", 4, "placeSpacingM", 3);
        theirs.put("/api/block-rows/" + rows, layout).expect(200);
        tried.put("PUT /api/block-rows/{id}", ours.put("/api/block-rows/" + rows, layout));
    }

    private static Map<String, Object> spot(String tree) {
        return Map.of("treeId", tree, "latitude", -35.3, "longitude", 173.9, "how", "TYPED");
    }

    private void tryFruit(Map<String, Api.Answer> tried, String ownTree) {
        String count = Api.newId();
        theirs.put("/api/limb-counts/" + count, limb(tree)).expect(200);
        tried.put("PUT /api/limb-counts/{id}", ours.put("/api/limb-counts/" + count, limb(ownTree)));
        tried.put("POST /api/limb-counts/{id}/void", ours.post("/api/limb-counts/" + count + "/void", Api.voiding(0)));
        String fruit = Api.newId();
        theirs.put("/api/fruits/" + fruit, fruit(tree)).expect(200);
        tried.put("GET /api/fruits/{id}", ours.get("/api/fruits/" + fruit));
        tried.put("PUT /api/fruits/{id}", ours.put("/api/fruits/" + fruit, fruit(ownTree)));
        tried.put(
                "PUT /api/fruits/{id}/end",
                ours.put(
                        "/api/fruits/" + fruit + "/end",
                        Map.of("end", Map.of("kind", "FALLEN", "at", now.toString()))));
        tried.put("POST /api/fruits/{id}/void", ours.post("/api/fruits/" + fruit + "/void", Api.voiding(0)));
        tried.put("GET /api/trees/{tree}/fallen", ours.get("/api/trees/" + tree + "/fallen"));
        String comparison = Api.newId();
        theirs.put("/api/comparisons/" + comparison, comparison(tree)).expect(200);
        tried.put("PUT /api/comparisons/{id}", ours.put("/api/comparisons/" + comparison, comparison(ownTree)));
        tried.put("GET /api/comparisons/{id}/tags", ours.get("/api/comparisons/" + comparison + "/tags"));
        tried.put(
                "PUT /api/comparisons/{id}/sheet/{changeId}",
                ours.put("/api/comparisons/" + comparison + "/sheet/" + Api.newId(), Map.of()));
        tried.put(
                "POST /api/comparisons/{id}/void",
                ours.post("/api/comparisons/" + comparison + "/void", Api.voiding(0)));
    }

    private Map<String, Object> limb(String of) {
        return Map.of("treeId", of, "limb", "east", "countedAt", now.toString(), "fruits", 3);
    }

    private Map<String, Object> fruit(String of) {
        return Map.of("treeId", of, "number", 7, "numberedAt", now.toString());
    }

    private Map<String, Object> comparison(String of) {
        return Map.of("question", "NATURE", "trees", List.of(of), "flowersEach", 2);
    }

    private void tryCrossesAndFigs(Map<String, Api.Answer> tried) {
        String theirOther = theirs.variety("Far Bank");
        String controlledCross = Api.newId();
        Map<String, Object> cross = Map.of("treeId", tree, "fatherId", theirOther, "planned", 3);
        theirs.put("/api/crosses/" + controlledCross, cross).expect(200);
        String ownVariety = ours.variety("Low Ridge");
        String ownTree = ours.tree(ownVariety, "Low Ridge 1");
        Map<String, Object> own = Map.of("treeId", ownTree, "fatherId", ownVariety, "planned", 3);
        tried.put("PUT /api/crosses/{id}", ours.put("/api/crosses/" + controlledCross, own));
        tried.put(
                "POST /api/crosses/{id}/void", ours.post("/api/crosses/" + controlledCross + "/void", Api.voiding(0)));
        Map<String, Object> step = Map.of("kind", "BAG", "flowers", 3, "doneAt", now.toString());
        String theirStep = Api.newId();
        String path = "/api/crosses/{controlledCross}/steps/{id}";
        theirs.put("/api/crosses/" + controlledCross + "/steps/" + theirStep, step)
                .expect(200);
        String ownCrossing = Api.newId();
        ours.put("/api/crosses/" + ownCrossing, own).expect(200);
        tried.put("PUT " + path, ours.put("/api/crosses/" + ownCrossing + "/steps/" + theirStep, step));
        tried.put(
                "POST " + path + "/void",
                ours.post("/api/crosses/" + ownCrossing + "/steps/" + theirStep + "/void", Api.voiding(0)));
        assertThat(ours.put("/api/crosses/" + controlledCross + "/steps/" + Api.newId(), step)
                        .status())
                .isEqualTo(404);
        String theirFig = theirs.tree(theirs.variety("fig-edible", "Stone Wall"), "Stone Wall 1");
        String ownFig = ours.tree(ours.variety("fig-edible", "Low Wall"), "Low Wall 1");
        String fig = Api.newId();
        theirs.put("/api/figs/" + fig, fig(theirFig)).expect(200);
        tried.put("PUT /api/figs/{id}", ours.put("/api/figs/" + fig, fig(ownFig)));
        tried.put("POST /api/figs/{id}/void", ours.post("/api/figs/" + fig + "/void", Api.voiding(0)));
        tried.put("GET /api/trees/{id}/figs", ours.get("/api/trees/" + theirFig + "/figs"));
    }

    private Map<String, Object> fig(String tree) {
        return Map.of(
                "treeId", tree, "fig", "Y1", "diameterMm", 14, "eye", "TIGHT_GREEN", "measuredAt", now.toString());
    }

    private void tryRounds(Map<String, Api.Answer> tried, String ownTree, String ownLot) {
        String id = Api.newId();
        theirs.put("/api/round-settings/" + id, Api.settings()).expect(200);
        tried.put("PUT /api/round-settings/{id}", ours.put("/api/round-settings/" + id, Api.settings()));
        String target = Api.newId();
        Map<String, Object> wanted = Map.of("treeId", tree, "fruits", 5, "confidence", 90, "priority", 1);
        theirs.put("/api/targets/" + target, wanted).expect(200);
        tried.put(
                "PUT /api/targets/{id}",
                ours.put(
                        "/api/targets/" + target,
                        Map.of("treeId", ownTree, "fruits", 5, "confidence", 90, "priority", 1)));
        tried.put("POST /api/targets/{id}/void", ours.post("/api/targets/" + target + "/void", Api.voiding(0)));
        String choice = Api.newId();
        theirs.put("/api/pollen-overrides/" + choice, Map.of("treeId", tree, "lotId", lot, "flowers", 0))
                .expect(200);
        tried.put(
                "PUT /api/pollen-overrides/{id}",
                ours.put("/api/pollen-overrides/" + choice, Map.of("treeId", ownTree, "lotId", ownLot, "flowers", 0)));
        tried.put(
                "POST /api/pollen-overrides/{id}/void",
                ours.post("/api/pollen-overrides/" + choice + "/void", Api.voiding(0)));
        // Left standing it would forbid the only stop of the walk below.
        theirs.post("/api/pollen-overrides/" + choice + "/void", Api.voiding(0)).expect(204);
        String skip = Api.newId();
        Map<String, Object> day = Map.of("kind", "SKIP_DAYS", "firstDay", "2026-12-01");
        theirs.put("/api/plan-overrides/" + skip, day).expect(200);
        tried.put("PUT /api/plan-overrides/{id}", ours.put("/api/plan-overrides/" + skip, day));
        tried.put(
                "POST /api/plan-overrides/{id}/void",
                ours.post("/api/plan-overrides/" + skip + "/void", Api.voiding(0)));
        String walk = Api.newId();
        theirs.read(tree, now, Map.of("half-open", 5)).expect(200);
        theirs.put("/api/walks/" + walk, Map.of()).expect(200);
        Map<String, Object> word = Map.of("stop", 0, "kind", "TOO_LATE", "at", now.toString());
        String said = Api.newId();
        theirs.put("/api/walks/" + walk + "/words/" + said, word).expect(200);
        tried.put("GET /api/walks/{id}", ours.get("/api/walks/" + walk));
        tried.put("GET /api/walks/{id}/paper", ours.get("/api/walks/" + walk + "/paper"));
        String photo = Api.newId();
        Map<String, Object> picture = Map.of("stop", 0, "at", now.toString(), "data", Api.picture(40, 30));
        theirs.put("/api/walks/" + walk + "/photos/" + photo, picture).expect(200);
        tried.put("PUT /api/walks/{walk}/photos/{id}", ours.put("/api/walks/" + walk + "/photos/" + photo, picture));
        tried.put("GET /api/walks/{walk}/photos/{id}", ours.get("/api/walks/" + walk + "/photos/" + photo));
        tried.put(
                "POST /api/walks/{walk}/photos/{id}/void",
                ours.post("/api/walks/" + walk + "/photos/" + photo + "/void", Api.voiding(0)));
        String calendar = Api.newId();
        theirs.put("/api/calendars/" + calendar, Map.of("name", "phone")).expect(200);
        tried.put("PUT /api/calendars/{id}", ours.put("/api/calendars/" + calendar, Map.of("name", "phone")));
        tried.put("POST /api/calendars/{id}/void", ours.post("/api/calendars/" + calendar + "/void", Api.voiding(0)));
        tried.put("GET /api/feeds/{key}.ics", ours.get("/api/feeds/" + calendar + ".ics"));
        tried.put("PUT /api/walks/{id}", ours.put("/api/walks/" + walk, Map.of()));
        tried.put("POST /api/walks/{id}/plan-anew", ours.post("/api/walks/" + walk + "/plan-anew", Map.of()));
        tried.put("POST /api/walks/{id}/close", ours.post("/api/walks/" + walk + "/close", Map.of()));
        tried.put("PUT /api/walks/{walk}/words/{id}", ours.put("/api/walks/" + walk + "/words/" + said, word));
        tried.put(
                "POST /api/walks/{walk}/words/{id}/void",
                ours.post("/api/walks/" + walk + "/words/" + said + "/void", Api.voiding(0)));
    }

    private void tryJars(Map<String, Api.Answer> tried, String ownLot) {
        Map<String, Object> step = Map.of("kind", "SEEN_DRY", "at", now.toString());
        Map<String, Object> test = Map.of("flowers", 4, "taken", 2, "at", now.toString());
        Map<String, Object> line = Map.of("kind", "SPILLED", "doses", 1, "at", now.toString());
        tried.put("GET /api/lots/{id}/story", ours.get("/api/lots/" + lot + "/story"));
        for (String part : new String[] {"steps", "tests", "lines"}) {
            Map<String, Object> body = part.equals("steps") ? step : part.equals("tests") ? test : line;
            String theirId = Api.newId();
            String path = "/api/lots/{lot}/" + part + "/{id}";
            String back = part.equals("lines") ? "/undo" : "/void";
            theirs.put("/api/lots/" + lot + "/" + part + "/" + theirId, body).expect(200);
            // Their record under our own jar is as foreign as their jar.
            tried.put("PUT " + path, ours.put("/api/lots/" + ownLot + "/" + part + "/" + theirId, body));
            tried.put(
                    "POST " + path + back,
                    ours.post("/api/lots/" + ownLot + "/" + part + "/" + theirId + back, Api.voiding(0)));
            assertThat(ours.put("/api/lots/" + lot + "/" + part + "/" + Api.newId(), body)
                            .status())
                    .isEqualTo(404);
        }
        Map<String, Object> pouring = Map.of(
                "parts", List.of(Map.of("lotId", ownLot, "doses", 1)), "at", now.toString(), "storage", "FREEZER");
        tried.put("PUT /api/pourings/{id}", ours.put("/api/pourings/" + lot, pouring));
    }

    private String theirOwnSheet() {
        String id = Api.newId();
        theirs.put("/api/own-sheets/" + id, Map.of("crop", "cherimoya", "numbers", Map.of()))
                .expect(200);
        return id;
    }

    private static Map<String, Object> season(String variety) {
        return Map.of("varietyId", variety, "year", 2025, "firstBloom", "2025-10-01");
    }

    @Test
    void a_foreign_id_in_a_body_answers_404_and_writes_nothing() {
        String ownVariety = ours.variety("Pale Ridge");
        String ownTree = ours.tree(ownVariety, "Pale Ridge 1");
        String ownLot = ours.lot(ownTree, now, 9).id();

        ours.put("/api/trees/" + Api.newId(), Map.of("varietyId", variety, "name", "X", "row", 1, "position", 1))
                .expect(404);
        ours.read(tree, now, Map.of("closed", 1)).expect(404);
        ours.lot(tree, now, 5).expect(404);
        ours.pollinate(tree, ownLot, 1, now).expect(404);
        ours.pollinate(ownTree, lot, 1, now).expect(404);
        ours.check(pollination, now, 1, 0, 0).expect(404);

        Map<String, Object> parts = Map.of("parts", List.of(Map.of("lotId", lot, "doses", 1)), "at", now.toString());
        Map<String, Object> pouring = new HashMap<>(parts);
        pouring.put("storage", "FREEZER");
        ours.put("/api/pourings/" + Api.newId(), pouring).expect(404);
        ours.put(
                        "/api/cross-requests/" + Api.newId(),
                        Map.of("motherId", ownVariety, "fatherId", variety, "flowers", 5))
                .expect(404);
        ours.put(
                        "/api/varieties/" + Api.newId(),
                        Map.of("crop", "cherimoya", "name", "X", "breeding", Map.of("motherId", variety)))
                .expect(404);
        ours.get("/api/mates/pair?mother=" + ownVariety + "&father=" + variety).expect(404);
        ours.get("/api/gathering?variety=" + variety + "&doses=3").expect(404);
        ours.get("/api/recipes/fig-size?diameterMm=9&eye=COLOURED&variety=" + variety)
                .expect(404);
        ours.get("/api/lot-codes?code=" + "LA-01").expect(404);
        Map<String, Object> label =
                Map.of("grid", "ONE_UP", "kind", "JAR", "lots", List.of(Map.of("lotId", lot, "copies", 1)));
        ours.post("/api/labels", label).expect(404);
        ours.post("/api/printer", label).expect(404);

        assertThat(theirs.dosesLeft(lot)).isEqualTo(7);
        assertThat(ours.dosesLeft(ownLot)).isEqualTo(9);
    }

    @Test
    void lists_show_only_ones_own() {
        assertThat(ours.get("/api/weather").body().path("records").size()).isZero();
        assertThat(ours.get("/api/season").body().path("varieties").size()).isZero();
        assertThat(ours.get("/api/hand-need").body().size()).isZero();
        for (String path : new String[] {"/api/trees", "/api/varieties", "/api/lots", "/api/pollinations"}) {
            assertThat(ours.get(path).expect(200).body().size()).as(path).isZero();
            assertThat(theirs.get(path).expect(200).body().size()).as(path).isPositive();
        }
        assertThat(ours.get("/api/findings").body().path("pollinations").size()).isZero();
        assertThat(ours.get("/api/fruit-set").body().path("rows").size()).isZero();
        assertThat(ours.get("/api/bloom").body().path("trees").size()).isZero();
    }

    @Test
    void the_database_itself_refuses_a_record_that_points_into_another_orchard() {
        String orchard = ours.get("/api/orchard").body().path("id").asString();

        org.assertj.core.api.Assertions.assertThatThrownBy(() -> server.database()
                        .update("update reading set orchard_id = ?::uuid where id = ?::uuid", orchard, reading))
                .isInstanceOf(DataIntegrityViolationException.class);
    }

    private java.util.Set<String> endpointsWithId() {
        java.util.Set<String> found = new TreeSet<>();
        JsonNode paths = ours.get("/v3/api-docs").expect(200).body().path("paths");
        paths.properties().forEach(path -> {
            if (path.getKey().contains("{")) {
                path.getValue()
                        .properties()
                        .forEach(method ->
                                found.add(method.getKey().toUpperCase(java.util.Locale.ROOT) + " " + path.getKey()));
            }
        });
        return found;
    }
}
