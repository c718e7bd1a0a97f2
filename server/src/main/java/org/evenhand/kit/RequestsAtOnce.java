package org.evenhand.kit;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Serves one network only so many requests at once, so that one that sends many, or sends slowly, leaves room for others. Behind a proxy
 * that is not told of, all come from one: it is left to the proxy then.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 10)
class RequestsAtOnce extends OncePerRequestFilter {
    private static final String AGAIN_SECONDS = "2";

    /** Only those that have a request here, so there are never more than threads. */
    private final Map<String, Integer> byNetwork = new ConcurrentHashMap<>();

    private final int most;
    private final JsonMapper json;

    RequestsAtOnce(@Value("${even-hand.requests-at-once}") int most, JsonMapper json) {
        this.most = most;
        this.json = json;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String network = request.getRemoteAddr();
        if (byNetwork.merge(network, 1, Integer::sum) > most) {
            leave(network);
            response.setHeader(HttpHeaders.RETRY_AFTER, AGAIN_SECONDS);
            response.setHeader(HttpHeaders.CONNECTION, "close");
            Problems.write(
                    json,
                    response,
                    HttpStatus.TOO_MANY_REQUESTS,
                    "too-many",
                    "Too many requests at once",
                    "Too many requests come from this network at once. Try again in a moment.");
            return;
        }
        try {
            chain.doFilter(request, response);
        } finally {
            leave(network);
        }
    }

    private void leave(String network) {
        byNetwork.computeIfPresent(network, (n, there) -> there == 1 ? null : there - 1);
    }
}
