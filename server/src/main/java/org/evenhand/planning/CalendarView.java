package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;

/**
 * A calendar feed.
 *
 * @param path its secret address, shown once when it is made
 * @param address the same as others reach it, where the machine was given a public address
 */
@Schema(name = "CalendarFeed")
record CalendarView(
        UUID id,
        String name,
        @Schema(description = OPTIONAL) String path,
        @Schema(description = OPTIONAL) String address,
        long version) {}
