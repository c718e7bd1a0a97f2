package org.evenhand.account;

import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.MemberLeft;
import org.evenhand.kit.NotFoundException;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Who works in an orchard, and as what. There is always an owner. */
@Service
class People {
    private final MembershipRepository memberships;
    private final AccessLinkRepository links;
    private final Accounts accounts;
    private final AccessLog log;
    private final ApplicationEventPublisher events;
    private final JdbcTemplate jdbc;
    private final InstantSource clock;

    People(
            MembershipRepository memberships,
            AccessLinkRepository links,
            Accounts accounts,
            AccessLog log,
            ApplicationEventPublisher events,
            JdbcTemplate jdbc,
            InstantSource clock) {
        this.memberships = memberships;
        this.links = links;
        this.accounts = accounts;
        this.log = log;
        this.events = events;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    PeopleView all(Caller caller) {
        Map<UUID, Account> known = accounts.ofOrchard(caller);
        List<Membership> all = memberships.findByOrchardIdOrderByJoinedAtAscAccountIdAsc(caller.orchardId());
        boolean manages = caller.may(Duty.MANAGE);
        Map<UUID, Instant> last = manages ? lastSignedIn(caller) : Map.of();
        return new PeopleView(
                all.stream()
                        .filter(Membership::current)
                        .map(m -> new PeopleView.Member(
                                m.accountId(),
                                known.get(m.accountId()).name(),
                                m.role(),
                                m.joinedAt(),
                                manages ? known.get(m.accountId()).email() : null,
                                last.get(m.accountId())))
                        .toList(),
                all.stream()
                        .filter(m -> !m.current())
                        .map(m -> new PeopleView.Former(
                                m.accountId(), known.get(m.accountId()).name(), m.leftAt()))
                        .toList(),
                caller.may(Duty.OWN) ? invitations(caller, known) : List.of());
    }

    private List<PeopleView.Invitation> invitations(Caller caller, Map<UUID, Account> known) {
        return links.open(caller.orchardId(), AccessLink.Kind.INVITATION, clock.instant()).stream()
                .map(l -> new PeopleView.Invitation(
                        l.id(), l.role(), l.note(), known.get(l.madeBy()).name(), l.madeAt(), l.validUntil()))
                .toList();
    }

    private Map<UUID, Instant> lastSignedIn(Caller caller) {
        return jdbc
                .query(
                        "select e.account_id, max(e.at) from access_event e join membership m on m.account_id = e.account_id"
                                + " where m.orchard_id = ? and e.kind = 'SIGNED_IN' group by e.account_id",
                        (row, i) -> Map.entry(
                                row.getObject(1, UUID.class),
                                row.getTimestamp(2).toInstant()),
                        caller.orchardId())
                .stream()
                .collect(java.util.stream.Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** Gives a member another role; whoever is to own the orchard is handed it. */
    @Transactional
    void changeRole(Caller caller, UUID accountId, Caller.Role role) {
        if (role == Caller.Role.OWNER) {
            throw new InvalidInputException("role", "of an owner is handed over, not given: use “Hand over”.");
        }
        List<Membership> all = held(caller);
        Membership member = member(all, accountId);
        if (member.role() == role) {
            return;
        }
        refuseWithoutOwner(all, member, "role", "would leave the orchard without an owner. Hand it over first.");
        member.become(role);
        log.done(AccessLog.Kind.ROLE_CHANGED, caller, accountId, role.name());
    }

    /** Makes another member the owner, and the caller a manager. */
    @Transactional
    void handOver(Caller caller, UUID accountId) {
        List<Membership> all = held(caller);
        Membership next = member(all, accountId);
        if (accountId.equals(caller.accountId())) {
            throw new InvalidInputException("accountId", "is your own; the orchard is yours already.");
        }
        next.become(Caller.Role.OWNER);
        member(all, caller.accountId()).become(Caller.Role.MANAGER);
        log.done(AccessLog.Kind.HANDED_OVER, caller, accountId, "");
    }

    /** Shuts a member out; what they wrote stays under their name. */
    @Transactional
    void remove(Caller caller, UUID accountId) {
        leave(caller, accountId, AccessLog.Kind.REMOVED);
    }

    /** Leaves the orchard. */
    @Transactional
    void leave(Caller caller) {
        leave(caller, caller.accountId(), AccessLog.Kind.LEFT);
    }

    private void leave(Caller caller, UUID accountId, AccessLog.Kind kind) {
        List<Membership> all = held(caller);
        Membership member = member(all, accountId);
        refuseWithoutOwner(
                all, member, "accountId", "is the only owner. Hand the orchard over to somebody else first.");
        member.leave(clock.instant());
        log.done(kind, caller, accountId, "");
        events.publishEvent(new MemberLeft(caller, accountId));
    }

    private List<Membership> held(Caller caller) {
        return memberships.findByOrchardIdAndLeftAtIsNullOrderByJoinedAtAscAccountIdAsc(caller.orchardId());
    }

    private static Membership member(List<Membership> all, UUID accountId) {
        return all.stream()
                .filter(m -> m.accountId().equals(accountId))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("person", accountId));
    }

    private static void refuseWithoutOwner(List<Membership> all, Membership gone, String field, String why) {
        boolean another = all.stream().anyMatch(m -> m != gone && m.role() == Caller.Role.OWNER);
        if (gone.role() == Caller.Role.OWNER && !another) {
            throw new InvalidInputException(field, why);
        }
    }
}
