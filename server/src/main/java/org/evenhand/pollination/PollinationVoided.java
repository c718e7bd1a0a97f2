package org.evenhand.pollination;

import java.util.UUID;

/** Asked of other rooms before a pollination is voided: whoever holds records of it refuses by throwing. */
public record PollinationVoided(UUID orchardId, UUID pollinationId) {}
