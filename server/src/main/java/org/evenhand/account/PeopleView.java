package org.evenhand.account;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;

/**
 * Who works in an orchard.
 *
 * @param members those who may come in, since when they may
 * @param formerly those who no longer may; what they wrote stays under their names
 * @param invitations links that were handed out and not used yet; for owners
 */
record PeopleView(List<Member> members, List<Former> formerly, List<Invitation> invitations) {
    /**
     * A member.
     *
     * @param email for owners and managers
     * @param lastSignedIn when they last signed in with their password; for owners and managers
     */
    @Schema(name = "Member")
    record Member(
            UUID accountId,
            String name,
            Caller.Role role,
            Instant joinedAt,
            @Schema(description = OPTIONAL) String email,
            @Schema(description = OPTIONAL) Instant lastSignedIn) {}

    @Schema(name = "FormerMember")
    record Former(UUID accountId, String name, Instant leftAt) {}

    @Schema(name = "OpenInvitation")
    record Invitation(UUID id, Caller.Role role, String note, String madeBy, Instant madeAt, Instant validUntil) {}

    /**
     * A link to hand over, shown this once.
     *
     * @param path below the address of Even Hand; its key stands behind the #, which no server and no log gets to see
     * @param address the whole link as others reach it, where the machine was given a public address
     */
    @Schema(name = "HandedLink")
    record Link(String path, @Schema(description = OPTIONAL) String address, Instant validUntil) {}

    /**
     * Something that happened.
     *
     * @param person whom it concerns; absent where an address was tried that nobody has
     * @param by who did it; absent where it was tried by whoever it was
     * @param detail the role that was given, or the note of an invitation; empty for none
     */
    @Schema(name = "AccessEvent")
    record Event(
            AccessLog.Kind kind,
            Instant at,
            @Schema(description = OPTIONAL) String person,
            @Schema(description = OPTIONAL) String by,
            String address,
            String device,
            String detail) {}
}
