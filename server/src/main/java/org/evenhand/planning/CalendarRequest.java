package org.evenhand.planning;

import io.swagger.v3.oas.annotations.media.Schema;

/** A calendar feed to make, with a name to know it by. */
@Schema(name = "CalendarFeedRequest")
record CalendarRequest(String name) {}
