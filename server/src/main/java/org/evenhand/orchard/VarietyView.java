package org.evenhand.orchard;

import java.util.UUID;

/** A variety: a clone with a name. */
public record VarietyView(UUID id, String crop, String name, long version) {}
