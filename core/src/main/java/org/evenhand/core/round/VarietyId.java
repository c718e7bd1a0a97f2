package org.evenhand.core.round;

import java.util.UUID;

/** Identifies a variety. */
public record VarietyId(UUID value) {}
