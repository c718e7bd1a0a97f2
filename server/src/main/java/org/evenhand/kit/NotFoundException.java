package org.evenhand.kit;

import java.time.ZoneOffset;
import java.util.UUID;
import org.evenhand.core.Text;

/** There is no such record in the caller's orchard; a record of another orchard is not there either. */
public class NotFoundException extends RuntimeException {
    private final transient Text text;

    /** @param noun what people call such a record */
    public NotFoundException(String noun, UUID id) {
        this(Text.of("problem.not-found", "what", noun, "id", id.toString()));
    }

    public NotFoundException(String noun) {
        this(Text.of("problem.none-here", "what", noun));
    }

    private NotFoundException(Text text) {
        super(Messages.english(ZoneOffset.UTC).say(text));
        this.text = text;
    }

    /** The same for people of any language. */
    public Text text() {
        return text;
    }
}
