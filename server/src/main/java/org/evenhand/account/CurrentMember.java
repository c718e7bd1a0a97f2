package org.evenhand.account;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.io.IOException;
import java.util.List;
import java.util.Optional;
import org.evenhand.kit.Caller;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.core.context.SecurityContextImpl;
import org.springframework.web.filter.OncePerRequestFilter;

/** Puts who is calling, as it stands now, in place of who signed in then; a session that has ended is taken away. */
class CurrentMember extends OncePerRequestFilter {
    private final Members members;

    CurrentMember(Members members) {
        this.members = members;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        Authentication known = SecurityContextHolder.getContext().getAuthentication();
        if (known != null && known.getPrincipal() instanceof SignedIn signedIn) {
            Optional<Caller> caller = members.caller(signedIn);
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

    private static Authentication authenticated(Caller caller) {
        return UsernamePasswordAuthenticationToken.authenticated(caller, null, List.of());
    }
}
