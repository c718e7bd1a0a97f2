package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.UUID;

/**
 * A calendar feed.
 *
 * @param path its secret address, told once when it is made
 */
@Schema(name = "CalendarFeed")
record CalendarView(
        UUID id,
        String name,
        @Schema(description = OPTIONAL) String path,
        long version) {}
