package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotNull;
import java.time.LocalDate;
import java.util.UUID;
import org.evenhand.kit.Within;

/**
 * A choice as it is sent.
 *
 * @param flowers flowers at least; 0 when this jar is not to go to this tree
 * @param onDay the day it is meant for; absent for all
 */
@Schema(name = "PollenOverrideRequest")
record PollenOverrideRequest(
        @NotNull UUID treeId,
        @NotNull UUID lotId,
        @NotNull @Within(min = 0, max = 20_000) Integer flowers,
        @Schema(description = OPTIONAL) LocalDate onDay) {}
