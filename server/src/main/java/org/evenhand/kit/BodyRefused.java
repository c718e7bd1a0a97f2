package org.evenhand.kit;

import java.io.IOException;
import org.springframework.http.HttpStatus;

/** A body that is not read to its end. */
final class BodyRefused extends IOException {
    private static final long serialVersionUID = 1;
    private final HttpStatus status;

    private BodyRefused(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    static BodyRefused tooLarge(long most) {
        return new BodyRefused(
                HttpStatus.CONTENT_TOO_LARGE,
                "What was sent is larger than " + size(most) + ", the most that is read here. Nothing was saved.");
    }

    static BodyRefused tooSlow() {
        return new BodyRefused(
                HttpStatus.REQUEST_TIMEOUT, "What was sent came too slowly to wait for. Nothing was saved; try again.");
    }

    private static String size(long bytes) {
        return bytes < 1_000_000 ? bytes / 1_000 + " kB" : bytes / 1_000_000 + " MB";
    }

    HttpStatus status() {
        return status;
    }
}
