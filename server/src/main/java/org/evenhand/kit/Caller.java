package org.evenhand.kit;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * Who is calling, and for which orchard. Every query is bound to {@link #orchardId()}.
 *
 * @param accountId the account
 * @param orchardId the orchard the account works in
 * @param name the person's name
 * @param role what the person may do there
 */
public record Caller(UUID accountId, UUID orchardId, String name, Role role)
        implements AuthenticatedPrincipal, Serializable {
    private static final long serialVersionUID = 1;

    /** Owners may change the orchard itself; helpers do the work. */
    public enum Role {
        OWNER,
        HELPER
    }

    @Override
    public String getName() {
        return accountId.toString();
    }
}
