package org.evenhand.core.planning;

import java.util.UUID;

/** Identifies a lot of pollen. */
public record LotId(UUID value) {}
