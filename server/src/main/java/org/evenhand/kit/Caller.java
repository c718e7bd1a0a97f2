package org.evenhand.kit;

import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * Who is calling, and for which orchard, as it stands at this request. Every query is bound to {@link #orchardId()}.
 *
 * @param accountId the account
 * @param orchardId the orchard the account works in now
 * @param name the person's name
 * @param role what the person may do there
 */
public record Caller(UUID accountId, UUID orchardId, String name, Role role) implements AuthenticatedPrincipal {
    /** What a person may do in an orchard; the first may do most. */
    public enum Role {
        /** Everything, people included. */
        OWNER,
        /** All but people and the orchard itself. */
        MANAGER,
        /** The work on the trees: no settings, and no removal of what others wrote down. */
        WORKER,
        /** Sees and exports, and writes nothing. */
        VIEWER
    }

    /** Whether the caller may do what needs a duty. */
    public boolean may(Duty duty) {
        return duty.of(role);
    }

    @Override
    public String getName() {
        return accountId.toString();
    }
}
