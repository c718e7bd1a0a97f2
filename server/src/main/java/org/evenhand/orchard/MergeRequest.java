package org.evenhand.orchard;

import jakarta.validation.constraints.NotNull;
import java.util.UUID;

/**
 * A variety that was entered twice.
 *
 * @param into the one that stays
 * @param version of the one that goes
 */
record MergeRequest(@NotNull UUID into, @NotNull Long version) {}
