package org.evenhand.records;

import io.swagger.v3.oas.annotations.media.Schema;

/**
 * What became of a file.
 *
 * @param lines lines below its head
 * @param written records that are new
 * @param already records that were there before
 */
@Schema(name = "RecordsTaken")
record RecordsImported(long lines, long written, long already) {}
