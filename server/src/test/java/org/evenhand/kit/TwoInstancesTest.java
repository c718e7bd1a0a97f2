package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Predicate;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Two instances on one database answer alike: what is written through one is seen through the other within two seconds, or what is shown says that
 * it is older.
 */
class TwoInstancesTest {
    private static final String BOARD = "/api/bloom?hours=24";
    private static final Duration OLDEST = Duration.ofSeconds(2);
    /** A plan or a board, on a machine that does other things too. */
    private static final Duration TO_MAKE_ONE = Duration.ofSeconds(30);

    @Test
    void what_one_is_told_the_other_knows() throws InterruptedException {
        try (TestServer one = TestServer.fresh();
                TestServer other = one.beside(TestServer.WAITS_FOR_NEW + "1ms")) {
            Api here = one.newOrchard();
            Api there = here.at(other.address());
            String tree = here.tree(here.variety("Lantern"), "Lantern 1");
            assertThat(there.get("/api/trees").expect(200).body()).hasSize(1);
            there.get("/api/bloom?hours=24").expect(200);
            there.get("/api/plan?days=4").expect(200);

            here.put(
                            "/api/own-sheets/" + Api.newId(),
                            Map.of("crop", "cherimoya", "numbers", Map.of("stages[1].meanHours", 77.5)))
                    .expect(200);
            seen(there, "/api/crops", crops -> crops.toString().contains("77.5"));
            JsonNode before = there.get(BOARD).expect(200).body().path("trees");
            here.read(tree, TestServer.NOW, Map.of("parted", 30)).expect(200);
            seen(there, BOARD, b -> b.has("ageSeconds") || !b.path("trees").equals(before));
            seenWithin(TO_MAKE_ONE, there, BOARD, b -> !b.path("trees").equals(before));
            JsonNode cold = there.get("/api/weather").expect(200).body();
            here.put(
                            "/api/weather/forecasts/" + Api.newId(),
                            Map.of("days", List.of(Map.of("date", "2026-11-24", "minimumC", 2, "maximumC", 5))))
                    .expect(200);
            seen(there, "/api/weather", weather -> !weather.equals(cold));
            JsonNode light = there.get("/api/light?hours=24").body();
            assertThat(light).isEqualTo(here.get("/api/light?hours=24").body());

            // Whatever was written where, both end up with one answer.
            Random random = new Random(7);
            for (int i = 0; i < 12; i++) {
                Api writer = random.nextBoolean() ? here : there;
                writer.read(tree, TestServer.NOW.minusSeconds(60L * (i + 1)), Map.of("parted", random.nextInt(40)))
                        .expect(200);
            }
            seenWithin(
                    TO_MAKE_ONE,
                    there,
                    BOARD,
                    b -> b.equals(here.get(BOARD).expect(200).body()));

            theOneBeforeIsShownWhileANewOneIsMade(here, there, tree, BOARD);
            theOneBeforeIsShownWhileANewOneIsMade(here, there, tree, "/api/plan?days=4");

            // Who is shut out on the one is shut out on the other.
            here.delete("/api/session").expect(204);
            there.get("/api/trees").expect(401);
        }
    }

    /** On the other, which waits for none. */
    private static void theOneBeforeIsShownWhileANewOneIsMade(Api here, Api there, String tree, String path)
            throws InterruptedException {
        seenWithin(TO_MAKE_ONE, there, path, p -> !p.has("ageSeconds"));
        boolean older = false;
        for (int i = 0; i < 40 && !older; i++) {
            here.read(tree, TestServer.NOW.minusSeconds(7_200 + i), Map.of("parted", i))
                    .expect(200);
            older = there.get(path).expect(200).body().has("ageSeconds");
        }
        assertThat(older).as("it comes with its age").isTrue();
        seenWithin(TO_MAKE_ONE, there, path, p -> !p.has("ageSeconds"));
        assertThat(there.get(path).body()).isEqualTo(here.get(path).body());
    }

    @Test
    void every_table_of_an_orchard_tells_of_its_changes() {
        List<String> silent = TestServer.get()
                .database()
                .queryForList(
                        "select c.table_name from information_schema.columns c join information_schema.tables t"
                                + " using (table_schema, table_name) where table_schema = current_schema() and column_name = 'orchard_id'"
                                + " and table_type = 'BASE TABLE' and c.table_name not like '%\\_history' and (select count(*) from"
                                + " information_schema.triggers g where g.event_object_table = c.table_name"
                                + " and g.trigger_name like 'told_of_%') < 3 order by 1",
                        String.class);
        // Worked out from others, which tell; and who may come in, which is asked at each request.
        assertThat(silent)
                .containsExactly(
                        "access_event",
                        "access_link",
                        "cause_cell",
                        "flower_outcome_due",
                        "loss_cell",
                        "membership",
                        "set_cell");
    }

    private static void seen(Api api, String path, Predicate<JsonNode> as) throws InterruptedException {
        seenWithin(OLDEST, api, path, as);
    }

    private static void seenWithin(Duration patience, Api api, String path, Predicate<JsonNode> as)
            throws InterruptedException {
        Instant end = Instant.now().plus(patience);
        JsonNode last = api.get(path).expect(200).body();
        while (!as.test(last) && Instant.now().isBefore(end)) {
            Thread.sleep(50);
            last = api.get(path).expect(200).body();
        }
        assertThat(as.test(last)).as("%s%n%s", path, last).isTrue();
    }
}
