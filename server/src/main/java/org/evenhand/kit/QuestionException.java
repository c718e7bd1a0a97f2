package org.evenhand.kit;

/** The request can be carried out, but a person should say so first: sent again with this key confirmed it goes through. */
public class QuestionException extends RuntimeException {
    private final String key;

    public QuestionException(String key, String question) {
        super(question);
        this.key = key;
    }

    public String key() {
        return key;
    }
}
