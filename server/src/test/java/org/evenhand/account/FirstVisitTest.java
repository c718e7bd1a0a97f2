package org.evenhand.account;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;

/** The first visit makes one owner, and wants the code that whoever started the machine was shown. */
class FirstVisitTest {
    @Test
    void ten_at_once_make_one_owner_and_none_without_the_code() throws Exception {
        try (TestServer fresh = TestServer.fresh()) {
            Api stranger = new Api(fresh.address());
            assertThat(stranger.get("/api/setup")
                            .expect(200)
                            .body()
                            .path("ownerNeeded")
                            .asBoolean())
                    .isTrue();
            assertThat(stranger.post("/api/setup", owner(0, "GUESSED"))
                            .expect(400)
                            .errorAt("code"))
                    .contains("not the code");

            ExecutorService all = Executors.newFixedThreadPool(10);
            List<Callable<Integer>> visits = IntStream.range(0, 10)
                    .<Callable<Integer>>mapToObj(i -> () -> {
                        Api api = new Api(fresh.address());
                        api.get("/api/setup");
                        return api.post("/api/setup", owner(i, "tern flat")).status();
                    })
                    .toList();
            List<Integer> answers =
                    all.invokeAll(visits).stream().map(FirstVisitTest::got).toList();
            all.shutdown();
            assertThat(answers).containsOnlyOnce(200);
            assertThat(answers.stream().filter(a -> a == 409)).hasSize(9);
            assertThat(fresh.database().queryForObject("select count(*) from orchard", Integer.class))
                    .isEqualTo(1);
        }
    }

    private static Integer got(Future<Integer> answer) {
        try {
            return answer.get();
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static Map<String, Object> owner(int i, String code) {
        Map<String, Object> request = new HashMap<>(Map.of(
                "code",
                code,
                "person",
                "Ines",
                "email",
                "ines" + i + "@far-side.example",
                "password",
                TestServer.PASSWORD));
        request.put("orchard", Api.place("Far Side"));
        return request;
    }
}
