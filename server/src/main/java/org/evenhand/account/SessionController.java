package org.evenhand.account;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.kit.ApiDescription;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.orchard.OrchardRequest;
import org.evenhand.orchard.OrchardView;
import org.evenhand.orchard.Orchards;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.authority.SimpleGrantedAuthority;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.security.web.csrf.CsrfToken;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class SessionController {
    private final Accounts accounts;
    private final Orchards orchards;
    private final SignInLimit limit;
    private final SecurityContextRepository contexts;

    SessionController(Accounts accounts, Orchards orchards, SignInLimit limit, SecurityContextRepository contexts) {
        this.accounts = accounts;
        this.orchards = orchards;
        this.limit = limit;
        this.contexts = contexts;
    }

    /** Whether this is the first day, and somebody is signed in. */
    record SetupView(boolean ownerNeeded, boolean signedIn) {}

    /** The owner's account and the orchard. */
    record SetupRequest(
            @NotBlank @Size(max = 80) String person,
            @NotBlank @Size(max = 200) String email,
            @NotNull String password,
            @NotNull @Valid OrchardRequest orchard) {}

    record SignInRequest(@NotNull String email, @NotNull String password) {}

    /**
     * Who is signed in, and where.
     *
     * @param locale the language that was chosen; absent until then
     */
    record SessionView(
            UUID accountId,
            String person,
            Caller.Role role,
            OrchardView orchard,
            @Schema(description = ApiDescription.OPTIONAL) String locale) {}

    /** @param locale language and customs, as BCP 47 writes them: {@code es-MX} */
    record LocaleRequest(@NotNull String locale) {}

    @GetMapping("/setup")
    SetupView setup(Caller caller, @Schema(hidden = true) CsrfToken csrf) {
        // Reading the token makes the cookie that the first form must send back.
        csrf.getToken();
        return new SetupView(accounts.none(), caller != null);
    }

    @PostMapping("/setup")
    @Transactional
    SessionView setUp(@Valid @RequestBody SetupRequest request, HttpServletRequest http, HttpServletResponse response) {
        if (!accounts.none()) {
            throw new ConflictException(Text.of("conflict.owner-there"));
        }
        UUID orchardId = UUID.randomUUID();
        orchards.create(orchardId, request.orchard().details(), null);
        Caller owner =
                accounts.create(orchardId, Caller.Role.OWNER, request.email(), request.person(), request.password());
        signIn(owner, http, response);
        return view(owner);
    }

    @PostMapping("/session")
    SessionView signIn(
            @Valid @RequestBody SignInRequest request, HttpServletRequest http, HttpServletResponse response) {
        if (!limit.allows(request.email(), http.getRemoteAddr())) {
            throw new InvalidInputException("password", "was tried too often; wait half a minute and try again.");
        }
        Caller caller = accounts.check(request.email(), request.password())
                .orElseThrow(() -> new InvalidInputException(
                        "password", "does not fit this address. Check both; capital letters count in the password."));
        signIn(caller, http, response);
        return view(caller);
    }

    @GetMapping("/session")
    SessionView session(Caller caller) {
        if (caller == null) {
            throw new org.springframework.security.authentication.AuthenticationCredentialsNotFoundException(
                    "signed out");
        }
        return view(caller);
    }

    /** Chooses the language in which the caller reads. */
    @PutMapping("/session/locale")
    SessionView speak(Caller caller, @Valid @RequestBody LocaleRequest request) {
        accounts.speak(caller, request.locale());
        return view(caller);
    }

    @DeleteMapping("/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void signOut(HttpServletRequest http) {
        HttpSession session = http.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    private SessionView view(Caller caller) {
        return new SessionView(
                caller.accountId(),
                caller.name(),
                caller.role(),
                orchards.orchard(caller),
                accounts.locale(caller).orElse(null));
    }

    private void signIn(Caller caller, HttpServletRequest http, HttpServletResponse response) {
        // A new session id, so that one planted before the sign-in is worth nothing.
        if (http.getSession(false) != null) {
            http.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(UsernamePasswordAuthenticationToken.authenticated(
                caller, null, List.of(new SimpleGrantedAuthority("ROLE_" + caller.role()))));
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, http, response);
    }
}
