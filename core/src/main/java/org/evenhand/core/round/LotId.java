package org.evenhand.core.round;

import java.util.UUID;

/** Identifies a lot of pollen. */
public record LotId(UUID value) {}
