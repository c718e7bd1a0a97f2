package org.evenhand.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Duration;
import java.time.Instant;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.SecretKeys;

/** What one person hands to another to come in, good once and for a while. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
class AccessLink {
    /** So long an invitation is good: it is handed over in person or sent, and answered at home. Our convention. */
    static final Duration INVITATION_LASTS = Duration.ofDays(3);

    /** So long a new password may be chosen; somebody is waiting for it. Our convention. */
    static final Duration RESET_LASTS = Duration.ofDays(1);

    enum Kind {
        INVITATION,
        RESET
    }

    @Id
    private UUID id;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    private String keyHash;
    private UUID orchardId;

    @Enumerated(EnumType.STRING)
    private Caller.Role role;

    private UUID accountId;
    private String note;
    private UUID madeBy;
    private Instant madeAt;
    private Instant validUntil;
    private Instant usedAt;
    private UUID usedBy;
    private Instant withdrawnAt;

    private AccessLink(Kind kind, String key, Caller maker, String note, Instant now, Duration lasts) {
        this.id = UUID.randomUUID();
        this.kind = kind;
        this.keyHash = SecretKeys.hash(key);
        this.orchardId = maker.orchardId();
        this.note = note;
        this.madeBy = maker.accountId();
        this.madeAt = now;
        this.validUntil = now.plus(lasts);
    }

    static AccessLink invitation(String key, Caller maker, Caller.Role role, String note, Instant now) {
        AccessLink link = new AccessLink(Kind.INVITATION, key, maker, note, now, INVITATION_LASTS);
        link.role = role;
        return link;
    }

    static AccessLink reset(String key, Caller maker, UUID accountId, Instant now) {
        AccessLink link = new AccessLink(Kind.RESET, key, maker, "", now, RESET_LASTS);
        link.accountId = accountId;
        return link;
    }

    boolean good(Instant now) {
        return usedAt == null && withdrawnAt == null && now.isBefore(validUntil);
    }

    void use(UUID by, Instant at) {
        this.usedBy = by;
        this.usedAt = at;
    }

    void withdraw(Instant at) {
        this.withdrawnAt = at;
    }

    /** The orchard it was made in; null of one that was made on the machine itself. */
    UUID orchardId() {
        return orchardId;
    }
}
