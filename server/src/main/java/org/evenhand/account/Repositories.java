package org.evenhand.account;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface AccountRepository extends JpaRepository<Account, UUID> {
    Optional<Account> findByEmailIgnoreCase(String email);

    /** Those who are or were members; what they wrote keeps their name. */
    @Query("select a from Account a join Membership m on m.accountId = a.id where m.orchardId = :orchardId")
    List<Account> ofOrchard(UUID orchardId);
}

interface MembershipRepository extends JpaRepository<Membership, Membership.Key> {
    /** Held until the transaction ends, so that two owners cannot both stop being the last one. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    List<Membership> findByOrchardIdAndLeftAtIsNullOrderByJoinedAtAscAccountIdAsc(UUID orchardId);

    List<Membership> findByOrchardIdOrderByJoinedAtAscAccountIdAsc(UUID orchardId);

    List<Membership> findByAccountIdAndLeftAtIsNullOrderByJoinedAtAscOrchardIdAsc(UUID accountId);
}

interface AccessLinkRepository extends JpaRepository<AccessLink, UUID> {
    /** Held until the transaction ends: used twice at once, it is good for one. */
    @Lock(LockModeType.PESSIMISTIC_WRITE)
    Optional<AccessLink> findHeldByKeyHash(String keyHash);

    Optional<AccessLink> findByKeyHash(String keyHash);

    Optional<AccessLink> findByIdAndOrchardId(UUID id, UUID orchardId);

    @Query("select l from AccessLink l where l.orchardId = :orchardId and l.kind = :kind and l.usedAt is null"
            + " and l.withdrawnAt is null and l.validUntil > :now order by l.madeAt desc, l.id")
    List<AccessLink> open(UUID orchardId, AccessLink.Kind kind, Instant now);
}
