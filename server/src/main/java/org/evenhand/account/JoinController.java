package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.ReadsOnly;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Coming in by a link. Its key is sent in the body only, so that no log of addresses has it. */
@RestController
@RequestMapping("/api/join")
record JoinController(AccessLinks links, SignIn signIn, Sessions sessions, SignInLimit limit, AccessLog log) {

    /** What a link is for. */
    @Posts(path = "/offer", needs = Duty.OPEN)
    @ReadsOnly
    JoinRequests.Offer offer(@Valid @RequestBody JoinRequests.Look request, HttpServletRequest http) {
        return tried(http, () -> links.offer(request.key()));
    }

    /** Makes an account for an invitation, and signs it in. */
    @Posts(needs = Duty.OPEN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void joinAnew(
            @Valid @RequestBody JoinRequests.Join request, HttpServletRequest http, HttpServletResponse response) {
        UUID account = tried(http, () -> links.joinAnew(request));
        signIn.begin(account, null, true, http, response);
    }

    /** Takes who is signed in into the orchard of an invitation. */
    @Posts(path = "/member", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void join(
            Caller caller,
            @Valid @RequestBody JoinRequests.Look request,
            HttpServletRequest http,
            HttpServletResponse response) {
        UUID orchard = links.join(caller, request.key());
        signIn.goOn(caller.accountId(), orchard, http, response);
    }

    /** Chooses a new password, and signs in; everywhere else one is signed out. */
    @Posts(path = "/password", needs = Duty.OPEN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void choosePassword(
            @Valid @RequestBody JoinRequests.Choose request, HttpServletRequest http, HttpServletResponse response) {
        UUID account = tried(http, () -> links.choosePassword(request, Device.of(http)));
        log.attempt(AccessLog.Kind.PASSWORD_RESET, account, Device.of(http));
        sessions.endAll(account, null);
        signIn.begin(account, null, true, http, response);
    }

    /** Slows down who tries keys. */
    private <T> T tried(HttpServletRequest http, Supplier<T> use) {
        return limit.withKey("key", http.getRemoteAddr(), use);
    }
}
