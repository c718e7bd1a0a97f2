package org.evenhand.kit;

import java.util.UUID;

/**
 * Somebody no longer may come in: what they were handed for programs ends with them.
 *
 * @param by who removed them, or they themselves
 */
public record MemberLeft(Caller by, UUID accountId) {}
