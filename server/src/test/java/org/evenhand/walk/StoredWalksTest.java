package org.evenhand.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.UUID;
import org.evenhand.EarlierVersion;
import org.evenhand.planning.RoundView;
import org.junit.jupiter.api.Test;
import org.springframework.jdbc.core.JdbcTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Walks that were kept by earlier versions are read by this one. */
class StoredWalksTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Test
    void sentences_of_version_14_become_texts_and_wishes_cross_requests() {
        EarlierVersion earlier = new EarlierVersion("14");
        earlier.alone("walk");
        JdbcTemplate jdbc = earlier.jdbc();
        UUID orchard = UUID.randomUUID();
        UUID person = UUID.randomUUID();
        jdbc.update("""
                insert into walk (id, orchard_id, planned_for, stops, cautions, collects, replaced, recorded_by, recorded_at, zone, version)
                values (?, ?, now(), ?::jsonb, '["Spines."]', ?::jsonb, '[]', ?, now(), 'UTC', 0)""", UUID.randomUUID(), orchard, """
                [{"treeName": "Lantern 1", "row": 1, "position": 1, "flowers": 3, "expected": 2.5, "viability": 0.8, "wanted": false, "onlyNow": false,
                  "byStage": [], "cleanBefore": [], "say": "", "strokes": "Gently.", "kind": "POLLINATE"},
                 {"treeName": "Slate 1", "row": 1, "position": 1, "flowers": 3, "expected": 2.5, "viability": 0.8, "wanted": false, "onlyNow": false,
                  "byStage": [], "cleanBefore": [], "say": "Bag it.", "strokes": "", "kind": "BAG",
                  "cross": {"wishId": "01932c00-0000-7000-8000-000000000001", "fatherId": "01932c00-0000-7000-8000-000000000002",
                            "father": "Slate"}}]""", """
                [{"lotId": "01932c00-0000-7000-8000-000000000003", "pollen": {"variety": "Slate", "trees": [
                  {"treeId": "01932c00-0000-7000-8000-000000000004", "tree": "Slate 1", "place": "row 1, place 2", "flowers": 3}]}}]""", person);
        earlier.migrateToLatest();

        JsonNode stops = JSON.readTree(jdbc.queryForObject("select stops::text from walk", String.class));
        RoundView.StopView first = JSON.treeToValue(stops.get(0), RoundView.StopView.class);
        assertThat(first.say()).isEmpty();
        assertThat(first.strokes()).singleElement().satisfies(t -> {
            assertThat(t.key()).isEqualTo("said.sheet");
            assertThat(t.values()).containsEntry("sheet", "Gently.");
        });
        RoundView.StopView second = JSON.treeToValue(stops.get(1), RoundView.StopView.class);
        assertThat(second.say()).hasSize(1);
        assertThat(second.cross().crossRequestId()).hasToString("01932c00-0000-7000-8000-000000000001");
        JsonNode place = JSON.readTree(jdbc.queryForObject("select collects::text from walk", String.class))
                .get(0)
                .path("pollen")
                .path("trees")
                .get(0)
                .path("place");
        assertThat(place.path("values").path("sheet").asString()).isEqualTo("row 1, place 2");
    }
}
