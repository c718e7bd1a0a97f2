package org.evenhand.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Text;
import org.evenhand.kit.ApiDescription;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.orchard.OrchardRequest;
import org.evenhand.orchard.OrchardView;
import org.evenhand.orchard.Orchards;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationCredentialsNotFoundException;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Coming in: the first visit, signing in and out, and in which orchard one works. */
@RestController
@RequestMapping("/api")
record SessionController(
        Accounts accounts,
        Members members,
        Orchards orchards,
        SignIn signIn,
        Sessions sessions,
        SetUpCode code,
        Passkeys passkeys,
        SignInLimit limit,
        TransactionTemplate transaction) {

    /**
     * Whether this is the first day, and somebody is signed in.
     *
     * @param passkeyHost the name of the machine under which passkeys are good
     */
    record SetupView(boolean ownerNeeded, boolean signedIn, String passkeyHost) {}

    /**
     * The owner's account and the orchard.
     *
     * @param code what whoever started the machine was shown
     */
    record SetupRequest(
            @NotBlank @Size(max = 40) String code,
            @NotBlank @Size(max = 80) String person,
            @NotBlank @Size(max = Accounts.LONGEST_EMAIL) String email,

            @NotNull @Size(max = JoinRequests.LONGEST_PASSWORD)
            String password,

            @NotNull @Valid OrchardRequest orchard) {}

    /**
     * @param code of an app or a spare one, where the account is asked for one
     * @param stay whether the session outlives the browser
     */
    record SignInRequest(
            @NotNull @Size(max = Accounts.LONGEST_EMAIL) String email,

            @NotNull @Size(max = JoinRequests.LONGEST_PASSWORD)
            String password,

            @Schema(description = ApiDescription.OPTIONAL) @Size(max = OneTimeCodes.LONGEST_CODE)
            String code,

            @Schema(description = ApiDescription.OPTIONAL) Boolean stay) {}

    /**
     * Who is signed in, and where.
     *
     * @param may what one may ask for there
     * @param orchards where one may work, by name
     * @param locale the language that was chosen; absent until then
     */
    record SessionView(
            UUID accountId,
            String person,
            Caller.Role role,
            List<Duty> may,
            OrchardView orchard,
            List<AccountView.Orchard> orchards,
            @Schema(description = ApiDescription.OPTIONAL) String locale) {}

    /** @param locale language and customs, as BCP 47 writes them: {@code es-MX} */
    record LocaleRequest(@NotNull @Size(max = 20) String locale) {}

    record WhereRequest(@NotNull UUID orchardId) {}

    @GetMapping("/setup")
    @Needs(Duty.OPEN)
    SetupView setup(Caller caller, @Schema(hidden = true) CsrfToken csrf) {
        // Reading the token makes the cookie that the first form must send back.
        csrf.getToken();
        return new SetupView(accounts.none(), caller != null, passkeys.host());
    }

    @Posts(path = "/setup", needs = Duty.OPEN)
    SessionView setUp(@Valid @RequestBody SetupRequest request, HttpServletRequest http, HttpServletResponse response) {
        requireCode(request.code(), http);
        Caller owner = transaction.execute(status -> firstOwner(request));
        return view(signIn.begin(owner.accountId(), owner.orchardId(), true, http, response));
    }

    private void requireCode(String typed, HttpServletRequest http) {
        limit.withKey("code", http.getRemoteAddr(), () -> {
            code.require(typed);
            return typed;
        });
    }

    private Caller firstOwner(SetupRequest request) {
        if (!accounts.noneAndNobodyElseAsks()) {
            throw new ConflictException(Text.of("conflict.owner-there"));
        }
        UUID orchardId = UUID.randomUUID();
        orchards.create(orchardId, request.orchard().details(), null);
        return accounts.create(orchardId, Caller.Role.OWNER, request.email(), request.person(), request.password());
    }

    @Posts(path = "/session", needs = Duty.OPEN)
    SessionView signIn(
            @Valid @RequestBody SignInRequest request, HttpServletRequest http, HttpServletResponse response) {
        return view(signIn.withPassword(request, http, response));
    }

    @GetMapping("/session")
    @Needs(Duty.SELF)
    SessionView session(Caller caller) {
        if (caller == null) {
            throw new AuthenticationCredentialsNotFoundException("signed out");
        }
        return view(caller);
    }

    /** Chooses the language in which the caller reads. */
    @Puts(path = "/session/locale", needs = Duty.SELF)
    SessionView speak(Caller caller, @Valid @RequestBody LocaleRequest request) {
        accounts.speak(caller, request.locale());
        return view(caller);
    }

    /** Goes on in another of the caller's orchards. */
    @Puts(path = "/session/orchard", needs = Duty.SELF)
    SessionView work(
            Caller caller,
            @Valid @RequestBody WhereRequest request,
            HttpServletRequest http,
            HttpServletResponse response) {
        if (members.orchards(caller.accountId()).stream()
                .noneMatch(o -> o.orchardId().equals(request.orchardId()))) {
            throw new NotFoundException("orchard");
        }
        return view(signIn.goOn(caller.accountId(), request.orchardId(), http, response));
    }

    /** Makes a further orchard, which the caller owns and goes on in. */
    @Posts(path = "/orchards", needs = Duty.SELF)
    SessionView found(
            Caller caller,
            @Valid @RequestBody OrchardRequest request,
            HttpServletRequest http,
            HttpServletResponse response) {
        UUID orchardId = transaction.execute(status -> {
            UUID id = UUID.randomUUID();
            orchards.create(id, request.details(), null);
            accounts.own(caller.accountId(), id);
            return id;
        });
        return view(signIn.goOn(caller.accountId(), orchardId, http, response));
    }

    @DeleteMapping("/session")
    @Needs(Duty.OPEN)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest http) {
        sessions.end(http);
    }

    private SessionView view(Caller caller) {
        return new SessionView(
                caller.accountId(),
                caller.name(),
                caller.role(),
                Arrays.stream(Duty.values()).filter(caller::may).toList(),
                orchards.orchard(caller),
                AccountController.orchards(members, caller),
                accounts.own(caller).locale());
    }
}
