package org.evenhand.account;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.util.UUID;
import org.evenhand.kit.Caller;

@Entity
class Membership {
    @Id
    private UUID accountId;

    private UUID orchardId;

    @Enumerated(EnumType.STRING)
    private Caller.Role role;

    protected Membership() {}

    Membership(UUID accountId, UUID orchardId, Caller.Role role) {
        this.accountId = accountId;
        this.orchardId = orchardId;
        this.role = role;
    }

    UUID orchardId() {
        return orchardId;
    }

    Caller.Role role() {
        return role;
    }
}
