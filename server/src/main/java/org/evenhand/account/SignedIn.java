package org.evenhand.account;

import java.io.Serializable;
import java.util.UUID;
import org.springframework.security.core.AuthenticatedPrincipal;

/**
 * What a session keeps of who signed in. What they may do is looked up at each request: a role that was changed, a membership that
 * ended and a password that was changed hold at once, on every instance.
 *
 * @param orchardId the orchard they work in
 * @param epoch of the account when they signed in
 */
record SignedIn(UUID accountId, UUID orchardId, int epoch) implements AuthenticatedPrincipal, Serializable {
    private static final long serialVersionUID = 1;

    @Override
    public String getName() {
        return accountId.toString();
    }
}
