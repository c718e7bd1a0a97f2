package org.evenhand.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.ApiDescription;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.ReadsOnly;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What one shows besides a password, or in place of it: codes of an app, passkeys. */
@RestController
@RequestMapping("/api")
record SecondFactorController(
        Accounts accounts, OneTimeCodes codes, Passkeys passkeys, SignIn signIn, SignInLimit limit, AccessLog log) {
    /** More than any browser's answer, which holds a key and a signature. */
    private static final int LONGEST_CREDENTIAL = 20_000;

    /** Who is at the browser now need not be who signed in. */
    record Password(
            @NotNull @Size(max = JoinRequests.LONGEST_PASSWORD)
            String password) {}

    record Code(
            @NotBlank @Size(max = OneTimeCodes.LONGEST_CODE) String code) {}

    /** @param spare codes that are good once each, shown this once */
    record SpareCodes(List<String> spare) {}

    /** @param options what the browser is to be asked, as JSON of the Web Authentication standard */
    record PasskeyOptions(String options) {}

    /** @param credential what the browser made, as JSON of the Web Authentication standard */
    record PasskeyMade(
            @NotBlank @Size(max = 80) String label,
            @NotBlank @Size(max = LONGEST_CREDENTIAL) String credential) {}

    /**
     * @param credential what the browser answered, as JSON of the Web Authentication standard
     * @param stay whether the session outlives the browser
     */
    record PasskeyShown(
            @NotBlank @Size(max = LONGEST_CREDENTIAL) String credential,

            @Schema(description = ApiDescription.OPTIONAL) Boolean stay) {}

    /** Makes the secret that an app is to keep. */
    @Posts(path = "/account/codes", needs = Duty.SELF)
    AccountView.CodesBegun beginCodes(Caller caller, @Valid @RequestBody Password request, HttpServletRequest http) {
        signIn.requirePassword(caller, request.password(), http);
        return codes.begin(caller.accountId(), accounts.own(caller).email());
    }

    /** Turns the codes on with a first one. */
    @Puts(path = "/account/codes", needs = Duty.SELF)
    SpareCodes confirmCodes(Caller caller, @Valid @RequestBody Code request, HttpServletRequest http) {
        List<String> spare = codes.confirm(caller.accountId(), request.code());
        log.attempt(AccessLog.Kind.CODES_ON, caller.accountId(), Device.of(http));
        return new SpareCodes(spare);
    }

    @Posts(path = "/account/codes/spare", needs = Duty.SELF)
    SpareCodes newSpareCodes(Caller caller, @Valid @RequestBody Password request, HttpServletRequest http) {
        signIn.requirePassword(caller, request.password(), http);
        if (!codes.on(caller.accountId())) {
            throw new InvalidInputException("password", "fits, but no codes are asked for. Turn them on first.");
        }
        return new SpareCodes(codes.newSpare(caller.accountId()));
    }

    @Posts(path = "/account/codes/off", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void endCodes(Caller caller, @Valid @RequestBody Password request, HttpServletRequest http) {
        signIn.requirePassword(caller, request.password(), http);
        codes.off(caller.accountId());
        log.attempt(AccessLog.Kind.CODES_OFF, caller.accountId(), Device.of(http));
    }

    /** Begins to make a passkey. */
    @Posts(path = "/account/passkeys/options", needs = Duty.SELF)
    PasskeyOptions beginPasskey(Caller caller, @Valid @RequestBody Password request, HttpServletRequest http) {
        signIn.requirePassword(caller, request.password(), http);
        return new PasskeyOptions(passkeys.begin(caller, http));
    }

    @Posts(path = "/account/passkeys", needs = Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void keepPasskey(Caller caller, @Valid @RequestBody PasskeyMade request, HttpServletRequest http) {
        passkeys.keep(request.label(), request.credential(), http);
        log.attempt(AccessLog.Kind.PASSKEY_ADDED, caller.accountId(), Device.of(http));
    }

    @DeleteMapping("/account/passkeys/{id}")
    @Needs(Duty.SELF)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void removePasskey(Caller caller, @PathVariable String id, HttpServletRequest http) {
        passkeys.remove(caller, id);
        log.attempt(AccessLog.Kind.PASSKEY_REMOVED, caller.accountId(), Device.of(http));
    }

    /** Begins to sign in with a passkey. */
    @Posts(path = "/session/passkey/options", needs = Duty.OPEN)
    @ReadsOnly
    PasskeyOptions askForPasskey(HttpServletRequest http) {
        return new PasskeyOptions(tried(http, () -> passkeys.ask(http)));
    }

    @Posts(path = "/session/passkey", needs = Duty.OPEN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signIn(@Valid @RequestBody PasskeyShown request, HttpServletRequest http, HttpServletResponse response) {
        UUID account = tried(http, () -> passkeys.whose(request.credential(), http));
        log.attempt(AccessLog.Kind.SIGNED_IN, account, Device.of(http));
        signIn.begin(account, null, Boolean.TRUE.equals(request.stay()), http, response);
    }

    private <T> T tried(HttpServletRequest http, Supplier<T> use) {
        return limit.withKey("credential", http.getRemoteAddr(), use);
    }
}
