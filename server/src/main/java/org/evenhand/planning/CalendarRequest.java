package org.evenhand.planning;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/** A calendar feed to make, with a name to know it by. */
@Schema(name = "CalendarFeedRequest")
record CalendarRequest(@NotBlank @Size(max = 80) String name) {}
