package org.evenhand.mating;

import java.util.UUID;

/**
 * A cross that somebody wants, for the rooms that make it.
 *
 * @param flowers flowers to be crossed in all
 * @param priority 0 leave it, 1 as others, 2 before others, 3 first of all
 */
public record WantedCross(
        UUID id,
        UUID motherId,
        String mother,
        UUID fatherId,
        String father,
        int flowers,
        Integer seeds,
        int priority) {}
