package org.evenhand.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.commons.codec.binary.Base32;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller.Role;
import org.evenhand.kit.SecretKeys;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Codes of an app beside the password. That passkeys let in is tried in a browser, which has them. */
class SecondFactorTest {
    private static final Map<String, String> PASSWORD = Map.of("password", TestServer.PASSWORD);

    private final TestServer server = TestServer.get();
    private final OneTimeCodes codes = server.bean(OneTimeCodes.class);
    private final Api owner = server.newOrchard();
    private Api mere;
    private String email;

    @BeforeEach
    void somebody() {
        mere = server.member(
                UUID.fromString(owner.get("/api/orchard").body().path("id").asString()), Role.WORKER);
        email = mere.get("/api/account").body().path("email").asString();
    }

    private Api stranger() {
        Api api = new Api(server.address());
        api.get("/api/setup").expect(200);
        return api;
    }

    private Api.Answer signIn(String code) {
        Map<String, String> typed = new HashMap<>(Map.of("email", email, "password", TestServer.PASSWORD));
        if (code != null) {
            typed.put("code", code);
        }
        return stranger().post("/api/session", typed);
    }

    private byte[] begin() {
        JsonNode begun = mere.post("/api/account/codes", PASSWORD).expect(200).body();
        String secret = begun.path("secret").asString();
        assertThat(begun.path("address").asString())
                .startsWith("otpauth://totp/Even%20Hand%3A")
                .contains("?secret=" + secret + "&issuer=");
        return new Base32().decode(secret);
    }

    private List<String> turnOn(byte[] secret, Instant at) {
        List<String> spare = new ArrayList<>();
        mere.put("/api/account/codes", Map.of("code", codes.code(secret, at)))
                .expect(200)
                .body()
                .path("spare")
                .forEach(s -> spare.add(s.asString()));
        return spare;
    }

    /** RFC 6238 appendix B, SHA-1: the last six of its eight figures. */
    @ParameterizedTest
    @CsvSource({
        "59, 287082",
        "1111111109, 081804",
        "1111111111, 050471",
        "1234567890, 005924",
        "2000000000, 279037",
        "20000000000, 353130"
    })
    void codes_are_those_of_the_standard(long second, String code) {
        byte[] secret = "12345678901234567890".getBytes(StandardCharsets.US_ASCII);
        assertThat(codes.code(secret, Instant.ofEpochSecond(second))).isEqualTo(code);
    }

    @Test
    void a_code_is_asked_for_once_it_was_confirmed_and_each_is_good_once() {
        Instant now = Instant.now();
        byte[] secret = begin();
        signIn(null).expect(200);
        assertThat(mere.put("/api/account/codes", Map.of("code", "12345"))
                        .expect(400)
                        .errorAt("code"))
                .contains("does not fit");
        List<String> spare = turnOn(secret, now);
        assertThat(spare).hasSize(8).doesNotHaveDuplicates();
        mere.get("/api/trees").expect(200);

        assertThat(signIn(null).expect(400).errorAt("code")).contains("needed");
        assertThat(signIn(codes.code(secret, now)).expect(400).errorAt("code"))
                .as("it turned them on")
                .contains("used already");
        String next = codes.code(secret, now.plusSeconds(30));
        signIn(" " + next.substring(0, 3) + " " + next.substring(3)).expect(200);
        signIn(next).expect(400);
        signIn(spare.get(3).toUpperCase()).expect(200);
        signIn(spare.get(3)).expect(400);
        JsonNode own = mere.get("/api/account").body().path("codes");
        assertThat(own.path("on").asBoolean()).isTrue();
        assertThat(own.path("spare").asInt()).isEqualTo(7);

        assertThat(mere.post("/api/account/codes/off", Map.of("password", "not that one"))
                        .expect(400)
                        .errorAt("password"))
                .contains("not yours");
        mere.post("/api/account/codes/spare", PASSWORD).expect(200);
        signIn(spare.get(4)).expect(400);
        mere.post("/api/account/codes/off", PASSWORD).expect(204);
        signIn(null).expect(200);
    }

