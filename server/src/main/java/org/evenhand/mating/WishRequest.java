package org.evenhand.mating;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;

/** A wished cross as it is sent; with a version it changes flowers and note of one that is there. */
@Schema(name = "CrossWishRequest")
public record WishRequest(
        UUID motherId,
        UUID fatherId,
        Integer flowers,
        @Schema(description = OPTIONAL) String note,
        @Schema(description = OPTIONAL) Long version) {}
