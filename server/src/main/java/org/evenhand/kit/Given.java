package org.evenhand.kit;

import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.Locale;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;

/** Guards for what a request gave, beyond what its annotations refuse. */
public final class Given {
    /** A client's clock may run this far ahead. */
    private static final Duration CLOCK_SLACK = Duration.ofMinutes(3);

    static final Text MISSING = Text.of("refused.missing");
    static final Text EMPTY = Text.of("refused.empty");

    private static final DateTimeFormatter DAY_AND_HOUR =
            DateTimeFormatter.ofPattern("d MMMM yyyy HH:mm", Locale.ENGLISH);

    private Given() {}

    /** Returns the value when there is one. */
    public static <T> T required(String field, T value) {
        if (value == null) {
            throw Refusal.of(field, MISSING);
        }
        return value;
    }

    /** Returns the text without blanks around it when it has 1 to {@code most} characters. */
    public static String text(String field, String value, int most) {
        String text = required(field, value).strip();
        if (text.isEmpty()) {
            throw Refusal.of(field, EMPTY);
        }
        return notLonger(field, text, most);
    }

    /** The text without blanks around it; an empty one where none was given. */
    public static String stripped(String text) {
        return text == null ? "" : text.strip();
    }

    /** The moment to the millisecond, as it is kept: what is sent again must compare equal to what was read back. */
    public static Instant moment(String field, Instant at) {
        return required(field, at).truncatedTo(ChronoUnit.MILLIS);
    }

    /** Returns the moment, to the millisecond, when it does not lie in the future. */
    public static Instant notInFuture(String field, Instant given, Instant now, ZoneId zone) {
        Instant at = moment(field, given);
        if (at.isAfter(now.plus(CLOCK_SLACK))) {
            throw Refusal.of(field, zone, Text.of("refused.future", "at", at, "atNow", now));
        }
        return at;
    }

    /** Returns the day when it is not still to come; null stays null. */
    public static LocalDate notAhead(String field, LocalDate day, LocalDate today) {
        if (day != null && day.isAfter(today)) {
            throw new InvalidInputException(field, "is " + day + ", which is still to come; today is " + today + ".");
        }
        return day;
    }

    /** A moment in words, for messages. */
    public static String say(Instant at, ZoneId zone) {
        return DAY_AND_HOUR.format(at.atZone(zone));
    }

    private static String notLonger(String field, String text, int most) {
        if (text.length() > most) {
            throw Refusal.of(field, tooLong(text, most));
        }
        return text;
    }

    /** What is wrong with a text or a list that is shorter or longer than allowed. */
    static Text otherSize(Object value, Size allowed) {
        if (value instanceof Collection<?> entries) {
            return Text.of("refused.entries", "size", entries.size(), "low", allowed.min(), "high", allowed.max());
        }
        return tooLong(String.valueOf(value), allowed.max());
    }

    private static Text tooLong(String text, int most) {
        return Text.of("refused.too-long", "length", text.length(), "most", most);
    }
}
