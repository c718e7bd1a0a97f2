package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.evenhand.pollination.PollinationView;

/**
 * Pollinations with their checks and the next check that is wanted: those due in the order of walking, then those to come, then those of
 * this season with every check made.
 *
 * @param due how many are due in all; no more than some hundreds are told
 * @param waiting records that are still being put in order; the lists may lack them
 */
@Schema(name = "FruitSet")
record FruitSetView(LocalDate today, int due, int waiting, List<Row> rows) {

    /** A pollination and its place; {@code due} is absent when every check has been made. */
    @Schema(name = "FruitSetRow")
    record Row(
            PollinationView pollination,
            String block,
            int row,
            int position,
            LocalDate pollinatedOn,
            List<CheckView> checks,
            @Schema(description = OPTIONAL) Due due) {}

    /** The next check. */
    @Schema(name = "DueCheck")
    record Due(LocalDate on, boolean now, int day, String name, String lookFor) {}
}
