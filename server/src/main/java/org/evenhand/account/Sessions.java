package org.evenhand.account;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.SecretKeys;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.session.FindByIndexNameSessionRepository;
import org.springframework.session.Session;
import org.springframework.session.security.web.authentication.SpringSessionRememberMeServices;
import org.springframework.stereotype.Component;

/** Sessions of those who are signed in: begun, listed and ended. */
@Component
class Sessions {
    private static final String DEVICE = "device";
    /** Who stays signed in need not sign in again while they come at least so often. Our convention. */
    private static final Duration STAYS = Duration.ofDays(30);
    /** Who does not is signed out when the browser closes, or after so long without a request. Our convention. */
    private static final Duration VISIT = Duration.ofHours(12);

    private final SecurityContextRepository contexts;
    private final FindByIndexNameSessionRepository<? extends Session> kept;

    Sessions(SecurityContextRepository contexts, FindByIndexNameSessionRepository<? extends Session> kept) {
        this.contexts = contexts;
        this.kept = kept;
    }

    /** Begins a session for who has shown who they are. */
    void begin(SignedIn signedIn, boolean stay, HttpServletRequest request, HttpServletResponse response) {
        // A new session id, so that one planted before the sign-in is worth nothing.
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        HttpSession session = request.getSession(true);
        session.setAttribute(DEVICE, Device.of(request));
        session.setMaxInactiveInterval((int) (stay ? STAYS : VISIT).toSeconds());
        if (stay) {
            request.setAttribute(SpringSessionRememberMeServices.REMEMBER_ME_LOGIN_ATTR, true);
        }
        keep(signedIn, request, response);
    }

    /** Keeps something else of who is signed in: another orchard, or a session that a changed password leaves open. */
    void keep(SignedIn signedIn, HttpServletRequest request, HttpServletResponse response) {
        SecurityContext context =
                new SecurityContextImpl(UsernamePasswordAuthenticationToken.authenticated(signedIn, null, List.of()));
        contexts.saveContext(context, request, response);
    }

    void end(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    /** The caller's sessions, the one of this request first, then the latest used. */
    List<AccountView.Session> of(Caller caller, HttpServletRequest request) {
        String here = id(request);
        return kept.findByPrincipalName(caller.accountId().toString()).values().stream()
                .filter(s -> !s.isExpired())
                .map(s -> view(s, s.getId().equals(here)))
                .sorted(Comparator.comparing(AccountView.Session::here)
                        .thenComparing(AccountView.Session::lastUsed)
                        .reversed())
                .toList();
    }

    private static AccountView.Session view(Session s, boolean here) {
        Device device = Optional.ofNullable(s.<Device>getAttribute(DEVICE)).orElse(Device.UNKNOWN);
        Instant began = s.getCreationTime();
        return new AccountView.Session(
                key(s.getId()), device.name(), device.address(), began, s.getLastAccessedTime(), here);
    }

    /** Ends one of the caller's sessions. */
    void end(Caller caller, String key) {
        String id = kept.findByPrincipalName(caller.accountId().toString()).keySet().stream()
                .filter(s -> key(s).equals(key))
                .findFirst()
                .orElseThrow(() -> new NotFoundException("session"));
        kept.deleteById(id);
    }

    /** Ends the caller's sessions but the one of this request. */
    void endOthers(Caller caller, HttpServletRequest request) {
        String here = id(request);
        endAll(caller.accountId(), here);
    }

    /** @param but the one that stays; null for none */
    void endAll(UUID accountId, String but) {
        kept.findByPrincipalName(accountId.toString()).keySet().stream()
                .filter(id -> !id.equals(but))
                .forEach(kept::deleteById);
    }

    private static String id(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        return session == null ? null : session.getId();
    }

    /** Names a session without saying what its cookie is. */
    private static String key(String id) {
        return SecretKeys.hash(id);
    }
}
