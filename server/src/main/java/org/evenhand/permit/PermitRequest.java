package org.evenhand.permit;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.core.permit.PermitTerm;

/**
 * A permit.
 *
 * @param crop the species' page it is for; absent where it is for every crop
 * @param validUntil its last day; absent where it does not end
 * @param version of the permit that is corrected; absent for a new one
 */
record PermitRequest(
        @NotBlank @Size(max = 100) String number,
        @NotBlank @Size(max = 200) String authority,
        @NotNull @Size(min = 1, max = 3) Set<@NotNull PermitScope> scopes,

        @Schema(description = OPTIONAL) @Size(max = 60) String crop,

        @NotNull LocalDate validFrom,
        @Schema(description = OPTIONAL) LocalDate validUntil,

        @Schema(description = OPTIONAL) @Size(max = 4000) String conditions,

        @Schema(description = OPTIONAL) Long version) {

    PermitTerm term() {
        return new PermitTerm(scopes, Optional.ofNullable(crop), validFrom, Optional.ofNullable(validUntil));
    }

    /** The paper of a permit: a PDF, or a picture of it. */
    record Paper(
            @NotBlank @Size(max = 200) String name,
            @NotNull byte[] data,
            @NotNull Long version) {}
}
