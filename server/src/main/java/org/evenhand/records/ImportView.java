package org.evenhand.records;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;

/**
 * What a file holds, before it is imported or after.
 *
 * @param head columns of the file
 * @param columns by key which column of the file it is, from 0; absent where none is
 * @param sample its first lines
 * @param lines lines below the head
 * @param written records that are new
 * @param already records that are there as the file has them
 * @param changes records that are there otherwise
 * @param problems the first of what is wrong
 * @param problemLines how many lines cannot be imported as they are
 * @param questions what has to be answered first
 * @param dateOrder as it was read; absent where no day needs it
 * @param decimalMark as it was read; absent where no number needs it
 * @param imported whether it was written down
 */
record ImportView(
        List<String> head,
        Map<String, Integer> columns,
        List<List<String>> sample,
        int lines,
        int written,
        int already,
        int changed,
        List<Change> changes,
        List<Problem> problems,
        int problemLines,
        List<Question> questions,
        @Schema(description = OPTIONAL) ImportRow.DateOrder dateOrder,
        @Schema(description = OPTIONAL) ImportRow.DecimalMark decimalMark,
        boolean imported) {

    /**
     * What is wrong with a line.
     *
     * @param column the key of the column; absent where it is the line as a whole
     * @param value what stands in the cell
     */
    @Schema(name = "ImportProblem")
    record Problem(
            long line, @Schema(description = OPTIONAL) String column, String value, String message) {}

    /** A field of a record that the file would change. */
    @Schema(name = "ImportChange")
    record Change(long line, String field, String before, String after) {}

    /**
     * What has to be answered before anything is written.
     *
     * @param key {@code date-order} and {@code decimal-mark} are answered by a choice, others by yes
     * @param lines how many lines it is about
     */
    @Schema(name = "ImportQuestion")
    record Question(String key, String text, int lines) {}

    /** A kind of record that can be imported. */
    @Schema(name = "ImportKind")
    record Kind(String key, List<ImportKind.Column> columns) {}

    /** A file that was imported. */
    @Schema(name = "ImportRun")
    record Run(
            UUID id,
            String kind,
            String fileName,
            Instant at,
            String by,
            int lines,
            int written,
            int changed,
            long version) {}

    /** How far an import has come. */
    @Schema(name = "ImportProgress")
    record Progress(int done, int lines) {}
}
