package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Given;
import org.evenhand.kit.Within;

/**
 * A tree as it is sent; with a version it changes one that is there.
 *
 * @param stoodUntil the last day on which it stood, where it was felled
 * @param confirmed questions that were asked before and answered with yes
 */
public record TreeRequest(
        @NotNull UUID varietyId,
        @NotBlank @Size(max = 80) String name,
        @Schema(description = OPTIONAL) @Size(max = 80) String block,
        @NotNull @Within(min = 0, max = 100_000) Integer row,
        @NotNull @Within(min = 0, max = 100_000) Integer position,
        @Schema(description = OPTIONAL) LocalDate plantedOn,
        @Schema(description = OPTIONAL) LocalDate stoodUntil,
        @Schema(description = OPTIONAL) List<String> confirmed,
        @Schema(description = OPTIONAL) Long version) {

    public TreeRequest(
            UUID varietyId, String name, String block, int row, int position, LocalDate plantedOn, Long version) {
        this(varietyId, name, block, row, position, plantedOn, null, List.of(), version);
    }

    boolean confirms(String key) {
        return confirmed != null && confirmed.contains(key);
    }

    TreeDetails details(LocalDate today) {
        Given.notAhead("plantedOn", plantedOn, today);
        Given.notAhead("stoodUntil", stoodUntil, today);
        if (stoodUntil != null && plantedOn != null && stoodUntil.isBefore(plantedOn)) {
            throw new InvalidInputException(
                    "stoodUntil", "is " + stoodUntil + ", before it was planted on " + plantedOn + ".");
        }
        return new TreeDetails(varietyId, name.strip(), Given.stripped(block), row, position, plantedOn, stoodUntil);
    }
}
