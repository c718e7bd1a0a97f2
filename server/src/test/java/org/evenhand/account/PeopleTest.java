package org.evenhand.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller.Role;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** People come in by invitation, and go; whatever changes about them holds at once, in every session. */
class PeopleTest {
    private static final String NEXT = "seven slow lanterns";

    private final TestServer server = TestServer.get();
    private final Api owner = server.newOrchard();
    private final UUID orchard =
            UUID.fromString(owner.get("/api/orchard").body().path("id").asString());

    private Api stranger() {
        Api api = new Api(server.address());
        api.get("/api/setup").expect(200);
        return api;
    }

    private static String id(Api api) {
        return api.get("/api/session").expect(200).body().path("accountId").asString();
    }

    private static String key(JsonNode link) {
        return link.path("path").asString().substring("/join#".length());
    }

    private String invitation(Role role) {
        return key(owner.post("/api/people/invitations", Map.of("role", role.name(), "note", "for the harvest"))
                .expect(200)
                .body());
    }

    private static Map<String, String> joining(String key, String email) {
        return Map.of("key", key, "person", "Tane", "email", email, "password", TestServer.PASSWORD);
    }

    @Test
    void an_invitation_is_good_once_and_for_three_days() {
        String email = UUID.randomUUID() + "@tern-flat.example";
        String key = invitation(Role.WORKER);
        Api tane = stranger();
        JsonNode offer =
                tane.post("/api/join/offer", Map.of("key", key)).expect(200).body();
        assertThat(offer.path("orchard").asString()).isEqualTo("Tern Flat");
        assertThat(Duration.between(
                        Instant.now(), Instant.parse(offer.path("validUntil").asString())))
                .isBetween(Duration.ofHours(71), Duration.ofDays(3));
        assertThat(tane.post("/api/join", joining(key, "no address"))
                        .expect(400)
                        .errorAt("email"))
                .contains("not an e-mail");
        tane.post("/api/join", joining(key, email)).expect(204);
        assertThat(tane.get("/api/session").expect(200).body().path("role").asString())
                .isEqualTo("WORKER");
        assertThat(stranger()
                        .post("/api/join", joining(key, "x" + email))
                        .expect(400)
                        .errorAt("key"))
                .contains("used already");

        String late = invitation(Role.VIEWER);
        server.database()
                .update("update access_link set valid_until = now() - interval '1 second' where used_at is null");
        assertThat(stranger()
                        .post("/api/join/offer", Map.of("key", late))
                        .expect(400)
                        .errorAt("key"))
                .contains("run out");
        String withdrawn = invitation(Role.VIEWER);
        JsonNode open = owner.get("/api/people").expect(200).body().path("invitations");
        assertThat(open).hasSize(1);
        assertThat(open.get(0).path("note").asString()).isEqualTo("for the harvest");
        owner.post("/api/people/invitations/" + open.get(0).path("id").asString() + "/withdraw", Map.of())
                .expect(204);
        stranger().post("/api/join/offer", Map.of("key", withdrawn)).expect(400);
        assertThat(owner.post("/api/people/invitations", Map.of("role", "OWNER"))
                        .expect(400)
                        .errorAt("role"))
                .contains("handed over");
    }

    @Test
    void used_by_ten_at_once_an_invitation_lets_one_in() throws Exception {
        String key = invitation(Role.WORKER);
        long before = members();
        List<Integer> answers = atOnce(
                10,
                i -> stranger()
                        .post("/api/join", joining(key, UUID.randomUUID() + "@tern-flat.example"))
                        .status());
        assertThat(answers).containsOnlyOnce(204);
        assertThat(members()).isEqualTo(before + 1);
    }

    private long members() {
        return owner.get("/api/people").expect(200).body().path("members").size();
    }

    private static List<Integer> atOnce(int many, java.util.function.IntFunction<Integer> call) throws Exception {
        ExecutorService all = Executors.newFixedThreadPool(many);
        CountDownLatch start = new CountDownLatch(1);
        List<Future<Integer>> answers = IntStream.range(0, many)
                .mapToObj(i -> all.submit(() -> {
                    start.await();
                    return call.apply(i);
                }))
                .toList();
        start.countDown();
        List<Integer> statuses = new java.util.ArrayList<>();
        for (Future<Integer> answer : answers) {
            statuses.add(answer.get());
        }
        all.shutdown();
        return statuses;
    }

