package org.evenhand.kit;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;

/**
 * A line of a file that is imported: cells by the key of their column, and how numbers and days are written in it. An empty cell is null.
 */
public final class ImportRow {
    private static final Pattern DAY = Pattern.compile("(\\d{1,2})[./-](\\d{1,2})[./-](\\d{4})");
    private static final Pattern SHORT_YEAR = Pattern.compile("\\d{1,2}[./-]\\d{1,2}[./-]\\d{2}");
    private static final Pattern NUMBER = Pattern.compile("[-+]?\\d+(?:\\.\\d+)?");
    private static final Pattern WITH_COMMA = Pattern.compile("[-+]?(?:\\d{1,3}(?:\\.\\d{3})+|\\d+)(?:,\\d+)?");
    private static final Pattern ROUNDED = Pattern.compile("[-+]?\\d+(?:[.,]\\d+)?[eE][-+]?\\d+");
    private static final Pattern GUARDED = Pattern.compile("'[=+@'\\t\\r-].*", Pattern.DOTALL);
    private static final Set<String> YES = Set.of("yes", "y", "true", "t", "1", "x", "sí", "si");
    private static final Set<String> NO = Set.of("no", "n", "false", "f", "0", "-");

    /** Which number of a day such as 3/4/2026 comes first. */
    public enum DateOrder {
        DAY_FIRST,
        MONTH_FIRST
    }

    /** What stands before the decimals. */
    public enum DecimalMark {
        POINT,
        COMMA
    }

    /**
     * How a file writes numbers and days.
     *
     * @param zone by whose clocks times without one are meant
     * @param order null where no day needs it
     * @param mark null where no number needs it
     */
    public record Format(ZoneId zone, DateOrder order, DecimalMark mark) {}

    private final long line;
    private final Map<String, String> cells;
    private final Format format;

    /** @param cells texts by the key of their column; columns that the file lacks are absent */
    public ImportRow(long line, Map<String, String> cells, Format format) {
        this.line = line;
        this.cells = Map.copyOf(cells);
        this.format = format;
    }

    /** The line in the file; the head is the first. */
    public long line() {
        return line;
    }

    /** Whether the file has a column, be its cell empty or not. */
    public boolean has(String column) {
        return cells.containsKey(column);
    }

    /** The text as it stands; null where the cell is empty. */
    public String text(String column) {
        String cell = cells.getOrDefault(column, "").strip();
        // Exports mark texts that a spreadsheet would take for a formula.
        String plain = GUARDED.matcher(cell).matches() ? cell.substring(1) : cell;
        return plain.isEmpty() ? null : plain;
    }

    /** The text, or what is known without it. */
    public String textOr(String column, String known) {
        String text = text(column);
        return text == null ? known : text;
    }

    /** @throws InvalidInputException where the cell is empty */
    public String required(String column) {
        String text = text(column);
        if (text == null) {
            throw Refusal.of(column, Given.MISSING);
        }
        return text;
    }

    /** A whole number, or what is known without it. */
    public Integer wholeOr(String column, Integer known) {
        Double number = numberOr(column, null);
        if (number == null) {
            return known;
        }
        if (number != Math.rint(number) || Math.abs(number) > Integer.MAX_VALUE) {
            throw new InvalidInputException(column, "is " + text(column) + ", which is no whole number.");
        }
        return number.intValue();
    }

    /** A number, or what is known without it. */
    public Double numberOr(String column, Double known) {
        String text = text(column);
        if (text == null) {
            return known;
        }
        if (ROUNDED.matcher(text).matches()) {
            throw new InvalidInputException(
                    column, "is " + text + ", as a spreadsheet shortens numbers; write it with all its digits.");
        }
        boolean comma = format.mark() == DecimalMark.COMMA;
        if (!(comma ? WITH_COMMA : NUMBER).matcher(text).matches()) {
            throw new InvalidInputException(
                    column,
                    "is '" + text + "', which is no number"
                            + (comma && text.indexOf('.') >= 0 ? " where decimals have a comma." : "."));
        }
        return Double.valueOf(comma ? text.replace(".", "").replace(',', '.') : text);
    }

    /** Whether somebody has to say what the comma of a number means. */
    public static boolean needsMark(String number) {
        return number.indexOf(',') >= 0;
    }

    /** Whether somebody has to say which number of a day is the month. */
    public static boolean needsOrder(String day) {
        return DAY.matcher(day.strip().split("[ T]", 2)[0]).matches();
    }

