package org.evenhand.account;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Who works in the orchard, and who is to. */
@RestController
@RequestMapping("/api/people")
record PeopleController(People people, AccessLinks links, AccessLog log) {

    record RoleRequest(@NotNull Caller.Role role) {}

    /** @param note whom it is for */
    record InvitationRequest(
            @NotNull Caller.Role role,
            @Schema(description = OPTIONAL) @Size(max = 80) String note) {}

    @GetMapping
    PeopleView all(Caller caller) {
        return people.all(caller);
    }

    /** Who came in, who was refused, and what was done about people. */
    @GetMapping("/log")
    @Needs(Duty.OWN)
    List<PeopleView.Event> log(Caller caller) {
        return log.of(caller);
    }

    @Puts(path = "/{accountId}/role", needs = Duty.OWN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changeRole(Caller caller, @PathVariable UUID accountId, @Valid @RequestBody RoleRequest request) {
        people.changeRole(caller, accountId, request.role());
    }

    /** Hands the orchard over; the caller stays as a manager. */
    @Posts(path = "/{accountId}/owner", needs = Duty.OWN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void handOver(Caller caller, @PathVariable UUID accountId) {
        people.handOver(caller, accountId);
    }

    @Posts(path = "/{accountId}/remove", needs = Duty.OWN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(Caller caller, @PathVariable UUID accountId) {
        people.remove(caller, accountId);
    }

    /** A link with which a member chooses a new password. */
    @Posts(path = "/{accountId}/reset-link", needs = Duty.OWN)
    PeopleView.Link reset(Caller caller, @PathVariable UUID accountId) {
        return links.reset(caller, accountId);
    }

    @Posts(path = "/invitations", needs = Duty.OWN)
    PeopleView.Link invite(Caller caller, @Valid @RequestBody InvitationRequest request) {
        return links.invite(caller, request.role(), request.note());
    }

    @Posts(path = "/invitations/{id}/withdraw", needs = Duty.OWN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void withdraw(Caller caller, @PathVariable UUID id) {
        links.withdraw(caller, id);
    }
}
