package org.evenhand.account;

import java.time.Instant;
import java.time.InstantSource;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.PublicAddress;
import org.evenhand.kit.SecretKeys;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Links that let somebody in: invitations into an orchard, and new passwords for who forgot theirs. */
@Service
class AccessLinks {
    private static final String KEY = "key";

    private final AccessLinkRepository links;
    private final MembershipRepository memberships;
    private final Accounts accounts;
    private final Orchards orchards;
    private final AccessLog log;
    private final OneTimeCodes codes;
    private final PasskeyStore passkeys;
    private final PublicAddress address;
    private final InstantSource clock;

    AccessLinks(
            AccessLinkRepository links,
            MembershipRepository memberships,
            Accounts accounts,
            Orchards orchards,
            AccessLog log,
            OneTimeCodes codes,
            PasskeyStore passkeys,
            PublicAddress address,
            InstantSource clock) {
        this.links = links;
        this.memberships = memberships;
        this.accounts = accounts;
        this.orchards = orchards;
        this.log = log;
        this.codes = codes;
        this.passkeys = passkeys;
        this.address = address;
        this.clock = clock;
    }

    /** @param note whom it is for, in the owner's words */
    @Transactional
    PeopleView.Link invite(Caller caller, Caller.Role role, String note) {
        if (role == Caller.Role.OWNER) {
            throw new InvalidInputException(
                    "role", "of an owner is handed over to a member. Invite them as a manager first.");
        }
        String key = SecretKeys.newKey();
        AccessLink link = links.save(AccessLink.invitation(key, caller, role, Given.stripped(note), clock.instant()));
        log.done(AccessLog.Kind.INVITED, caller, null, role.name());
        return shown(key, link);
    }

    @Transactional
    void withdraw(Caller caller, UUID id) {
        AccessLink link = links.findByIdAndOrchardId(id, caller.orchardId())
                .filter(l -> l.kind() == AccessLink.Kind.INVITATION)
                .orElseThrow(() -> new NotFoundException("invitation", id));
        if (link.good(clock.instant())) {
            link.withdraw(clock.instant());
            log.done(
                    AccessLog.Kind.INVITATION_WITHDRAWN,
                    caller,
                    null,
                    link.role().name());
        }
    }

    /**
     * A link with which a member chooses a new password. An owner can give it only to whose every orchard is theirs: else the owner of one
     * orchard could come into another.
     */
    @Transactional
    PeopleView.Link reset(Caller caller, UUID accountId) {
        List<Membership> all = memberships.findByAccountIdAndLeftAtIsNullOrderByJoinedAtAscOrchardIdAsc(accountId);
        if (all.stream().noneMatch(m -> m.orchardId().equals(caller.orchardId()))) {
            throw new NotFoundException("person", accountId);
        }
        long owned = memberships
                .findAllById(all.stream()
                        .map(m -> new Membership.Key(caller.accountId(), m.orchardId()))
                        .toList())
                .stream()
                .filter(m -> m.current() && m.role() == Caller.Role.OWNER)
                .count();
        if (owned < all.size()) {
            throw new InvalidInputException(
                    "accountId",
                    "works in another orchard too, which is not yours. Who runs this machine can reset the password there:"
                            + " ./even-hand reset-password");
        }
        String key = SecretKeys.newKey();
        AccessLink link = links.save(AccessLink.reset(key, caller, accountId, clock.instant()));
        log.done(AccessLog.Kind.RESET_LINK_MADE, caller, accountId, "");
        return shown(key, link);
    }

    private PeopleView.Link shown(String key, AccessLink link) {
        String path = "/join#" + key;
        return new PeopleView.Link(path, address.given().map(a -> a + path).orElse(null), link.validUntil());
    }

    /** What a link is for, before it is used. */
    @Transactional(readOnly = true)
    JoinRequests.Offer offer(String key) {
        AccessLink link = links.findByKeyHash(SecretKeys.hash(key))
                .filter(l -> l.good(clock.instant()))
                .orElseThrow(AccessLinks::notGood);
        String by =
                link.madeBy() == null ? null : accounts.require(link.madeBy()).name();
        String orchard = link.orchardId() == null ? null : orchards.nameOf(link.orchardId());
        Optional<Account> whose = Optional.ofNullable(link.accountId()).map(accounts::require);
        return new JoinRequests.Offer(
                link.kind(),
                orchard,
                link.role(),
                by,
                whose.map(Account::name).orElse(null),
                whose.map(Account::email).orElse(null),
                link.validUntil());
    }

    /** Makes an account that works in the orchard of an invitation, and tells whose session begins. */
    @Transactional
    UUID joinAnew(JoinRequests.Join request) {
        AccessLink link = use(request.key(), AccessLink.Kind.INVITATION);
        Account account = accounts.create(request.email(), request.person(), request.password());
        join(link, account.id());
        return account.id();
    }

    /** Takes somebody who has an account into the orchard of an invitation, and tells which it is. */
    @Transactional
    UUID join(Caller caller, String key) {
        AccessLink link = use(key, AccessLink.Kind.INVITATION);
        join(link, caller.accountId());
        return link.orchardId();
    }

    private void join(AccessLink link, UUID accountId) {
        Instant now = clock.instant();
        memberships
                .findById(new Membership.Key(accountId, link.orchardId()))
                .ifPresentOrElse(
                        m -> {
                            if (m.current()) {
                                throw new InvalidInputException(KEY, "is for an orchard where you work already.");
                            }
                            m.join(link.role(), now);
                        },
                        () -> memberships.save(new Membership(accountId, link.orchardId(), link.role(), now)));
        link.use(accountId, now);
        log.done(
                AccessLog.Kind.JOINED,
                new Caller(accountId, link.orchardId(), "", link.role()),
                accountId,
                link.role().name());
    }

    /**
     * Gives whom the link is for a new password, and tells whose session begins; all others end. A link from the machine itself takes codes
     * and passkeys away as well: it is the way back in for who has lost them. One from an owner does not, so that a code is still asked for.
     */
    @Transactional
    UUID choosePassword(JoinRequests.Choose request, Device from) {
        AccessLink link = use(request.key(), AccessLink.Kind.RESET);
        Account account = accounts.require(link.accountId());
        if (link.madeBy() == null) {
            codes.off(account.id());
            passkeys.removeAll(account.id());
        } else {
            codes.require(account.id(), request.code(), from);
        }
        accounts.setPassword(account, "password", request.password());
        link.use(account.id(), clock.instant());
        return account.id();
    }

    private AccessLink use(String key, AccessLink.Kind kind) {
        return links.findHeldByKeyHash(SecretKeys.hash(key))
                .filter(l -> l.kind() == kind && l.good(clock.instant()))
                .orElseThrow(AccessLinks::notGood);
    }

    private static InvalidInputException notGood() {
        return new InvalidInputException(
                KEY, "was used already, has run out or was withdrawn. Ask whoever sent it for another link.");
    }
}
