package org.evenhand.kit;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLRecoverableException;
import java.sql.SQLTransientException;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;
import tools.jackson.databind.json.JsonMapper;

/** Says that the database is away or refuses writes, wherever on the way of a request that is found out. Phones keep what they send. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 30)
public class DatabaseAway extends OncePerRequestFilter {
    private static final Logger LOG = LoggerFactory.getLogger(DatabaseAway.class);
    private static final String AGAIN_SECONDS = "5";
    /** PostgreSQL's states of a database that is read-only, and of one that lets nobody in. */
    private static final Set<String> REFUSING = Set.of("25006", "55000");
    /** Classes of PostgreSQL's states: connection, resources (disk full, memory, connections), operator (shutting down), system. */
    private static final Set<String> AWAY = Set.of("08", "53", "57", "58");

    private final JsonMapper json;

    DatabaseAway(JsonMapper json) {
        this.json = json;
    }

    /** Whether something failed for want of the database, and not by what was asked. */
    public static boolean is(Throwable failure) {
        for (Throwable t = failure; t != null; t = t.getCause() == t ? null : t.getCause()) {
            if (t instanceof SQLTransientException || t instanceof SQLRecoverableException) {
                return true;
            }
            if (t instanceof SQLException sql) {
                String state = sql.getSQLState();
                // Without a state the database was not even asked: the connection was cut.
                return state == null || REFUSING.contains(state) || AWAY.contains(state.substring(0, 2));
            }
        }
        return false;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        try {
            chain.doFilter(request, response);
        } catch (ServletException | RuntimeException e) {
            if (!is(e)) {
                throw e;
            }
            answer(json, response, e);
        }
    }

    static void answer(JsonMapper json, HttpServletResponse response, Throwable failure) throws IOException {
        LOG.warn("The database is away or refuses writes: {}", root(failure).getMessage());
        response.setHeader(HttpHeaders.RETRY_AFTER, AGAIN_SECONDS);
        Problems.write(
                json,
                response,
                HttpStatus.SERVICE_UNAVAILABLE,
                "database-away",
                "Not saved yet",
                "The database cannot be reached, or takes nothing just now. Nothing was saved; try again in a moment.");
    }

    private static Throwable root(Throwable failure) {
        Throwable t = failure;
        while (t.getCause() != null && t.getCause() != t) {
            t = t.getCause();
        }
        return t;
    }
}
