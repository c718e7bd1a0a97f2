package org.evenhand.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** First evenings of several crops, from an empty orchard: what the plan tells to collect and to do, and when. */
class EveningsOfCropsTest {
    private static final ZoneId HERE = ZoneId.of("Pacific/Auckland");
    private static final LocalDate TODAY = LocalDate.of(2026, 11, 24);
    private final Api api = TestServer.get().newOrchard();
    private final Instant now = TestServer.NOW;

    private JsonNode plan() {
        return api.get("/api/plan?days=10").expect(200).body();
    }

    private static LocalTime at(JsonNode visit) {
        return Instant.parse(visit.path("at").asString()).atZone(HERE).toLocalTime();
    }

    private static List<JsonNode> stops(JsonNode visit) {
        return visit.path("stops").valueStream().toList();
    }

    private static String told(JsonNode stop) {
        return stop.path("treeName").asString() + " with "
                + stop.path("lotCode").asString();
    }

    private static LocalDate day(JsonNode visit) {
        return Instant.parse(visit.path("at").asString()).atZone(HERE).toLocalDate();
    }

    @Test
    void pawpaws_first_evening_collects_what_little_there_is_for_the_other_variety() {
        String one = api.tree(api.variety("pawpaw", "Kettle Bend"), "Kettle Bend 1");
        String other = api.tree(api.variety("pawpaw", "Slow River"), "Slow River 1");
        api.read(one, now, Map.of("furry", 20, "green", 6, "male", 3)).expect(200);
        api.read(other, now, Map.of("furry", 25, "green", 8, "female", 4)).expect(200);

        JsonNode plan = plan();
        JsonNode tonight = plan.path("rounds").get(0);
        assertThat(day(tonight)).isEqualTo(TODAY);
        assertThat(tonight.path("collect").get(0).path("variety").asString()).isEqualTo("Kettle Bend");
        assertThat(stops(tonight))
                .extracting(EveningsOfCropsTest::told)
                .containsExactly("Slow River 1 with fresh Kettle Bend");
        assertThat(plan.path("account").path("trees").get(0).path("reason").asString())
                .as("pollen is scarcer than flowers")
                .isEqualTo("DOSES_RUN_OUT");
        for (JsonNode visit : plan.path("rounds")) {
            assertThat(stops(visit))
                    .as("a pawpaw does not serve its own variety")
                    .noneMatch(s -> told(s).startsWith(s.path("pollenParent").asString()));
        }
    }

    @Test
    void cherimoyas_afternoon_without_a_jar_begins_with_collecting() {
        String one = api.tree(api.variety("Lantern"), "Lantern 1");
        String other = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(one, now, Map.of("closed", 10, "shedding", 3)).expect(200);
        api.read(other, now, Map.of("closed", 14, "parted", 4, "half-open", 9)).expect(200);

        JsonNode tonight = plan().path("rounds").get(0);
        assertThat(day(tonight)).isEqualTo(TODAY);
        assertThat(at(tonight)).isBetween(LocalTime.of(16, 0), LocalTime.of(18, 0));
        assertThat(tonight.path("collect").get(0).path("flowers").asInt()).isLessThanOrEqualTo(3);
        assertThat(stops(tonight).get(0).has("collectOf")).isTrue();
        assertThat(told(stops(tonight).get(0))).isEqualTo("Pale Ridge 1 with fresh Lantern");
    }

    @Test
    void soursop_is_done_with_todays_jar_before_yesterdays() {
        String one = api.tree(api.variety("soursop", "Broad Leaf"), "Broad Leaf 1");
        String other = api.tree(api.variety("soursop", "Hill Side"), "Hill Side 1");
        api.read(one, now, Map.of("closed", 10, "shedding", 2)).expect(200);
        api.read(other, now, Map.of("closed", 14, "outer-open", 6)).expect(200);
        api.lot(one, now.minus(Duration.ofHours(24)), 3).expect(200);
        String today =
                api.lot(one, now.minus(Duration.ofMinutes(30)), 3).expect(200).id();

        JsonNode tonight = plan().path("rounds").get(0);
        assertThat(day(tonight)).isEqualTo(TODAY);
        assertThat(stops(tonight).get(0).path("lotId").asString()).isEqualTo(today);
        assertThat(stops(tonight).get(0).path("flowers").asInt()).isEqualTo(3);
        assertThat(tonight.path("flowers").asInt()).isEqualTo(6);
    }

