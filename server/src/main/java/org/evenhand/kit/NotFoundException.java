package org.evenhand.kit;

import java.util.UUID;

/** There is no such record in the caller's orchard; a record of another orchard is not there either. */
public class NotFoundException extends RuntimeException {
    public NotFoundException(String what, UUID id) {
        super("There is no " + what + " " + id + " in this orchard.");
    }

    public NotFoundException(String what) {
        super("There is no " + what + " here.");
    }
}
