package org.evenhand.orchard;

import java.util.UUID;

/** A variety: a clone with a name. */
public record VarietyView(UUID id, String crop, String name, Breeding breeding, long version) {
    /** Whether its flowers are small for the crop. */
    public boolean smallFlowers() {
        return Boolean.TRUE.equals(breeding.smallFlowered());
    }
}
