package org.evenhand.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SignInTest {
    private final TestServer server = TestServer.get();

    @Test
    void nothing_is_shown_to_who_is_not_signed_in() {
        Api stranger = new Api(server.address());
        for (String path :
                new String[] {"/api/orchard", "/api/trees", "/api/bloom", "/api/lots", "/api/round", "/api/session"}) {
            Api.Answer answer = stranger.get(path).expect(401);
            assertThat(answer.body().path("detail").asString()).contains("sign in");
        }
        assertThat(stranger.get("/actuator/env").status()).isEqualTo(404);
    }

    @Test
    void a_change_without_the_token_is_refused() {
        Api ines = server.newOrchard();

        ines.putWithoutToken("/api/varieties/" + Api.newId(), Map.of("crop", "cherimoya", "name", "Lantern"))
                .expect(403);

        assertThat(ines.get("/api/varieties").body().size()).isZero();
    }

    @Test
    void passwords_are_kept_as_hashes_only_and_sessions_change_their_id_at_sign_in() {
        Api ines = server.newOrchard();
        assertThat(server.database()
                        .queryForList("select password_hash from account where email is not null", String.class))
                .isNotEmpty()
                .allSatisfy(hash -> assertThat(hash).startsWith("{bcrypt}$2a$").doesNotContain(TestServer.PASSWORD));
        String before = ines.cookie("EVENHAND");
        ines.delete("/api/session").expect(204);
        ines.get("/api/trees").expect(401);
        assertThat(before).isNotEmpty();
    }

    @Test
    void a_wrong_password_is_told_beside_the_field_and_slowed_down() {
        Api stranger = new Api(server.address());
        stranger.get("/api/setup");
        Map<String, String> wrong =
                Map.of("email", "nobody-" + UUID.randomUUID() + "@tern-flat.example", "password", "guess guess guess");

        for (int i = 0; i < 8; i++) {
            assertThat(stranger.post("/api/session", wrong).expect(400).errorAt("password"))
                    .contains("does not fit");
        }
        assertThat(stranger.post("/api/session", wrong).expect(400).errorAt("password"))
                .contains("too often");
    }

    @Test
    void a_helper_does_the_work_but_the_place_is_the_owners_to_change() {
        Api ines = server.newLiveOrchard();
        UUID orchard =
                UUID.fromString(ines.get("/api/orchard").body().path("id").asString());
        Api tomas = server.member(orchard, Caller.Role.WORKER);
        Map<String, Object> change = place();

        tomas.put("/api/orchard", change).expect(403);
        assertThat(ines.put("/api/orchard", change)
                        .expect(200)
                        .body()
                        .path("latitude")
                        .asDouble())
                .isEqualTo(-35.4);
        ines.put("/api/orchard", change).expect(409);
        assertThat(ines.put("/api/demo-clock", Map.of("now", "2026-11-24T02:00:00Z"))
                        .expect(400)
                        .errorAt("now"))
                .contains("only the demo");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "latitude|200|latitude|is 200; allowed is -90 to 90",
                "zone|Mars/Olympus|zone|is not a time zone",
                "typicalMinimumC|30|typicalMaximumC|below the lowest of the day",
                "name||name|is empty",
            })
    void an_impossible_place_is_refused_beside_its_field(String field, String value, String errorField, String says) {
        Api ines = server.newOrchard();
        Map<String, Object> change = place();
        change.put(field, value == null ? "" : value.matches("-?\\d+") ? Integer.valueOf(value) : value);

        assertThat(ines.put("/api/orchard", change).expect(400).errorAt(errorField))
                .contains(says);
    }

    @Test
    void pages_come_without_cookies_and_may_ask_no_other_host() {
        Api stranger = new Api(server.address());
        Api.Answer page = stranger.get("/bloom").expect(200);

        assertThat(page.raw().headers().firstValue("Content-Security-Policy").orElse(""))
                .contains("default-src 'self'");
        assertThat(page.raw().headers().firstValue("Set-Cookie")).isEmpty();
        assertThat(page.raw().body()).contains("<div id=\"root\">");
        for (String address : List.of("/fruit-set/walk", "/findings/why", "/round/figs/a-tree", "/no/such/page")) {
            assertThat(stranger.get(address).expect(200).raw().body())
                    .as("%s opened from a link, before anything of the page is on the device", address)
                    .contains("<div id=\"root\">");
        }
        stranger.get("/assets/none").expect(404);
        stranger.get("/none.js").expect(404);
    }

    private static Map<String, Object> place() {
        Map<String, Object> place = Api.place("Tern Flat");
        place.put("version", 0);
        return place;
    }
}
