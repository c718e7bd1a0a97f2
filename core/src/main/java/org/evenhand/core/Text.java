package org.evenhand.core;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Something to be said, as a message's key with its values: the words of each language stand in {@code messages/}.
 *
 * <p>A value named {@code day} is a {@link java.time.LocalDate}, one named {@code at} an {@link java.time.Instant}, and one named {@code
 * sheet} a text of a crop sheet; so are those of longer names that begin so, such as {@code atNow}. Whoever says the text writes them as its
 * reader does.
 *
 * @param key of the message, such as {@code obstacle.no-hour}
 * @param values by their names in the message
 */
public record Text(String key, Map<String, Object> values) {
    private static final Pattern KEY = Pattern.compile("[a-zA-Z_-]+(\\.[a-zA-Z_-]+)*");

    /** @throws IllegalArgumentException if the key is none, or a value has no name */
    public Text {
        if (!KEY.matcher(key).matches()) {
            throw new IllegalArgumentException("'" + key + "' is no key of a message.");
        }
        // Absent values are left out: JSON knows no other absence.
        Map<String, Object> given = new LinkedHashMap<>(values);
        given.values().removeIf(v -> v == null);
        values = Map.copyOf(given);
    }

    /** @param namesAndValues name, value, name, value, and so on */
    public static Text of(String key, Object... namesAndValues) {
        if (namesAndValues.length % 2 != 0) {
            throw new IllegalArgumentException("The last of the values of " + key + " has no name.");
        }
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            values.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return new Text(key, values);
    }

    /** A text of a crop sheet, told in another language where it ships with the product. */
    public static Text sheet(String text) {
        return of("said.sheet", "sheet", text);
    }
}
