package org.evenhand.kit;

import java.time.ZoneOffset;
import java.util.Optional;
import org.evenhand.core.Text;

/** What was sent does not fit what is recorded by now. */
public class ConflictException extends RuntimeException {
    private final transient Text text;

    public ConflictException(String message) {
        super(message);
        this.text = null;
    }

    public ConflictException(Text text) {
        super(Messages.english(ZoneOffset.UTC).say(text));
        this.text = text;
    }

    /** The same for people of any language, where it has its words. */
    public Optional<Text> text() {
        return Optional.ofNullable(text);
    }

    /** Somebody else changed the record in between. */
    public static ConflictException stale(String what) {
        return new ConflictException("Somebody changed this " + what
                + " while you were looking at it. Load it again, look at the change, then save yours.");
    }
}
