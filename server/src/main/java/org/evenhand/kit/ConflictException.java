package org.evenhand.kit;

/** What was sent does not fit what is recorded by now. */
public class ConflictException extends RuntimeException {
    public ConflictException(String message) {
        super(message);
    }

    /** Somebody else changed the record in between. */
    public static ConflictException stale(String what) {
        return new ConflictException("Somebody changed this " + what
                + " while you were looking at it. Load it again, look at the change, then save yours.");
    }
}
