package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.kit.Given;

/** A tree as it is sent; with a version it changes one that is there. */
public record TreeRequest(
        UUID varietyId,
        String name,
        @Schema(description = OPTIONAL) String block,
        Integer row,
        Integer position,
        @Schema(description = OPTIONAL) LocalDate plantedOn,
        @Schema(description = OPTIONAL) Long version) {

    TreeDetails details(LocalDate today) {
        if (plantedOn != null && plantedOn.isAfter(today)) {
            throw new InvalidInputException("plantedOn", "is " + plantedOn + ", which is still to come.");
        }
        return new TreeDetails(
                Given.required("varietyId", varietyId),
                Given.text("name", name, 80),
                Given.optionalText("block", block, 80),
                Require.within("row", Given.required("row", row), 0, 100_000),
                Require.within("position", Given.required("position", position), 0, 100_000),
                plantedOn);
    }
}
