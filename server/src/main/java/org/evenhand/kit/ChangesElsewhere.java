package org.evenhand.kit;

import com.zaxxer.hikari.HikariDataSource;
import jakarta.annotation.PreDestroy;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Duration;
import java.util.Objects;
import java.util.UUID;
import javax.sql.DataSource;
import org.postgresql.PGConnection;
import org.postgresql.PGNotification;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationStartedEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Hears from the database what others changed, on a connection of its own. While it hears nothing because the database was away, it says
 * afterwards that anything may have changed.
 */
@Component
class ChangesElsewhere {
    private static final Logger LOG = LoggerFactory.getLogger(ChangesElsewhere.class);
    private static final Duration AGAIN = Duration.ofMillis(500);
    private static final int LISTENS_MS = 2_000;
    private static final String NAME = "ApplicationName";

    private final HikariDataSource pool;
    private final ApplicationEventPublisher events;
    private final String ourselves;
    private Thread thread;
    private volatile boolean stopped;

    ChangesElsewhere(DataSource pool, ApplicationEventPublisher events) throws SQLException {
        this.pool = pool.unwrap(HikariDataSource.class);
        this.events = events;
        this.ourselves = this.pool.getDataSourceProperties().getProperty(NAME, "");
    }

    @EventListener(ApplicationStartedEvent.class)
    synchronized void begin() {
        if (thread == null) {
            thread = new Thread(this::listen, "changes-elsewhere");
            thread.setDaemon(true);
            thread.start();
        }
    }

    @PreDestroy
    void stop() {
        stopped = true;
        if (thread != null) {
            thread.interrupt();
        }
    }

    private void listen() {
        boolean again = false;
        while (!stopped) {
            try (Connection connection =
                            DriverManager.getConnection(pool.getJdbcUrl(), pool.getUsername(), pool.getPassword());
                    Statement statement = connection.createStatement()) {
                statement.execute("listen orchard_changed");
                if (again) {
                    events.publishEvent(ChangedElsewhere.ANYTHING);
                }
                again = true;
                hear(connection.unwrap(PGConnection.class));
            } catch (SQLException e) {
                LOG.debug("What others change is not heard just now", e);
            }
            pause();
        }
    }

    private void hear(PGConnection connection) throws SQLException {
        while (!stopped) {
            PGNotification[] told = connection.getNotifications(LISTENS_MS);
            for (PGNotification n : Objects.requireNonNullElse(told, new PGNotification[0])) {
                tell(n.getParameter().split("\\|", 3));
            }
        }
    }

    private void tell(String[] change) {
        // What we wrote ourselves is known here already, and earlier.
        if (!ourselves.equals(change[2])) {
            events.publishEvent(new ChangedElsewhere(UUID.fromString(change[0]), change[1]));
        }
    }

    private void pause() {
        try {
            Thread.sleep(AGAIN.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
