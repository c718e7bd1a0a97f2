package org.evenhand.map;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.OptionalDouble;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.map.BlockLayout;

/**
 * How the rows of a block lie; with a version it changes what is known of it.
 *
 * @param rowSpacingM metres from row to row
 * @param placeSpacingM metres from place to place in a row
 * @param bearing direction in which places are counted up, degrees from north; absent where measured trees are to say it
 */
public record BlockRowsRequest(
        @NotNull @Size(max = 80) String block,
        @NotNull Double rowSpacingM,
        @NotNull Double placeSpacingM,
        @Schema(description = OPTIONAL) Double bearing,
        @Schema(description = OPTIONAL) Long version) {
    BlockLayout layout() {
        try {
            return new BlockLayout(
                    rowSpacingM, placeSpacingM, bearing == null ? OptionalDouble.empty() : OptionalDouble.of(bearing));
        } catch (InvalidInputException e) {
            throw new InvalidInputException(e.problems().stream()
                    .map(p -> p.of(p.field().replaceFirst("^(row|place)Spacing$", "$1SpacingM")))
                    .toList());
        }
    }
}
