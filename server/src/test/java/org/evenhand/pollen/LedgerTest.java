package org.evenhand.pollen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import org.evenhand.Api;
import org.evenhand.TestServer;
import org.evenhand.kit.Caller;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataIntegrityViolationException;

/** Doses in a jar: never below none, whoever draws at once, and always the sum of what was drawn and given back. */
class LedgerTest {
    private final TestServer server = TestServer.get();
    private final Api ines = server.newOrchard();
    private final Instant now = TestServer.NOW;
    private final String giver = ines.tree(ines.variety("Lantern"), "Lantern 1");
    private final String taker = ines.tree(ines.variety("Pale Ridge"), "Pale Ridge 1");

    @Test
    void sixteen_people_drawing_at_once_never_take_a_jar_below_zero() throws Exception {
        UUID orchard =
                UUID.fromString(ines.get("/api/orchard").body().path("id").asString());
        Api tomas = server.member(orchard, Caller.Role.WORKER);
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

    /** Draws, spills, returns, pourings and undoings of four jars by sixteen clients: every balance is the sum of its lines. */
    @Test
    void whatever_sixteen_clients_do_at_once_every_jar_adds_up_and_no_dose_is_made_or_lost() throws Exception {
        List<String> jars = IntStream.range(0, 4)
                .mapToObj(i ->
                        ines.lot(giver, now.minusSeconds(600), 60).expect(200).id())
                .toList();
        SplittableRandom random = new SplittableRandom(11);
        List<Callable<Integer>> calls = IntStream.range(0, 240)
                .<Callable<Integer>>mapToObj(i -> {
                    String jar = jars.get(random.nextInt(4));
                    String other = jars.get(random.nextInt(4));
                    int doses = 1 + random.nextInt(6);
                    return switch (i % 5) {
                        case 0 -> () -> ines.pollinate(taker, jar, doses, now).status();
                        case 1 ->
                            () -> line(jar, doses % 2 == 0 ? "SPILLED" : "GIVEN_AWAY", doses)
                                    .status();
                        case 2 -> () -> line(jar, "BROUGHT_BACK", doses).status();
                        case 3 -> () -> spillAndUndo(jar, doses);
                        default -> () -> pour(jar, other, doses);
                    };
                })
                .toList();

        List<Integer> answers = together(16, calls);

        // Refused with a reason, or done; never a server error.
        assertThat(answers).allMatch(s -> s == 200 || s == 400);
        assertThat(answers).contains(200);
        List<String> all = new java.util.ArrayList<>();
        ines.get("/api/lots").body().forEach(lot -> all.add(lot.path("id").asString()));
        all.forEach(this::assertLedgerAddsUp);
        Integer poured = server.database()
                .queryForObject(
                        "select count(*) from pollen_lot l where origin = 'POURED' and voided_at is null and doses_collected <> "
                                + "(select -sum(change) from pollen_entry e where e.part_of_id = l.id)",
                        Integer.class);
        assertThat(poured).isZero();
    }

    private Api.Answer line(String lot, String kind, int doses) {
        return ines.put("/api/lots/" + lot + "/lines/" + Api.newId(), lineBody(kind, doses));
    }

    private Map<String, Object> lineBody(String kind, int doses) {
        return Map.of("kind", kind, "doses", doses, "at", now.toString());
    }

    private int spillAndUndo(String lot, int doses) {
        String id = Api.newId();
        int status = ines.put("/api/lots/" + lot + "/lines/" + id, lineBody("DISCARDED", doses))
                .status();
        return status == 200
                ? ines.post("/api/lots/" + lot + "/lines/" + id + "/undo", Map.of())
                        .status()
                : status;
    }

    private int pour(String one, String other, int doses) {
        List<Map<String, Object>> parts = one.equals(other)
                ? List.of(Map.of("lotId", one, "doses", doses))
                : List.of(Map.of("lotId", one, "doses", doses), Map.of("lotId", other, "doses", doses));
        return ines.put(
                        "/api/pourings/" + Api.newId(),
                        Map.of("parts", parts, "at", now.toString(), "storage", "FRIDGE_DESICCANT"))
                .status();
    }

    @Test
    void the_database_itself_keeps_the_ledger_true() {
        String lot = ines.lot(giver, now, 5).expect(200).id();
        ines.pollinate(taker, lot, 1, now).expect(200);

        refused("pollen_lot_only_by_ledger", "update pollen_lot set doses_left = 3 where id = ?::uuid", lot);
        refused("pollen_lot_only_by_ledger", "update pollen_lot set doses_collected = 9 where id = ?::uuid", lot);
        refused("pollen_entry_stays", "update pollen_entry set change = -1 where lot_id = ?::uuid", lot);
        refused("pollen_entry_stays", "delete from pollen_entry where lot_id = ?::uuid", lot);
        for (String change : List.of("'SPILLED', -5", "'BROUGHT_BACK', 2")) {
            refused(
                    "pollen_lot_doses_left",
                    "insert into pollen_entry (lot_id, kind, change, at, recorded_at, recorded_by) select id, " + change
                            + ", now(), now(), recorded_by from pollen_lot where id = ?::uuid",
                    lot);
        }
        refused(
                "pollen_entry_kind",
                "insert into pollen_entry (lot_id, kind, change, at, recorded_at, recorded_by) select id, 'SPILLED', 1, now(),"
                        + " now(), recorded_by from pollen_lot where id = ?::uuid",
                lot);
        assertThat(ines.dosesLeft(lot)).isEqualTo(4);
    }

    @Test
    void a_poured_jar_whose_parts_do_not_add_up_is_refused_when_the_transaction_ends() {
        String lot = ines.lot(giver, now, 5).expect(200).id();
        String made = pouring(Map.of(lot, 2)).expect(200).id();

        refused(
                "pollen_parts_add_up",
                "insert into pollen_entry (lot_id, kind, change, part_of_id, at, recorded_at, recorded_by) select '"
                        + lot + "', 'POURED_OUT', -1, id, now(), now(), recorded_by from pollen_lot where id = ?::uuid",
                made);
    }

    private void refused(String rule, String sql, String lot) {
        assertThatThrownBy(() -> server.database().update(sql, lot))
                .isInstanceOf(DataIntegrityViolationException.class)
                .hasMessageContaining(rule);
    }

    private Api.Answer pouring(Map<String, Integer> parts) {
        return ines.put(
                "/api/pourings/" + Api.newId(),
                Map.of(
                        "parts",
                                parts.entrySet().stream()
                                        .map(e -> Map.of("lotId", e.getKey(), "doses", e.getValue()))
                                        .toList(),
                        "at", now.toString(),
                        "storage", "FRIDGE_DESICCANT"));
    }

    @Test
    void a_jar_that_was_drawn_from_cannot_be_removed() {
        String lot = ines.lot(giver, now, 5).expect(200).id();
        ines.pollinate(taker, lot, 1, now).expect(200);

        assertThat(ines.post("/api/lots/" + lot + "/void", Api.voiding(0))
                        .expect(400)
                        .errorAt("reason"))
                .contains("Remove those pollinations first");
    }

    private void assertLedgerAddsUp(String lot) {
        Integer drawn = server.database()
                .queryForObject(
                        "select coalesce(-sum(change), 0) from pollen_entry where lot_id = ?::uuid",
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