    @Test
    void one_account_works_in_several_orchards_and_sees_one_at_a_time() {
        Api mere = server.member(orchard, Role.MANAGER);
        String second = mere.post("/api/orchards", Api.place("Far Side"))
                .expect(200)
                .body()
                .path("orchard")
                .path("id")
                .asString();
        assertThat(mere.get("/api/session").body().path("role").asString()).isEqualTo("OWNER");
        mere.variety("Only here");
        mere.put("/api/session/orchard", Map.of("orchardId", orchard.toString()))
                .expect(200);
        assertThat(mere.get("/api/varieties").body()).isEmpty();
        assertThat(mere.get("/api/session").body().path("orchards")).hasSize(2);
        owner.put("/api/session/orchard", Map.of("orchardId", second)).expect(404);

        // A page that shows the other orchard still works in it.
        assertThat(mere.meantFor(second).get("/api/varieties").expect(200).body())
                .hasSize(1);
        assertThat(owner.meantFor(second)
                        .get("/api/varieties")
                        .expect(403)
                        .body()
                        .path("type")
                        .asString())
                .endsWith("not-a-member");

        // Removed from the one, they go on in the other.
        owner.post("/api/people/" + id(mere) + "/remove", Map.of()).expect(204);
        assertThat(mere.get("/api/session")
                        .expect(200)
                        .body()
                        .path("orchard")
                        .path("id")
                        .asString())
                .isEqualTo(second);
    }

    @Test
    void a_changed_role_and_an_ended_membership_hold_at_the_next_request() {
        Api mere = server.member(orchard, Role.WORKER);
        String tree = owner.tree(owner.variety("Lantern"), "Lantern 1");
        mere.read(tree, TestServer.NOW, Map.of("shedding", 3)).expect(200);
        JsonNode feed = mere.put("/api/calendars/" + Api.newId(), Map.of("name", "Phone"))
                .expect(200)
                .body();
        Api calendar = new Api(server.address());
        calendar.get(feed.path("path").asString()).expect(200);

        owner.put("/api/people/" + id(mere) + "/role", Map.of("role", "VIEWER")).expect(204);
        mere.read(tree, TestServer.NOW.plusSeconds(60), Map.of("shedding", 3)).expect(403);
        owner.post("/api/people/" + id(mere) + "/remove", Map.of()).expect(204);
        mere.get("/api/trees").expect(401);
        calendar.get(feed.path("path").asString()).expect(404);

        JsonNode people = owner.get("/api/people").expect(200).body();
        assertThat(people.path("formerly").get(0).path("name").asString()).isEqualTo("Mere");
        assertThat(owner.get("/api/story")
                        .expect(200)
                        .body()
                        .path("lines")
                        .valueStream()
                        .map(l -> l.path("by").asString()))
                .as("what they wrote stays theirs")
                .contains("Mere");
    }

    @Test
    void there_is_always_an_owner() {
        Api mere = server.member(orchard, Role.MANAGER);
        String own = id(owner);
        assertThat(owner.put("/api/people/" + own + "/role", Map.of("role", "VIEWER"))
                        .expect(400)
                        .errorAt("role"))
                .contains("without an owner");
        owner.post("/api/account/leave", Map.of()).expect(400);
        owner.post("/api/people/" + id(mere) + "/owner", Map.of()).expect(204);
        assertThat(owner.get("/api/session").body().path("role").asString()).isEqualTo("MANAGER");
        assertThat(mere.get("/api/session").body().path("role").asString()).isEqualTo("OWNER");
        owner.post("/api/account/leave", Map.of()).expect(204);
        owner.get("/api/trees").expect(401);
        assertThat(mere.get("/api/people/log")
                        .expect(200)
                        .body()
                        .valueStream()
                        .map(e -> e.path("kind").asString()))
                .startsWith("LEFT", "HANDED_OVER");
    }

