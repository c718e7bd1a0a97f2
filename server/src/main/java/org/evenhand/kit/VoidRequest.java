package org.evenhand.kit;

/**
 * Takes a record out of the reckoning.
 *
 * @param version the version the caller saw
 * @param reason why, 1 to 500 characters
 */
public record VoidRequest(Long version, String reason) {}
