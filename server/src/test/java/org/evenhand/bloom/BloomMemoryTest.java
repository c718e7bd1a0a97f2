package org.evenhand.bloom;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.account.Accounts;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * What is remembered about an orchard's bloom never changes an answer. Two orchards get the same records; one is asked after every
 * change, so that it remembers all the way, the other only at the end. They must answer alike.
 */
class BloomMemoryTest {
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final Instant NOW = Instant.parse("2026-11-24T02:40:00Z");
    private static final String[] STAGES = {"closed", "parted", "half-open", "shedding"};

    private final TestServer server = TestServer.get();

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void what_is_remembered_never_changes_an_answer(long seed) {
        Pair orchards = new Pair(demo(), demo());
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = 0; i < 14; i++) {
            orchards.change(random);
            orchards.asked.board();
        }

        JsonNode remembered = orchards.asked.board();
        JsonNode fresh = orchards.unasked.board();

        assertThat(remembered.path("trees").size())
                .isEqualTo(fresh.path("trees").size())
                .isPositive();
        for (int t = 0; t < fresh.path("trees").size(); t++) {
            JsonNode a = remembered.path("trees").get(t);
            JsonNode b = fresh.path("trees").get(t);
            assertThat(a.path("treeName")).isEqualTo(b.path("treeName"));
            assertThat(a.has("reading")).isEqualTo(b.has("reading"));
            for (String side : List.of("receptive", "shedding")) {
                assertAlike(a.path(side).path("mean"), b.path(side).path("mean"));
            }
        }
        assertThat(remembered.path("weather")).isEqualTo(fresh.path("weather"));
    }

    private static void assertAlike(JsonNode a, JsonNode b) {
        assertThat(a.size()).isEqualTo(b.size());
        for (int i = 0; i < a.size(); i++) {
            assertThat(a.get(i).asDouble()).isCloseTo(b.get(i).asDouble(), within(0.02));
        }
    }

    /** An orchard whose clock stands still, so that both are asked about the same moment. */
    private Orchard demo() {
        UUID id = UUID.randomUUID();
        Site site = new Site(-35.3, 173.9, ZONE);
        server.bean(Orchards.class)
                .create(id, new OrchardDetails("Twin", site, new DailyTemperatures(14, 24), Units.METRIC), NOW);
        String email = UUID.randomUUID() + "@twin.example";
        server.bean(Accounts.class).create(id, Caller.Role.OWNER, email, "Mere", TestServer.PASSWORD);
        Api api = new Api(server.address());
        api.signIn(email, TestServer.PASSWORD);
        return new Orchard(api);
    }

    /** One of the twins, with the ids of what it holds. */
    private static final class Orchard {
        private final Api api;
        private final List<String> trees = new ArrayList<>();
        private final List<String> readings = new ArrayList<>();
        private final List<String> weather = new ArrayList<>();

        Orchard(Api api) {
            this.api = api;
            String variety = api.variety("Lantern");
            for (int i = 1; i <= 4; i++) {
                trees.add(api.tree(variety, "Lantern " + i));
            }
        }

        JsonNode board() {
            return api.get("/api/bloom?hours=48").expect(200).body();
        }
    }

    /** The same change for both twins. */
    private record Pair(Orchard asked, Orchard unasked) {
        void change(SplittableRandom random) {
            long seed = random.nextLong();
            change(asked, new SplittableRandom(seed));
            change(unasked, new SplittableRandom(seed));
        }

        private static void change(Orchard o, SplittableRandom random) {
            switch (random.nextInt(6)) {
                case 0, 1, 2 -> read(o, random);
                case 3 -> forecast(o, random);
                case 4 -> own(o, random);
                default -> takeBack(o, random);
            }
        }

        private static void read(Orchard o, SplittableRandom random) {
            Map<String, Integer> counts = new HashMap<>();
            for (String stage : STAGES) {
                counts.put(stage, random.nextInt(15));
            }
            String tree = o.trees.get(random.nextInt(o.trees.size()));
            Map<String, Object> body =
                    new HashMap<>(Api.reading(tree, NOW.minus(Duration.ofMinutes(random.nextInt(4000))), counts));
            body.put("limb", random.nextInt(3) == 0 ? "east" : "");
            o.readings.add(
                    o.api.put("/api/readings/" + Api.newId(), body).expect(200).id());
        }

        private static void forecast(Orchard o, SplittableRandom random) {
            int low = 5 + random.nextInt(12);
            LocalDate today = NOW.atZone(ZONE).toLocalDate();
            List<Map<String, Object>> days = List.of(
                    Map.of("date", today.toString(), "minimumC", low, "maximumC", low + 9),
                    Map.of("date", today.plusDays(1).toString(), "minimumC", low + 1, "maximumC", low + 10));
            String id = Api.newId();
            o.api.put("/api/weather/forecasts/" + id, Map.of("days", days)).expect(200);
            o.weather.add(id);
        }

        private static void own(Orchard o, SplittableRandom random) {
            Map<String, Object> numbers = Map.of("stages[1].meanHours", 8 + random.nextInt(30));
            o.api.put("/api/own-sheets/" + Api.newId(), Map.of("crop", "cherimoya", "numbers", numbers))
                    .expect(200);
        }

        private static void takeBack(Orchard o, SplittableRandom random) {
            if (random.nextBoolean() && !o.weather.isEmpty()) {
                o.api.post("/api/weather/records/" + o.weather.remove(0) + "/void", Api.voiding(0))
                        .expect(204);
            } else if (!o.readings.isEmpty()) {
                o.api.post("/api/readings/" + o.readings.remove(0) + "/void", Api.voiding(0))
                        .expect(204);
            }
        }
    }
}
