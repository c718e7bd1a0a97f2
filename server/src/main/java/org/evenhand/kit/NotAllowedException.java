package org.evenhand.kit;

import java.time.ZoneOffset;
import org.evenhand.core.Text;

/** The caller's role does not allow what was asked. */
public class NotAllowedException extends RuntimeException {
    private final transient Text text;

    private NotAllowedException(Text text) {
        super(Messages.english(ZoneOffset.UTC).say(text));
        this.text = text;
    }

    static NotAllowedException needs(Duty duty, Caller caller) {
        return new NotAllowedException(
                switch (duty) {
                    case OWN -> Text.of("not-allowed.owner", "role", caller.role());
                    case MANAGE -> Text.of("not-allowed.manager", "role", caller.role());
                    default -> Text.of("not-allowed.worker");
                });
    }

    static NotAllowedException othersRecord() {
        return new NotAllowedException(Text.of("not-allowed.others-record"));
    }

    /** The same for people of any language. */
    public Text text() {
        return text;
    }
}