    @Test
    void who_has_the_password_cannot_try_codes_without_end_from_wherever() {
        Instant now = Instant.now();
        byte[] secret = begin();
        List<String> spare = turnOn(secret, now);
        UUID account = UUID.fromString(
                mere.get("/api/session").body().path("accountId").asString());
        for (int i = 0; i < 10; i++) {
            assertThat(attempt(account, "wrong")).contains("does not fit");
        }
        assertThat(attempt(account, spare.get(0))).contains("too often");
        assertThat(signIn(spare.get(0)).expect(400).errorAt("code")).contains("too often");

        server.database()
                .update(
                        "update one_time_codes set wrong_since = now() - interval '31 minutes' where account_id = ?",
                        account);
        signIn(spare.get(0)).expect(200);
        assertThat(owner.get("/api/people/log").expect(200).raw().body()).contains("WRONG_CODE", "SLOWED_DOWN");
    }

    private String attempt(UUID account, String code) {
        try {
            codes.require(account, code, Device.UNKNOWN);
            return "";
        } catch (InvalidInputException e) {
            return e.getMessage();
        }
    }

    @Test
    void an_owners_link_leaves_codes_asked_for_and_the_machines_own_takes_them_away() {
        List<String> spare = turnOn(begin(), Instant.now());
        String id = mere.get("/api/session").body().path("accountId").asString();
        String path = owner.post("/api/people/" + id + "/reset-link", Map.of())
                .expect(200)
                .body()
                .path("path")
                .asString();
        Map<String, String> choice =
                new HashMap<>(Map.of("key", path.substring("/join#".length()), "password", "seven slow lanterns"));
        assertThat(stranger().post("/api/join/password", choice).expect(400).errorAt("code"))
                .contains("needed");
        choice.put("code", spare.get(0));
        stranger().post("/api/join/password", choice).expect(204);

        server.database()
                .update(
                        "insert into access_link (id, kind, key_hash, account_id, note, made_at, valid_until)"
                                + " values (?, 'RESET', ?, ?, '', now(), now() + interval '1 hour')",
                        UUID.randomUUID(),
                        SecretKeys.hash("from the machine"),
                        UUID.fromString(id));
        stranger()
                .post("/api/join/password", Map.of("key", "from the machine", "password", TestServer.PASSWORD))
                .expect(204);
        signIn(null).expect(200);
    }

    @Test
    void a_passkey_that_nobody_asked_for_or_made_lets_nobody_in() {
        Api stranger = stranger();
        Map<String, Object> shown = Map.of("credential", "{\"id\":\"AAAA\"}", "stay", true);
        assertThat(stranger.post("/api/session/passkey", shown).expect(400).errorAt("credential"))
                .contains("nothing that was asked");
        JsonNode asked = stranger.post("/api/session/passkey/options", Map.of())
                .expect(200)
                .body();
        assertThat(asked.path("options").asString()).contains("\"rpId\":\"localhost\"", "\"required\"");
        assertThat(stranger.post("/api/session/passkey", shown).expect(400).errorAt("credential"))
                .contains("not accepted");
        assertThat(stranger.post("/api/session/passkey", shown).expect(400).errorAt("credential"))
                .as("what was asked is good once")
                .contains("nothing that was asked");

        mere.post("/api/account/passkeys/options", Map.of("password", "not that one"))
                .expect(400);
        assertThat(mere.post("/api/account/passkeys/options", PASSWORD)
                        .expect(200)
                        .body()
                        .path("options")
                        .asString())
                .contains("\"residentKey\":\"required\"", "challenge", email);
        mere.post("/api/account/passkeys", Map.of("label", "My phone", "credential", "{}"))
                .expect(400);
        mere.delete("/api/account/passkeys/AAAA").expect(404);
        mere.delete("/api/account/passkeys/no%20key!").expect(404);
    }
}
