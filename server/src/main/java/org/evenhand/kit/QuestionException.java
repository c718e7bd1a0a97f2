package org.evenhand.kit;

import java.time.ZoneId;
import java.util.Optional;
import org.evenhand.core.Text;

/** The request can be carried out, but a person should say so first: sent again with this key confirmed it goes through. */
public class QuestionException extends RuntimeException {
    private final String key;
    private final transient Text text;

    public QuestionException(String key, String question) {
        super(question);
        this.key = key;
        this.text = null;
    }

    /** @param zone by whose clocks moments are told */
    public QuestionException(String key, ZoneId zone, Text question) {
        super(Messages.english(zone).say(question));
        this.key = key;
        this.text = question;
    }

    /** The question for people of any language, where it has its words. */
    public Optional<Text> text() {
        return Optional.ofNullable(text);
    }

    public String key() {
        return key;
    }
}