    /** Yes or no, or what is known without it. */
    public Boolean yesOr(String column, Boolean known) {
        String text = text(column);
        if (text == null) {
            return known;
        }
        String word = text.toLowerCase(Locale.ROOT);
        if (!YES.contains(word) && !NO.contains(word)) {
            throw new InvalidInputException(column, "is '" + text + "'; write yes or no.");
        }
        return YES.contains(word);
    }

    /** A day, or what is known without it. */
    public LocalDate dayOr(String column, LocalDate known) {
        String text = text(column);
        return text == null ? known : day(column, text);
    }

    private LocalDate day(String column, String text) {
        LocalDate day = written(column, text);
        if (!InputBounds.holds(day)) {
            throw new InvalidInputException(column, "is '" + text + "', which no orchard's record is of.");
        }
        return day;
    }

    private LocalDate written(String column, String text) {
        try {
            Matcher parts = DAY.matcher(text);
            if (!parts.matches()) {
                return LocalDate.parse(text);
            }
            int first = Integer.parseInt(parts.group(1));
            int second = Integer.parseInt(parts.group(2));
            boolean dayFirst = format.order() != DateOrder.MONTH_FIRST;
            return LocalDate.of(Integer.parseInt(parts.group(3)), dayFirst ? second : first, dayFirst ? first : second);
        } catch (DateTimeException e) {
            throw new InvalidInputException(column, "is '" + text + "', " + notADay(text));
        }
    }

    private static String notADay(String text) {
        return SHORT_YEAR.matcher(text).matches()
                ? "with a short year; write all four digits of it."
                : "which is no day of the calendar; write it as 2026-11-24.";
    }

    /** A moment; by the orchard's clocks where none are named. Null where the cell is empty. */
    public Instant moment(String column) {
        String text = text(column);
        if (text == null) {
            return null;
        }
        String[] parts = text.split("[ T]+", 2);
        LocalDate day = day(column, parts[0]);
        if (parts.length < 2) {
            throw new InvalidInputException(
                    column, "is '" + text + "', without an hour; write it as 2026-11-24 17:30.");
        }
        try {
            return parts[1].matches(".*(?:Z|[+-]\\d{2}:?\\d{2})")
                    ? OffsetDateTime.parse(day + "T" + parts[1]).toInstant()
                    : local(
                            column,
                            LocalDateTime.of(day, LocalTime.parse(parts[1].length() == 4 ? "0" + parts[1] : parts[1])));
        } catch (DateTimeParseException e) {
            throw new InvalidInputException(column, "is '" + text + "'; write its hour as 17:30.");
        }
    }

    /** An hour that the clocks skipped never was. */
    private Instant local(String column, LocalDateTime at) {
        if (format.zone().getRules().getValidOffsets(at).isEmpty()) {
            throw new InvalidInputException(
                    column,
                    "is " + at + ", an hour that the clocks of " + format.zone().getId() + " skipped.");
        }
        return at.atZone(format.zone()).toInstant();
    }

    /** One of several words, or what is known without it. */
    public <E extends Enum<E>> E choiceOr(String column, Class<E> words, E known) {
        String text = text(column);
        if (text == null) {
            return known;
        }
        String wanted = text.toUpperCase(Locale.ROOT).replaceAll("[ -]+", "_");
        return Arrays.stream(words.getEnumConstants())
                .filter(e -> e.name().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new InvalidInputException(
                        column,
                        "is '" + text + "'; write one of "
                                + Arrays.stream(words.getEnumConstants())
                                        .map(Enum::name)
                                        .collect(Collectors.joining(", "))
                                + "."));
    }

    /**
     * What a cell names, by its name as people write it.
     *
     * @param byName by {@link #key}
     * @param noun what people call it
     * @throws InvalidInputException where it is empty, or there is none of that name
     */
    public <T> T named(String column, Map<String, T> byName, String noun) {
        String name = required(column);
        T found = byName.get(key(name));
        if (found == null) {
            throw new InvalidInputException(column, "is '" + name + "', and there is no " + noun + " of that name.");
        }
        return found;
    }

    /** The earlier first; lines whose moment cannot be read come last. */
    public static Comparator<ImportRow> byMoment(String column) {
        return Comparator.comparing(row -> {
            try {
                Instant at = row.moment(column);
                return at == null ? Instant.MAX : at;
            } catch (InvalidInputException e) {
                return Instant.MAX;
            }
        });
    }

    /** Names that differ in capitals only are the same. */
    public static String key(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    /** Things by {@link #key} of their name; of several the last. */
    public static <T> Map<String, T> byName(Iterable<T> all, Function<T, String> name) {
        Map<String, T> byName = new HashMap<>();
        all.forEach(t -> byName.put(key(name.apply(t)), t));
        return byName;
    }
}
