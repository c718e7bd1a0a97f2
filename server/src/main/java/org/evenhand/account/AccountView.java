package org.evenhand.account;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.ApiDescription;
import org.evenhand.kit.Caller;

/**
 * One's own account.
 *
 * @param orchards where one works, by name
 * @param sessions where one is signed in, the one of this request first
 */
record AccountView(
        String person,
        @Schema(description = ApiDescription.OPTIONAL) String email,
        List<Orchard> orchards,
        List<Session> sessions,
        Codes codes,
        List<Passkey> passkeys) {
    @Schema(name = "OwnOrchard")
    record Orchard(UUID orchardId, String name, Caller.Role role, boolean here) {}

    /**
     * Codes of an app, asked for beside the password.
     *
     * @param spare how many spare codes are left
     */
    @Schema(name = "OwnCodes")
    record Codes(boolean on, int spare) {}

    /**
     * What an app is to keep.
     *
     * @param secret to be typed
     * @param address the same to be scanned
     */
    @Schema(name = "CodesBegun")
    record CodesBegun(String secret, String address) {}

    @Schema(name = "OwnPasskey")
    record Passkey(String id, String label, Instant made, Instant lastUsed) {}

    /**
     * A session.
     *
     * @param key names it, and opens nothing
     * @param device what browser on what; empty where it is not known
     * @param address of the network it began in
     * @param here whether it is the one of this request
     */
    @Schema(name = "OwnSession")
    record Session(String key, String device, String address, Instant began, Instant lastUsed, boolean here) {}
}
