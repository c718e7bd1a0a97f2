package org.evenhand.kit;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CyclicBarrier;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.junit.jupiter.api.Test;

/** A phone that sends again before the first answer came is answered alike, however close the two are. */
class SentAtOnceTest {
    private static final int TIMES = 5;

    private final Api api = TestServer.get().newOrchard();
    private final String variety = api.variety("Lantern");
    private final String tree = api.tree(variety, "Lantern 1");

    private static List<Integer> atOnce(Supplier<Api.Answer> send) {
        CyclicBarrier together = new CyclicBarrier(TIMES);
        List<CompletableFuture<Integer>> sent = Stream.generate(() -> CompletableFuture.supplyAsync(
                        () -> {
                            try {
                                together.await();
                            } catch (Exception e) {
                                throw new IllegalStateException(e);
                            }
                            return send.get().status();
                        },
                        command -> new Thread(command).start()))
                .limit(TIMES)
                .toList();
        return sent.stream().map(CompletableFuture::join).toList();
    }

    @Test
    void what_is_sent_five_times_at_once_is_done_once_and_answered_alike() {
        for (int i = 0; i < 6; i++) {
            Map<String, Object> reading = Api.reading(tree, TestServer.NOW.minusSeconds(60 + i), Map.of("parted", i));
            String id = Api.newId();
            assertThat(atOnce(() -> api.put("/api/readings/" + id, reading))).containsOnly(200);
            Map<String, Object> planted =
                    Map.of("varietyId", variety, "name", "Lantern " + (10 + i), "row", 1, "position", i + 2);
            assertThat(atOnce(() -> api.post("/api/readings/" + id + "/void", Api.voiding(0))))
                    .containsOnly(204);
            assertThat(atOnce(() -> api.post("/api/story/reading/" + id + "/restore", Map.of("version", 1))))
                    .containsOnly(204);
            String other = Api.newId();
            assertThat(atOnce(() -> api.put("/api/trees/" + other, planted))).containsOnly(200);
            assertThat(atOnce(() -> api.put("/api/trees/" + other, planted))).containsOnly(200);
        }
        assertThat(api.get("/api/trees/" + tree + "/readings").expect(200).body())
                .hasSize(6);
    }
}
