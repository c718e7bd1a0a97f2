package org.evenhand.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Problems;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Puts who is calling, as it stands now, in place of who signed in then; a session that has ended is taken away. A request says which orchard
 * it is meant for, so that what was written down in one never arrives in another that the session has turned to since.
 */
class CurrentMember extends OncePerRequestFilter {
    private static final String MEANT_FOR = "X-Orchard";

    private final Members members;
    private final JsonMapper json;

    CurrentMember(Members members, JsonMapper json) {
        this.members = members;
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication known = SecurityContextHolder.getContext().getAuthentication();
        if (known != null && known.getPrincipal() instanceof SignedIn signedIn) {
            Optional<UUID> meant = meantFor(request);
            Optional<Caller> caller = members.caller(
                    new SignedIn(signedIn.accountId(), meant.orElse(signedIn.orchardId()), signedIn.epoch()));
            if (caller.isPresent()
                    && meant.isPresent()
                    && !meant.get().equals(caller.get().orchardId())) {
                Problems.write(
                        json,
                        response,
                        HttpStatus.FORBIDDEN,
                        "not-a-member",
                        "Not your orchard",
                        "This was meant for an orchard in which you no longer work. Nothing was saved.");
                return;
            }
            // The context of the session stays as it is: what is put here is of this request alone.
            SecurityContextHolder.setContext(new SecurityContextImpl(
                    caller.map(CurrentMember::authenticated).orElse(null)));
            HttpSession session = request.getSession(false);
            if (caller.isEmpty() && session != null) {
                session.invalidate();
            }
        }
        chain.doFilter(request, response);
    }

    private static Optional<UUID> meantFor(HttpServletRequest request) {
        String said = request.getHeader(MEANT_FOR);
        try {
            return said == null ? Optional.empty() : Optional.of(UUID.fromString(said));
        } catch (IllegalArgumentException e) {
            // No orchard's: meant for none.
            return Optional.of(new UUID(0, 0));
        }
    }

    private static Authentication authenticated(Caller caller) {
        return UsernamePasswordAuthenticationToken.authenticated(caller, null, List.of());
    }
}
