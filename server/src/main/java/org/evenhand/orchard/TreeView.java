package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;

/** A tree with its variety and place. */
public record TreeView(
        UUID id,
        String name,
        UUID varietyId,
        String varietyName,
        String crop,
        String block,
        int row,
        int position,
        @Schema(description = OPTIONAL) LocalDate plantedOn,
        long version) {}
