package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.UUID;

/**
 * A choice as it is sent.
 *
 * @param flowers flowers at least; 0 when this jar is not to go to this tree
 * @param onDay the day it is meant for; absent for all
 */
@Schema(name = "RoundChoiceRequest")
record ChoiceRequest(
        UUID treeId,
        UUID lotId,
        Integer flowers,
        @Schema(description = OPTIONAL) LocalDate onDay) {}