    @Test
    void dragon_fruit_is_done_in_its_night_and_each_variety_with_another() {
        String one = api.tree(api.variety("dragon-fruit", "Night Ferry"), "Night Ferry 1");
        String other = api.tree(api.variety("dragon-fruit", "Salt Lane"), "Salt Lane 1");
        api.read(one, now, Map.of("bud", 10, "tonight", 5)).expect(200);
        api.read(other, now, Map.of("bud", 10, "tonight", 3)).expect(200);

        JsonNode tonight = plan().path("rounds").get(0);
        assertThat(day(tonight)).isEqualTo(TODAY);
        assertThat(at(tonight)).isBetween(LocalTime.of(20, 30), LocalTime.of(23, 30));
        assertThat(stops(tonight))
                .extracting(EveningsOfCropsTest::told)
                .containsExactlyInAnyOrder("Salt Lane 1 with fresh Night Ferry", "Night Ferry 1 with fresh Salt Lane");
        assertThat(tonight.path("flowers").asInt()).isEqualTo(8);
    }

    @Test
    void avocados_of_type_b_are_done_in_the_afternoon_with_type_a() {
        String a = api.tree(api.variety("avocado-a", "Ember Oak"), "Ember Oak 1");
        String b = api.tree(api.variety("avocado-b", "Long Shade"), "Long Shade 1");
        api.read(a, now, Map.of("bud", 200, "male", 30, "shut", 40)).expect(200);
        api.read(b, now, Map.of("bud", 200, "female", 30, "shut", 40)).expect(200);

        JsonNode plan = plan();
        assertThat(plan.path("rounds").size()).isPositive();
        assertThat(day(plan.path("rounds").get(0))).isBetween(TODAY, TODAY.plusDays(1));
        for (JsonNode visit : plan.path("rounds")) {
            boolean afternoon = at(visit).isAfter(LocalTime.of(12, 0));
            String wanted = afternoon ? "Long Shade 1 with fresh Ember Oak" : "Ember Oak 1 with fresh Long Shade";
            int flowers = stops(visit).stream()
                    .filter(s -> told(s).equals(wanted))
                    .mapToInt(s -> s.path("flowers").asInt())
                    .sum();
            assertThat((double) flowers / visit.path("flowers").asInt())
                    .as("hardly a flower of a type sheds while its own take pollen, at %s", at(visit))
                    .isGreaterThan(0.8);
        }
    }

    @Test
    void ten_days_away_nothing_is_planned_and_what_is_let_go_is_told() {
        String one = api.tree(api.variety("Lantern"), "Lantern 1");
        String other = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        api.read(one, now, Map.of("closed", 30, "shedding", 9)).expect(200);
        api.read(other, now, Map.of("closed", 40, "parted", 4, "half-open", 9)).expect(200);
        Map<String, Object> away = new HashMap<>(Api.settings(
                Map.of("away", List.of(Map.of("first", "2026-11-26", "last", "2026-12-05", "note", "the sea")))));
        api.put("/api/round-settings/" + Api.newId(), away).expect(200);

        JsonNode plan = plan();
        assertThat(plan.path("rounds").valueStream().map(EveningsOfCropsTest::day))
                .isNotEmpty()
                .allMatch(d -> d.isBefore(LocalDate.of(2026, 11, 26)));
        assertThat(plan.path("away").get(0).path("todo").toString())
                .contains("does the flowers first that will be past")
                .contains("flowers open and are past while you are away");
    }

    @Test
    void a_night_in_which_the_clocks_are_put_forward_says_so() {
        Instant evening = Instant.parse("2026-09-26T05:00:00Z");
        Api there = TestServer.get().newOrchard(evening);
        String one = there.tree(there.variety("dragon-fruit", "Night Ferry"), "Night Ferry 1");
        String other = there.tree(there.variety("dragon-fruit", "Salt Lane"), "Salt Lane 1");
        there.read(one, evening, Map.of("bud", 10, "tonight", 5)).expect(200);
        there.read(other, evening, Map.of("bud", 10, "tonight", 3)).expect(200);

        assertThat(obstacles(there)).doesNotContain("obstacle.clocks");
        there.put("/api/plan-overrides/" + Api.newId(), Map.of("kind", "VISIT_AT", "visitAt", "2026-09-26T13:30:00Z"))
                .expect(200);
        assertThat(obstacles(there))
                .contains("obstacle.clocks")
                .contains("\"back\":\"no\"")
                .contains("\"minutes\":60")
                .contains("2026-09-26T13:30:00Z");
    }

    private static String obstacles(Api of) {
        return of.get("/api/plan?days=10").expect(200).body().path("obstacles").toString();
    }

    @Test
    void where_the_sun_does_not_rise_the_hours_are_by_the_clock_and_that_is_said() {
        api.put("/api/orchard", Api.place("Glass House", 78.2, 15.6, "Europe/Oslo"))
                .expect(200);
        String one = api.tree(api.variety("Lantern"), "Lantern 1");
        api.read(one, now, Map.of("closed", 30, "shedding", 9, "half-open", 4)).expect(200);

        assertThat(obstacles(api)).contains("obstacle.no-sun").contains("\"day\":\"2026-11-24\"");
    }
}
