package org.evenhand.records;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import org.evenhand.kit.ImportRow;

/**
 * A file to look through or to import.
 *
 * @param kind what its lines are
 * @param data its bytes, in base64
 * @param columns by the key of a column which one of the file it is, from 0; -1 for none. Where absent they go by their names
 * @param fixes cells to read otherwise than they stand in the file
 * @param confirmed questions that were answered with yes
 */
@Schema(name = "FileImportRequest")
record ImportRequest(
        @NotBlank @Size(max = 60) String kind,
        @NotBlank @Size(max = 200) String fileName,
        @NotBlank @Size(max = MOST_CHARACTERS) String data,
        @Schema(description = OPTIONAL) Map<String, Integer> columns,
        @Schema(description = OPTIONAL) ImportRow.DateOrder dateOrder,
        @Schema(description = OPTIONAL) ImportRow.DecimalMark decimalMark,

        @Schema(description = OPTIONAL) @Valid @Size(max = 2000)
        List<@NotNull @Valid Fix> fixes,

        @Schema(description = OPTIONAL) List<String> confirmed) {

    /** More than any file that is read, so that one that is too large is refused in words of its own. */
    static final int MOST_CHARACTERS = 2 * ImportFile.MOST_BYTES;

    /** A cell and what it should be. */
    @Schema(name = "ImportFix")
    record Fix(
            long line,
            @NotBlank @Size(max = 80) String column,
            @NotNull @Size(max = 10_000) String value) {}
}
