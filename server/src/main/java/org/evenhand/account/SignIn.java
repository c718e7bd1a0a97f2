package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Component;

/** Lets in who has shown who they are. */
@Component
class SignIn {
    static final String TOO_OFTEN = "was tried too often from here. Wait half a minute and try again.";

    private final Accounts accounts;
    private final Members members;
    private final Sessions sessions;
    private final SignInLimit limit;
    private final AccessLog log;
    private final OneTimeCodes codes;

    SignIn(
            Accounts accounts,
            Members members,
            Sessions sessions,
            SignInLimit limit,
            AccessLog log,
            OneTimeCodes codes) {
        this.accounts = accounts;
        this.members = members;
        this.sessions = sessions;
        this.limit = limit;
        this.log = log;
        this.codes = codes;
    }

    /** @throws InvalidInputException where address, password and code do not fit, or were tried too often */
    Caller withPassword(
            SessionController.SignInRequest typed, HttpServletRequest request, HttpServletResponse response) {
        Device from = Device.of(request);
        String email = typed.email();
        SignInLimit.Attempt attempt = limit.forEmail(email, request.getRemoteAddr());
        if (!attempt.allowed()) {
            log.attempt(AccessLog.Kind.SLOWED_DOWN, accounts.of(email).orElse(null), from);
            throw new InvalidInputException("password", TOO_OFTEN);
        }
        Optional<UUID> account = accounts.check(email, typed.password());
        if (account.isEmpty()) {
            Optional<UUID> known = accounts.of(email);
            log.attempt(
                    known.isPresent() ? AccessLog.Kind.WRONG_PASSWORD : AccessLog.Kind.UNKNOWN_ADDRESS,
                    known.orElse(null),
                    from);
            throw new InvalidInputException(
                    "password", "does not fit this address. Check both; capital letters count in the password.");
        }
        try {
            codes.require(account.get(), typed.code(), from);
        } catch (OneTimeCodes.Missing asksForIt) {
            attempt.right();
            throw asksForIt;
        }
        attempt.right();
        log.attempt(AccessLog.Kind.SIGNED_IN, account.get(), from);
        return begin(account.get(), null, Boolean.TRUE.equals(typed.stay()), request, response);
    }

    /** @throws InvalidInputException where it is not the caller's password, or was tried too often */
    void requirePassword(Caller caller, String password, HttpServletRequest request) {
        String email = accounts.own(caller).email();
        SignInLimit.Attempt attempt = limit.forEmail(email, request.getRemoteAddr());
        if (!attempt.allowed()) {
            throw new InvalidInputException("password", TOO_OFTEN);
        }
        if (accounts.check(email, password).isEmpty()) {
            throw new InvalidInputException("password", "is not yours. Capital letters count.");
        }
        attempt.right();
    }

    /**
     * Begins a session.
     *
     * @param orchardId where to begin; null for the one that was joined first
     */
    Caller begin(
            UUID accountId, UUID orchardId, boolean stay, HttpServletRequest request, HttpServletResponse response) {
        SignedIn signedIn = signedIn(accountId, orchardId);
        sessions.begin(signedIn, stay, request, response);
        return members.caller(signedIn).orElseThrow();
    }

    /** Goes on with the session there is, in an orchard. */
    Caller goOn(UUID accountId, UUID orchardId, HttpServletRequest request, HttpServletResponse response) {
        SignedIn signedIn = signedIn(accountId, orchardId);
        sessions.keep(signedIn, request, response);
        return members.caller(signedIn).orElseThrow();
    }

    private SignedIn signedIn(UUID accountId, UUID orchardId) {
        return members.begin(accountId, orchardId)
                .orElseThrow(() -> new InvalidInputException(
                        "email", "works in no orchard here any more. Ask its owner for an invitation."));
    }
}
