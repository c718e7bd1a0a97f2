package org.evenhand.kit;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.UUID;
import org.slf4j.MDC;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** A number for each request: in every line that the log has of it, in the answer, and on the page that says what went wrong. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class RequestNumber extends OncePerRequestFilter {
    private static final String KEY = "request";
    private static final int LETTERS = 8;

    /** The number of the request that is answered now. */
    static String now() {
        return String.valueOf(MDC.get(KEY));
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String number = UUID.randomUUID().toString().substring(0, LETTERS);
        MDC.put(KEY, number);
        response.setHeader("X-Request-Id", number);
        try {
            chain.doFilter(request, response);
        } finally {
            MDC.remove(KEY);
        }
    }
}
