package org.evenhand.pollen;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;

/**
 * What can be put right of a jar: its hour and its note. What went in and out stands in its ledger.
 *
 * @param at when it was collected or blended, or came
 */
record LotCorrection(
        @NotNull Instant at,
        @NotNull @Size(max = 2000) String note,
        @NotNull Long version) {}