    @Test
    void a_changed_password_ends_all_other_sessions() {
        String email = UUID.randomUUID() + "@tern-flat.example";
        String key = invitation(Role.WORKER);
        Api here = stranger();
        here.post("/api/join", joining(key, email)).expect(204);
        Api there = new Api(server.address());
        there.signIn(email, TestServer.PASSWORD);
        Api third = new Api(server.address());
        third.signIn(email, TestServer.PASSWORD);
        JsonNode sessions = here.get("/api/account").expect(200).body().path("sessions");
        assertThat(sessions).hasSize(3);
        assertThat(sessions.get(0).path("here").asBoolean()).isTrue();
        assertThat(sessions.get(1).path("address").asString()).isEqualTo("127.0.0.1");
        here.post("/api/account/sessions/" + sessions.get(1).path("key").asString() + "/end", Map.of())
                .expect(204);
        assertThat(List.of(
                        there.get("/api/trees").status(),
                        third.get("/api/trees").status()))
                .containsExactlyInAnyOrder(200, 401);

        assertThat(here.put("/api/account/password", Map.of("now", "not this one", "next", NEXT))
                        .expect(400)
                        .errorAt("now"))
                .contains("not your password");
        for (Map.Entry<String, String> weak : Map.of(
                        "short one",
                        "at least 15",
                        "aaaaaaaaaaaaaaaaaa",
                        "tried first",
                        "passwordpassword",
                        "tried first",
                        email.split("@")[0] + "1",
                        "tried first")
                .entrySet()) {
            assertThat(here.put("/api/account/password", Map.of("now", TestServer.PASSWORD, "next", weak.getKey()))
                            .expect(400)
                            .errorAt("next"))
                    .as(weak.getKey())
                    .contains(weak.getValue());
        }
        here.put("/api/account/password", Map.of("now", TestServer.PASSWORD, "next", NEXT))
                .expect(204);
        here.get("/api/trees").expect(200);
        there.get("/api/trees").expect(401);
        third.get("/api/trees").expect(401);
        there.signIn(email, NEXT);
    }

    @Test
    void an_owner_gives_a_new_password_only_to_whom_no_other_orchard_trusts() {
        Api mere = server.member(orchard, Role.WORKER);
        String id = id(mere);
        String key = key(owner.post("/api/people/" + id + "/reset-link", Map.of())
                .expect(200)
                .body());
        Api elsewhere = stranger();
        assertThat(elsewhere
                        .post("/api/join/offer", Map.of("key", key))
                        .expect(200)
                        .body()
                        .path("person")
                        .asString())
                .isEqualTo("Mere");
        elsewhere
                .post("/api/join/password", Map.of("key", key, "password", NEXT))
                .expect(204);
        elsewhere.get("/api/trees").expect(200);
        mere.get("/api/trees").expect(401);
        elsewhere
                .post("/api/join/password", Map.of("key", key, "password", NEXT))
                .expect(400);

        elsewhere.post("/api/orchards", Api.place("Far Side")).expect(200);
        assertThat(owner.post("/api/people/" + id + "/reset-link", Map.of())
                        .expect(400)
                        .errorAt("accountId"))
                .contains("another orchard");
    }

    @Test
    void who_stays_signed_in_has_a_cookie_that_outlives_the_browser() {
        String email = UUID.randomUUID() + "@tern-flat.example";
        stranger().post("/api/join", joining(invitation(Role.VIEWER), email)).expect(204);
        for (boolean stay : new boolean[] {true, false}) {
            String cookie = stranger()
                    .post("/api/session", Map.of("email", email, "password", TestServer.PASSWORD, "stay", stay))
                    .expect(200)
                    .raw()
                    .headers()
                    .allValues("Set-Cookie")
                    .stream()
                    .filter(c -> c.startsWith("EVENHAND"))
                    .findFirst()
                    .orElseThrow();
            assertThat(cookie.contains("Max-Age")).as(cookie).isEqualTo(stay);
        }
        stranger()
                .post("/api/session", Map.of("email", email, "password", "wrong wrong wrong"))
                .expect(400);
        assertThat(owner.get("/api/people/log")
                        .expect(200)
                        .body()
                        .get(0)
                        .path("kind")
                        .asString())
                .isEqualTo("WRONG_PASSWORD");
    }

    @Test
    void signed_out_requests_leave_no_session() {
        int before = server.database().queryForObject("select count(*) from spring_session", Integer.class);
        Api nobody = new Api(server.address());
        IntStream.range(0, 20)
                .forEach(i -> new Api(server.address()).get("/api/trees?x=" + i).expect(401));
        nobody.get("/api/setup").expect(200);
        assertThat(server.database().queryForObject("select count(*) from spring_session", Integer.class))
                .isEqualTo(before);
    }
}
