package org.evenhand.account;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import org.evenhand.kit.Caller;

/** What is asked and answered about a link that lets somebody in. */
final class JoinRequests {
    private static final int LONGEST_KEY = 100;
    /** More than any password that is taken, so that one that is too long is refused in words of its own. */
    static final int LONGEST_PASSWORD = 1_000;

    private JoinRequests() {}

    record Look(@NotBlank @Size(max = LONGEST_KEY) String key) {}

    /**
     * What a link offers.
     *
     * @param orchard name of the orchard it leads into; absent for a new password from the machine itself
     * @param role what one may do there; absent for a new password
     * @param by who made it; absent for one from the machine itself
     * @param person whose password is chosen anew
     * @param email of that account
     */
    @Schema(name = "LinkOffer")
    record Offer(
            AccessLink.Kind kind,
            @Schema(description = OPTIONAL) String orchard,
            @Schema(description = OPTIONAL) Caller.Role role,
            @Schema(description = OPTIONAL) String by,
            @Schema(description = OPTIONAL) String person,
            @Schema(description = OPTIONAL) String email,
            Instant validUntil) {}

    /** A new account for an invitation. */
    @Schema(name = "JoinAnew")
    record Join(
            @NotBlank @Size(max = LONGEST_KEY) String key,
            @NotBlank @Size(max = 80) String person,
            @NotBlank @Size(max = Accounts.LONGEST_EMAIL) String email,
            @NotNull @Size(max = LONGEST_PASSWORD) String password) {}

    /**
     * A new password for a link that was made for it.
     *
     * @param code of the app or a spare one, where the account is asked for one
     */
    @Schema(name = "ChoosePassword")
    record Choose(
            @NotBlank @Size(max = LONGEST_KEY) String key,
            @NotNull @Size(max = LONGEST_PASSWORD) String password,

            @Schema(description = OPTIONAL) @Size(max = OneTimeCodes.LONGEST_CODE)
            String code) {}
}
