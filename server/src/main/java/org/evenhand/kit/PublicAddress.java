package org.evenhand.kit;

import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.env.Environment;
import org.springframework.stereotype.Component;

/**
 * Where others reach this Even Hand. It is said by whoever runs it, and never read from a request: whoever sends one could name any host,
 * and links in calendars and on labels would lead there.
 */
@Component
public class PublicAddress {
    private final String given;
    private final Environment environment;

    PublicAddress(@Value("${even-hand.public-address:}") String given, Environment environment) {
        this.given = given.strip().replaceAll("/+$", "");
        this.environment = environment;
        if (!this.given.isEmpty() && !this.given.matches("https?://[^/\\s]+")) {
            throw new IllegalStateException("even-hand.public-address is '" + given
                    + "', not an address like https://orchard.example without anything behind the host.");
        }
    }

    /** The address that was said. */
    public Optional<String> given() {
        return Optional.of(given).filter(g -> !g.isEmpty());
    }

    /** The address that was said, or else this machine's own, which leads nowhere from others. */
    public String origin() {
        return given().orElseGet(() -> "http://127.0.0.1:" + environment.getProperty("local.server.port", "8080"));
    }
}
