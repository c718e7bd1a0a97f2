package org.evenhand.orchard;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.UUID;

/**
 * A tree that is grafted over to another variety.
 *
 * @param treeId id of the tree that it becomes
 * @param name what that is called
 * @param on the day; records up to it stay with what the tree was
 * @param version of the tree that is grafted over
 */
record GraftRequest(
        @NotNull UUID treeId,
        @NotNull UUID varietyId,
        @NotBlank @Size(max = 80) String name,
        @NotNull LocalDate on,
        @NotNull Long version) {}
