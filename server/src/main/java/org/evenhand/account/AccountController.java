package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
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

/** One's own account: name, password, where one is signed in. */
@RestController
@RequestMapping("/api/account")
record AccountController(
        Accounts accounts,
        Members members,
        Sessions sessions,
        SignIn signIn,
        People people,
        AccessLog log,
        OneTimeCodes codes,
        Passkeys passkeys) {

    record NameRequest(@NotBlank @Size(max = 80) String person) {}

    /**
     * A new password.
     *
     * @param now the one there is
     */
    record PasswordRequest(
            @NotNull @Size(max = JoinRequests.LONGEST_PASSWORD)
            String now,

            @NotNull @Size(max = JoinRequests.LONGEST_PASSWORD)
            String next) {}

    @GetMapping
    @Needs(Duty.SELF)
    AccountView account(Caller caller, HttpServletRequest request) {
        Accounts.Own own = accounts.own(caller);
        UUID id = caller.accountId();
        return new AccountView(
                own.person(),
                own.email(),
                orchards(members, caller),
                sessions.of(caller, request),
                new AccountView.Codes(codes.on(id), codes.spareLeft(id)),
                passkeys.of(id));
    }

    static List<AccountView.Orchard> orchards(Members members, Caller caller) {
        return members.orchards(caller.accountId()).stream()
                .map(o -> new AccountView.Orchard(
                        o.orchardId(), o.name(), o.role(), o.orchardId().equals(caller.orchardId())))
                .toList();
    }

    @Puts(needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void rename(Caller caller, @Valid @RequestBody NameRequest request) {
        accounts.rename(caller, request.person());
    }

    /** Changes the password; everywhere else one is signed out. */
    @Puts(path = "/password", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void changePassword(
            Caller caller,
            @Valid @RequestBody PasswordRequest request,
            HttpServletRequest http,
            HttpServletResponse response) {
        accounts.changePassword(caller, request.now(), request.next());
        log.attempt(AccessLog.Kind.PASSWORD_CHANGED, caller.accountId(), Device.of(http));
        signIn.goOn(caller.accountId(), caller.orchardId(), http, response);
        sessions.endOthers(caller, http);
    }

    /** Signs out elsewhere. */
    @Posts(path = "/sessions/end-others", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endOthers(Caller caller, HttpServletRequest http) {
        sessions.endOthers(caller, http);
        log.attempt(AccessLog.Kind.SESSIONS_ENDED, caller.accountId(), Device.of(http));
    }

    @Posts(path = "/sessions/{key}/end", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void end(Caller caller, @PathVariable String key, HttpServletRequest http) {
        sessions.end(caller, key);
        log.attempt(AccessLog.Kind.SESSIONS_ENDED, caller.accountId(), Device.of(http));
    }

    /** Leaves the orchard one is in. */
    @Posts(path = "/leave", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void leave(Caller caller) {
        people.leave(caller);
    }
}
