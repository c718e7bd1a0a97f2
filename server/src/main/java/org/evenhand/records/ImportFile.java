package org.evenhand.records;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.ImportKind;

/**
 * A CSV file as it was chosen: a head and lines. Commas, semicolons and tabs separate; cells may be quoted; UTF-8 with a mark or without.
 *
 * @param head names of its columns
 * @param lines its lines below the head, those without anything left out
 */
record ImportFile(List<String> head, List<Line> lines) {
    private static final String FIELD = "file";
    static final int MOST_BYTES = 10_000_000;
    private static final int MOST_COLUMNS = 200;
    private static final int LONGEST_CELL = 10_000;

    /**
     * A line.
     *
     * @param number in the file; the head is the first
     */
    record Line(long number, List<String> cells) {}

    /**
     * @param mostLines lines at most
     * @throws InvalidInputException where it is no such file; says in which line
     */
    static ImportFile read(byte[] bytes, int mostLines) {
        if (bytes.length > MOST_BYTES) {
            throw refused("has " + bytes.length / 1_000_000 + " MB; at most " + MOST_BYTES / 1_000_000
                    + " MB are read at once. Split it.");
        }
        String text = text(bytes);
        char separator = separator(text.lines().findFirst().orElse(""));
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setDelimiter(separator)
                .setTrim(true)
                .setIgnoreEmptyLines(true)
                .get();
        List<Line> lines = new ArrayList<>();
        long at = 1;
        try (CSVParser parser = format.parse(new StringReader(text))) {
            for (CSVRecord record : parser) {
                add(lines, at, record, mostLines);
                at = parser.getCurrentLineNumber() + 1;
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw refused("has a quote in or below line " + at + " that is never closed, or text after it.");
        }
        if (lines.isEmpty()) {
            throw refused("is empty.");
        }
        if (lines.size() == 1) {
            throw refused("has a head, but no line below it.");
        }
        return new ImportFile(lines.get(0).cells(), List.copyOf(lines.subList(1, lines.size())));
    }

    private static void add(List<Line> lines, long at, CSVRecord record, int mostLines) {
        List<String> cells = record.toList();
        if (cells.size() > MOST_COLUMNS) {
            throw refused(
                    "has " + cells.size() + " columns in line " + at + "; at most " + MOST_COLUMNS + " are read.");
        }
        if (cells.stream().anyMatch(c -> c.length() > LONGEST_CELL)) {
            throw refused("has a cell in line " + at + " longer than " + LONGEST_CELL
                    + " characters. Is a quote not closed?");
        }
        if (cells.stream().allMatch(String::isEmpty)) {
            return;
        }
        if (!lines.isEmpty() && cells.size() != lines.get(0).cells().size()) {
            throw refused("has " + cells.size() + " cells in line " + at + ", and "
                    + lines.get(0).cells().size() + " in its head.");
        }
        if (lines.size() > mostLines) {
            throw refused("has more than " + mostLines + " lines. Split it.");
        }
        lines.add(new Line(at, cells));
    }

    private static String text(byte[] bytes) {
        if (bytes.length > 1
                && (bytes[0] == (byte) 0xFF && bytes[1] == (byte) 0xFE
                        || bytes[0] == (byte) 0xFE && bytes[1] == (byte) 0xFF)) {
            throw refused("is written in UTF-16. Save it as CSV UTF-8, and choose it again.");
        }
        ByteBuffer in = ByteBuffer.wrap(bytes);
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .onUnmappableCharacter(CodingErrorAction.REPORT)
                    .decode(in)
                    .toString();
            int nul = text.indexOf('\0');
            if (nul >= 0) {
                throw refused("has a character in line "
                        + (1
                                + text.substring(0, nul)
                                        .chars()
                                        .filter(c -> c == '\n')
                                        .count()) + " that no text has (NUL).");
            }
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            long line = 1;
            for (int i = 0; i < in.position(); i++) {
                line += bytes[i] == '\n' ? 1 : 0;
            }
            throw refused("is not UTF-8 in line " + line + ". Save it as CSV UTF-8, and choose it again.");
        }
    }

    /** The one that the head has most of, outside quotes. */
    private static char separator(String head) {
        String bare = head.replaceAll("\"[^\"]*\"", "");
        char best = ',';
        for (char c : new char[] {';', '\t'}) {
            if (count(bare, c) > count(bare, best)) {
                best = c;
            }
        }
        return best;
    }

    private static long count(String text, char wanted) {
        return text.chars().filter(c -> c == wanted).count();
    }

    /** The column of the file that is most likely meant, by its name; none where no name fits. */
    Optional<Integer> guess(ImportKind.Column column) {
        for (int i = 0; i < head.size(); i++) {
            String name = plain(head.get(i));
            if (name.equals(plain(column.key()))
                    || column.names().stream().map(ImportFile::plain).anyMatch(name::equals)) {
                return Optional.of(i);
            }
        }
        return Optional.empty();
    }

    private static String plain(String name) {
        return java.text.Normalizer.normalize(name.toLowerCase(Locale.ROOT), java.text.Normalizer.Form.NFD)
                .replaceAll("[^a-z0-9]", "");
    }

    static InvalidInputException refused(String why) {
        return new InvalidInputException(FIELD, why);
    }
}
