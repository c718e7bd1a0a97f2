package org.evenhand.kit;

import com.ibm.icu.text.MessageFormat;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.format.FormatStyle;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.evenhand.core.Text;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.ObjectMapper;

/** The words of a language, for what the server itself writes: pages to print, calendars. Screens say theirs themselves, from the same files. */
public final class Messages {
    private static final String ENGLISH = "en";

    /** What follows the kind in the name of a value: {@code Now} of {@code atNow}. */
    private static final Pattern KIND = Pattern.compile("(?<=^(?:day|at|sheet))[A-Z].*$");

    private static final Map<String, String> TEXTS = read(ENGLISH);

    private final Locale locale;
    private final ZoneId zone;

    private Messages(Locale locale, ZoneId zone) {
        this.locale = locale;
        this.zone = zone;
    }

    /** @param zone by whose clocks hours are told */
    public static Messages english(ZoneId zone) {
        return new Messages(Locale.UK, zone);
    }

    /** @throws IllegalArgumentException if there is no such message */
    public String say(Text text) {
        String message = TEXTS.get(text.key());
        if (message == null) {
            throw new IllegalArgumentException("There is no message " + text.key() + ".");
        }
        return new MessageFormat(message, locale)
                .format(text.values().entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, this::value)));
    }

    private Object value(Map.Entry<String, Object> value) {
        return switch (KIND.matcher(value.getKey()).replaceFirst("")) {
            // In jsonb both are texts.
            case "day" ->
                LocalDate.parse(value.getValue().toString())
                        .format(DateTimeFormatter.ofLocalizedDate(FormatStyle.MEDIUM)
                                .withLocale(locale));
            case "at" -> Given.say(Instant.parse(value.getValue().toString()), zone);
            default -> value.getValue();
        };
    }

    private static Map<String, String> read(String language) {
        try (InputStream in = Messages.class.getResourceAsStream("/messages/" + language + ".json")) {
            return new ObjectMapper().readValue(in, new TypeReference<LinkedHashMap<String, String>>() {});
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
