package org.evenhand.pollination;

import java.time.Instant;
import java.util.UUID;

/** Asked of other rooms before a pollination is corrected: whoever holds records that would no longer fit refuses by throwing. */
public record PollinationCorrected(UUID orchardId, UUID pollinationId, int flowers, Instant doneAt) {}
