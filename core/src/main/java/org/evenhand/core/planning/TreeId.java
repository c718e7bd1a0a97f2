package org.evenhand.core.planning;

import java.util.UUID;

/** Identifies a tree. */
public record TreeId(UUID value) {}
