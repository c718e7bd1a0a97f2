package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** One evening through the API, from the reading to the set rate. */
class EveningTest {
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;

    @Test
    void from_the_reading_over_the_round_to_the_set_rate() {
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        Instant before = now.minus(Duration.ofDays(8));
        api.read(giver, before.minusSeconds(60), Map.of("shedding", 5)).expect(200);
        Map<String, Object> lot = Map.of(
                "sources",
                List.of(Map.of("treeId", giver, "flowers", 5)),
                "collectedAt",
                before.toString(),
                "storage",
                "ROOM");

        JsonNode jar = api.put("/api/lots/" + Api.newId(), lot).expect(200).body();
        assertThat(jar.path("code").asString()).isEqualTo("LA-01");
        assertThat(jar.path("dosesLeft").asInt())
                .as("five flowers of four doses")
                .isEqualTo(20);

        JsonNode done = api.pollinate(taker, jar.path("id").asString(), 9, before.plusSeconds(1800))
                .expect(200)
                .body();
        assertThat(api.dosesLeft(jar.path("id").asString())).isEqualTo(11);

        JsonNode due =
                api.get("/api/fruit-set").expect(200).body().path("rows").get(0).path("due");
        assertThat(due.path("name").asString()).isEqualTo("First check");
        assertThat(due.path("now").asBoolean()).isTrue();

        api.check(done.path("id").asString(), now.minusSeconds(60), 6, 2, 1).expect(200);
        JsonNode all = api.get("/api/findings").expect(200).body().path("all");
        assertThat(all.path("taken").asInt()).isEqualTo(6);
        assertThat(all.path("decided").asInt()).isEqualTo(8);
        // Wilson's interval for 6 of 8 at 95 %, from its formula by hand.
        assertThat(all.path("lower").asDouble()).isCloseTo(0.40927, within(1e-4));
        assertThat(all.path("upper").asDouble()).isCloseTo(0.92852, within(1e-4));
    }

    @Test
    void the_forecast_begins_with_the_count_and_the_round_takes_what_is_left() {
        String giver = api.tree(api.variety("Lantern"), "Lantern 1");
        String taker = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(taker, now, Map.of("half-open", 8, "parted", 4)).expect(200);
        String lot = api.lot(giver, now.minusSeconds(600), 10).expect(200).id();

        JsonNode row =
                api.get("/api/bloom?hours=24").expect(200).body().path("trees").get(1);
        assertThat(row.path("receptive").path("mean").get(0).asDouble()).isCloseTo(12, within(0.3));
        assertThat(row.path("receptive").path("mean").size()).isEqualTo(49);

        String at = "/api/round?at=" + now.plusSeconds(5);
        JsonNode plan = api.get(at).expect(200).body();
        assertThat(plan.path("stops").get(0).path("flowers").asInt())
                .as("ten doses for twelve flowers")
                .isEqualTo(10);
        assertThat(plan.path("proven").asBoolean()).isTrue();
        assertThat(flowers(plan.path("waiting")) + flowers(plan.path("left")))
                .as("two wait for later pollen, or are lost for want of it")
                .isEqualTo(2);
        assertThat(plan.path("left").valueStream().toList())
                .allSatisfy(l -> assertThat(l.path("reason").asString()).isEqualTo("DOSES_RUN_OUT"));

        api.pollinate(taker, lot, 9, now).expect(200);
        JsonNode after = api.get(at).expect(200).body();
        assertThat(after.path("stops").get(0).path("flowers").asInt())
                .as("one dose is left")
                .isEqualTo(1);
        int left = flowers(after.path("stops")) + flowers(after.path("waiting")) + flowers(after.path("left"));
        assertThat(left).as("nine of twelve are done").isBetween(2, 4);
    }

    private static int flowers(JsonNode lines) {
        return lines.valueStream().mapToInt(l -> l.path("flowers").asInt()).sum();
    }

    @Test
    void pollen_of_its_own_variety_is_never_planned_nor_taken_where_the_sheet_refuses_it() {
        String variety = api.variety("proud-annona", "Haughty");
        String tree = api.tree(variety, "Haughty 1");
        api.read(tree, now, Map.of("half-open", 8)).expect(200);
        String lot = api.lot(tree, now.minusSeconds(600), 10).expect(200).id();

        JsonNode plan =
                api.get("/api/round?at=" + now.plusSeconds(5)).expect(200).body();
        assertThat(plan.path("stops").isEmpty()).isTrue();
        assertThat(plan.path("left").get(0).path("reason").asString()).isEqualTo("NO_LOT_THAT_SERVES");
        assertThat(api.pollinate(tree, lot, 1, now).expect(400).errorAt("lotId"))
                .contains("does not serve it");
        assertThat(api.dosesLeft(lot)).isEqualTo(10);
    }
}
