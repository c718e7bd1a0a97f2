package org.evenhand.account;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** What those who signed in may do now. */
@Component
class Members {
    private static final String CURRENT = "select a.name, m.orchard_id, m.role from account a"
            + " join membership m on m.account_id = a.id and m.left_at is null"
            + " where a.id = ? and a.session_epoch = ?";

    private final JdbcTemplate jdbc;

    Members(JdbcTemplate jdbc) {
        this.jdbc = jdbc;
    }

    /** An orchard that somebody is a member of. */
    record Orchard(UUID orchardId, String name, Caller.Role role) {}

    /**
     * The caller behind a session. Whoever is no longer a member of the orchard they were in works in another of theirs; none where there
     * is none, or the session has ended.
     */
    Optional<Caller> caller(SignedIn session) {
        List<Caller> all = jdbc.query(
                CURRENT + " order by (m.orchard_id = ?) desc, m.joined_at, m.orchard_id limit 1",
                (row, i) -> new Caller(
                        session.accountId(),
                        row.getObject(2, UUID.class),
                        row.getString(1),
                        Caller.Role.valueOf(row.getString(3))),
                session.accountId(),
                session.epoch(),
                session.orchardId());
        return all.stream().findFirst();
    }

    /** A session that begins now; none for who is a member of no orchard. */
    Optional<SignedIn> begin(UUID accountId, UUID preferred) {
        return jdbc
                .query(
                        "select m.orchard_id, a.session_epoch from account a join membership m on m.account_id = a.id"
                                + " where a.id = ? and m.left_at is null"
                                + " order by (m.orchard_id = ?) desc nulls last, m.joined_at, m.orchard_id limit 1",
                        (row, i) -> new SignedIn(accountId, row.getObject(1, UUID.class), row.getInt(2)),
                        accountId,
                        preferred)
                .stream()
                .findFirst();
    }

    /** The orchards that somebody may work in, by name. */
    List<Orchard> orchards(UUID accountId) {
        return jdbc.query(
                "select m.orchard_id, o.name, m.role from membership m join orchard o on o.id = m.orchard_id"
                        + " where m.account_id = ? and m.left_at is null order by lower(o.name), o.id",
                (row, i) -> new Orchard(
                        row.getObject(1, UUID.class), row.getString(2), Caller.Role.valueOf(row.getString(3))),
                accountId);
    }
}
