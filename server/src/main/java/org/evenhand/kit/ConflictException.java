package org.evenhand.kit;

import java.time.ZoneOffset;
import org.evenhand.core.Text;

/** What was sent does not fit what is recorded by now. */
public class ConflictException extends RuntimeException {
    private final transient Text text;

    public ConflictException(Text text) {
        super(Messages.english(ZoneOffset.UTC).say(text));
        this.text = text;
    }

    /** The same for people of any language. */
    public Text text() {
        return text;
    }

    /**
     * Somebody else changed the record in between.
     *
     * @param noun what people call such a record
     */
    public static ConflictException stale(String noun) {
        return new ConflictException(Text.of("conflict.stale", "what", noun));
    }

    /** The record is there already, with other content. */
    public static ConflictException otherwise(String noun) {
        return new ConflictException(Text.of("conflict.otherwise", "what", noun));
    }
}
