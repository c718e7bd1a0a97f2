package org.evenhand.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;

/** What a person may do in an orchard, since when and until when. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@IdClass(Membership.Key.class)
class Membership {
    record Key(UUID accountId, UUID orchardId) implements Serializable {
        private static final long serialVersionUID = 1;
    }

    @Id
    private UUID accountId;

    @Id
    private UUID orchardId;

    @Enumerated(EnumType.STRING)
    private Caller.Role role;

    private Instant joinedAt;
    private Instant leftAt;

    Membership(UUID accountId, UUID orchardId, Caller.Role role, Instant joinedAt) {
        this.accountId = accountId;
        this.orchardId = orchardId;
        this.role = role;
        this.joinedAt = joinedAt;
    }

    /** Null of those who are there. */
    Instant leftAt() {
        return leftAt;
    }

    boolean current() {
        return leftAt == null;
    }

    void become(Caller.Role newRole) {
        this.role = newRole;
    }

    void leave(Instant at) {
        this.leftAt = at;
    }

    void join(Caller.Role newRole, Instant at) {
        this.role = newRole;
        this.joinedAt = at;
        this.leftAt = null;
    }
}
