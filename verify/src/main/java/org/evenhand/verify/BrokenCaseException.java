package org.evenhand.verify;

/** A file of reference cases, or a case in it, that cannot be run. The message names file, case and field. */
final class BrokenCaseException extends RuntimeException {
    BrokenCaseException(String message) {
        super(message);
    }
}
