package org.evenhand.kit;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * Takes a record out of the reckoning.
 *
 * @param version the version the caller saw
 * @param reason why, 1 to 500 characters
 */
public record VoidRequest(
        @NotNull Long version, @NotBlank @Size(max = 500) String reason) {}
