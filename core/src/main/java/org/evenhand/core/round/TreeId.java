package org.evenhand.core.round;

import java.util.UUID;

/** Identifies a tree. */
public record TreeId(UUID value) {}
