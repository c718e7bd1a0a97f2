package org.evenhand.account;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.InstantSource;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/** Who came in and from where, who was refused, and what was done about people. */
@Component
class AccessLog {
    private static final int MOST_SHOWN = 200;
    /** So long it is kept; longer than a season, shorter than anybody's interest in where others were. Our convention. */
    private static final int DAYS_KEPT = 400;

    enum Kind {
        SIGNED_IN,
        WRONG_PASSWORD,
        UNKNOWN_ADDRESS,
        SLOWED_DOWN,
        PASSWORD_CHANGED,
        SESSIONS_ENDED,
        INVITED,
        INVITATION_WITHDRAWN,
        JOINED,
        ROLE_CHANGED,
        REMOVED,
        LEFT,
        HANDED_OVER,
        RESET_LINK_MADE,
        PASSWORD_RESET,
        WRONG_CODE,
        CODES_ON,
        CODES_OFF,
        PASSKEY_ADDED,
        PASSKEY_REMOVED
    }

    private final JdbcTemplate jdbc;
    private final InstantSource clock;

    AccessLog(JdbcTemplate jdbc, InstantSource clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** An attempt to come in; written whatever becomes of it. */
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void attempt(Kind kind, UUID account, Device from) {
        write(kind, account, null, account, from, "");
    }

    /** What somebody did about a person of their orchard, in the caller's transaction. */
    void done(Kind kind, Caller by, UUID about, String detail) {
        write(kind, about, by.orchardId(), by.accountId(), Device.UNKNOWN, detail);
    }

    private void write(Kind kind, UUID account, UUID orchard, UUID by, Device from, String detail) {
        jdbc.update(
                "insert into access_event (kind, at, account_id, orchard_id, by_id, address, device, detail)"
                        + " values (?, ?, ?, ?, ?, ?, ?, ?)",
                kind.name(),
                OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC),
                account,
                orchard,
                by,
                from.address(),
                from.name(),
                detail);
    }

    /** What concerns the people of the caller's orchard, the latest first. */
    @Transactional(readOnly = true)
    public List<PeopleView.Event> of(Caller caller) {
        return jdbc.query(
                "select e.kind, e.at, a.name, b.name, e.address, e.device, e.detail from access_event e"
                        + " left join account a on a.id = e.account_id left join account b on b.id = e.by_id"
                        + " where e.orchard_id = ? or e.orchard_id is null and e.account_id in"
                        + " (select account_id from membership where orchard_id = ?)"
                        // What nobody's address was tried concerns the only orchard there is; of several, none.
                        + " or e.account_id is null and (select count(*) from orchard) = 1"
                        + " order by e.at desc, e.id desc limit " + MOST_SHOWN,
                (row, i) -> event(row),
                caller.orchardId(),
                caller.orchardId());
    }

    private static PeopleView.Event event(ResultSet row) throws SQLException {
        Instant at = row.getObject(2, OffsetDateTime.class).toInstant();
        return new PeopleView.Event(
                Kind.valueOf(row.getString(1)),
                at,
                row.getString(3),
                row.getString(4),
                row.getString(5),
                row.getString(6),
                row.getString(7));
    }

    @Scheduled(fixedDelayString = "P1D", initialDelayString = "PT10M")
    @Transactional
    public void forgetOldOnes() {
        jdbc.update("delete from access_event where at < now() - make_interval(days => ?)", DAYS_KEPT);
    }
}
