package org.evenhand.fruitset;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import org.evenhand.round.PollinationView;

/** Every pollination with its checks and the next look that is wanted. */
@Schema(name = "FruitSet")
record FruitSetView(LocalDate today, List<Row> rows) {

    /** A pollination; {@code due} is absent when every look has been taken. */
    @Schema(name = "FruitSetRow")
    record Row(
            PollinationView pollination,
            LocalDate pollinatedOn,
            List<CheckView> checks,
            @Schema(description = OPTIONAL) Due due) {}

    /** The next look. */
    @Schema(name = "DueCheck")
    record Due(LocalDate on, boolean now, int day, String name, String lookFor) {}
}
