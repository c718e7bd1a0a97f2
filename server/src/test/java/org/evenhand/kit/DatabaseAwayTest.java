package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;

/** Where the database takes nothing people read on, and where it is away they hear so at once; both end by themselves. */
class DatabaseAwayTest {
    @Test
    void reads_go_on_writes_say_not_yet_and_both_recover() throws InterruptedException {
        try (TestServer server = TestServer.fresh()) {
            Api api = server.newOrchard();
            String variety = api.variety("Lantern");

            server.admin("alter database %s set default_transaction_read_only = on");
            server.disconnect();
            soon(() -> api.put("/api/varieties/" + Api.newId(), lantern(2)), 503);
            Api.Answer refused = api.put("/api/varieties/" + Api.newId(), lantern(2));
            assertThat(refused.body().path("detail").asString()).contains("Nothing was saved");
            assertThat(refused.raw().headers().firstValue("Retry-After")).contains("5");
            assertThat(api.get("/api/varieties")
                            .expect(200)
                            .body()
                            .get(0)
                            .path("id")
                            .asString())
                    .isEqualTo(variety);
            api.get("/actuator/health/readiness").expect(200);

            server.admin("alter database %s reset default_transaction_read_only");
            server.disconnect();
            soon(() -> api.put("/api/varieties/" + Api.newId(), lantern(3)), 200);

            server.admin("alter database %s with allow_connections false");
            server.disconnect();
            Instant before = Instant.now();
            Api.Answer away = api.get("/api/trees");
            assertThat(Duration.between(before, Instant.now())).isLessThan(Duration.ofSeconds(8));
            assertThat(away.expect(503).body().path("type").asString()).endsWith("database-away");
            assertThat(api.get("/actuator/health/readiness").status()).isEqualTo(503);

            server.admin("alter database %s with allow_connections true");
            soon(() -> api.get("/api/trees"), 200);
            soon(() -> api.put("/api/varieties/" + Api.newId(), lantern(4)), 200);
        }
    }

    private static Map<String, Object> lantern(int number) {
        return Map.of("crop", "cherimoya", "name", "Lantern " + number);
    }

    private interface Ask {
        Api.Answer ask();
    }

    /** Within the five seconds in which it is to recover; connections that were cut are found out one by one. */
    private static void soon(Ask ask, int status) throws InterruptedException {
        Instant end = Instant.now().plusSeconds(5);
        Api.Answer last = ask.ask();
        while (last.status() != status && Instant.now().isBefore(end)) {
            Thread.sleep(200);
            last = ask.ask();
        }
        last.expect(status);
    }
}
