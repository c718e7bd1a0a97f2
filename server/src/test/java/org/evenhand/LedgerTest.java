package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;

/** Doses in a jar: never below none, whoever draws at once, and always the sum of what was drawn and given back. */
class LedgerTest {
    private final TestServer server = TestServer.get();
    private final Api ines = server.newOrchard();
    private final Instant now = Instant.now();
    private final String giver = ines.tree(ines.variety("Lantern"), "Lantern 1");
    private final String taker = ines.tree(ines.variety("Pale Ridge"), "Pale Ridge 1");

    @Test
    void sixteen_people_drawing_at_once_never_take_a_jar_below_zero() throws Exception {
        UUID orchard =
                UUID.fromString(ines.get("/api/orchard").body().path("id").asString());
        Api tomas = server.member(orchard, Caller.Role.HELPER);
        String lot = ines.lot(giver, now, 50).expect(200).id();
        List<Callable<Integer>> draws = IntStream.range(0, 64)
                .<Callable<Integer>>mapToObj(i -> () -> (i % 2 == 0 ? ines : tomas)
                        .pollinate(taker, lot, 3, now)
                        .status())
                .toList();

        List<Integer> answers = together(16, draws);

        // 16 draws of 3 fit into 50; the others are told, and 2 doses are left.
        assertThat(answers.stream().filter(s -> s == 200)).hasSize(16);
        assertThat(answers.stream().filter(s -> s == 400)).hasSize(48);
        assertThat(ines.dosesLeft(lot)).isEqualTo(2);
        assertLedgerAddsUp(lot);
    }

    @Test
    void the_same_pollination_sent_many_times_at_once_is_there_once() throws Exception {
        String lot = ines.lot(giver, now, 10).expect(200).id();
        String id = Api.newId();
        Map<String, Object> body = Api.pollination(taker, lot, 4, now);

        List<Integer> answers = together(
                8,
                java.util.Collections.nCopies(
                        24, () -> ines.put("/api/pollinations/" + id, body).status()));

        assertThat(answers).containsOnly(200);
        assertThat(ines.dosesLeft(lot)).isEqualTo(6);
        assertThat(ines.get("/api/pollinations").body().size()).isEqualTo(1);
    }

    @Test
    void a_draw_beyond_what_is_left_says_so_and_takes_nothing() {
        String lot = ines.lot(giver, now, 5).expect(200).id();

        Api.Answer refused = ines.pollinate(taker, lot, 6, now).expect(400);

        assertThat(refused.errorAt("flowers")).contains("need 6 doses, but only 5 left in LA-0");
        assertThat(ines.dosesLeft(lot)).isEqualTo(5);
        assertThat(ines.get("/api/pollinations").body().size()).isZero();
    }

    @Test
    void undoing_a_pollination_gives_its_doses_back_once() {
        String lot = ines.lot(giver, now, 5).expect(200).id();
        String pollination = ines.pollinate(taker, lot, 4, now).expect(200).id();

        ines.post("/api/pollinations/" + pollination + "/void", Api.voiding(0)).expect(204);
        ines.post("/api/pollinations/" + pollination + "/void", Api.voiding(0)).expect(204);

        assertThat(ines.dosesLeft(lot)).isEqualTo(5);
        assertLedgerAddsUp(lot);
    }

    @Test
    void the_database_itself_keeps_jars_from_being_overdrawn_or_overfilled() {
        String lot = ines.lot(giver, now, 5).expect(200).id();

        for (int doses : new int[] {-1, 6}) {
            assertThatThrownBy(() -> server.database()
                            .update("update pollen_lot set doses_left = ? where id = ?::uuid", doses, lot))
                    .isInstanceOf(DataIntegrityViolationException.class)
                    .hasMessageContaining("pollen_lot_doses_left");
        }
    }

    @Test
    void a_jar_that_was_drawn_from_cannot_be_removed() {
        String lot = ines.lot(giver, now, 5).expect(200).id();
        ines.pollinate(taker, lot, 1, now).expect(200);

        assertThat(ines.post("/api/lots/" + lot + "/void", Api.voiding(0))
                        .expect(400)
                        .errorAt("reason"))
                .contains("Void those pollinations first");
    }

    private void assertLedgerAddsUp(String lot) {
        Integer drawn = server.database()
                .queryForObject(
                        "select coalesce(sum(case kind when 'DRAWN' then doses else -doses end), 0) from pollen_entry where lot_id = ?::uuid",
                        Integer.class,
                        lot);
        Integer collected = server.database()
                .queryForObject("select doses_collected from pollen_lot where id = ?::uuid", Integer.class, lot);
        assertThat(ines.dosesLeft(lot)).isEqualTo(collected - drawn);
    }

    private static <T> List<T> together(int threads, List<Callable<T>> calls) throws Exception {
        ExecutorService pool = Executors.newFixedThreadPool(threads);
        try {
            List<T> answers = new java.util.ArrayList<>();
            for (Future<T> future : pool.invokeAll(calls)) {
                answers.add(future.get());
            }
            return answers;
        } finally {
            pool.shutdownNow();
        }
    }
}
