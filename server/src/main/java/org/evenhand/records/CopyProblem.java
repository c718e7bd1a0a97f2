package org.evenhand.records;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evenhand.core.InvalidInputException;
import org.postgresql.util.PSQLException;
import org.postgresql.util.ServerErrorMessage;
import org.springframework.dao.DataAccessException;

/** What the database finds wrong with a file, in words that a grower can act on. */
final class CopyProblem {
    /** What the database says, and what it means. */
    private record Meaning(Pattern said, String means) {}

    private static final List<Meaning> MEANINGS = List.of(
            new Meaning(Pattern.compile("missing data for column"), "has fewer columns than the head of the file"),
            new Meaning(Pattern.compile("extra data after last"), "has more columns than the head of the file"),
            new Meaning(Pattern.compile("unterminated CSV quoted field"), "has a quote that is never closed"),
            new Meaning(Pattern.compile("invalid byte sequence"), "holds a character that no text has"),
            new Meaning(
                    Pattern.compile("date/time field value out of range: (\\S+)"),
                    "names a day that does not exist: $1"));

    private static final Pattern LINE = Pattern.compile("line (\\d+)");

    private CopyProblem() {}

    static InvalidInputException of(DataAccessException e) {
        ServerErrorMessage said =
                e.getMostSpecificCause() instanceof PSQLException p ? p.getServerErrorMessage() : null;
        String message = said == null || said.getMessage() == null ? "" : said.getMessage();
        Matcher line = LINE.matcher(said == null || said.getWhere() == null ? "" : said.getWhere());
        // The head is read before: COPY counts from the line below it.
        String where = line.find() ? "line " + (Long.parseLong(line.group(1)) + 1) : "a line";
        return new InvalidInputException("csv", "was not imported: " + where + " " + meaning(message) + ".");
    }

    private static String meaning(String message) {
        for (Meaning m : MEANINGS) {
            Matcher found = m.said().matcher(message);
            if (found.find()) {
                return found.groupCount() == 0 ? m.means() : m.means().replace("$1", found.group(1));
            }
        }
        return "does not fit what is here; look through the file for numbers and names that are too long or too large";
    }
}
