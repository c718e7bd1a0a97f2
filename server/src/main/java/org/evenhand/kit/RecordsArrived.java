package org.evenhand.kit;

import java.util.UUID;

/** Records of an orchard came in from outside, past the services of the rooms: what was kept of it is worked out anew. */
public record RecordsArrived(UUID orchardId) {}
