package org.evenhand.orchard;

import java.util.UUID;
import org.evenhand.kit.Caller;

/** A variety was entered twice: whatever names the one names the other from now on. Listeners work in the same transaction. */
public record VarietiesMerged(Caller caller, UUID from, UUID into) {
    /** What stands in the place of a variety. */
    public UUID now(UUID variety) {
        return from.equals(variety) ? into : variety;
    }

    /** Why a record goes that both had. */
    public String reason() {
        return "both of two varieties that were merged had it";
    }
}
