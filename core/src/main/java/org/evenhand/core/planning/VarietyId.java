package org.evenhand.core.planning;

import java.util.UUID;

/** Identifies a variety. */
public record VarietyId(UUID value) {}
