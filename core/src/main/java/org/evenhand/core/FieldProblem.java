package org.evenhand.core;

/**
 * One thing that is wrong with what was given.
 *
 * @param field the field as the giver knows it, for example {@code stages[2].meanHours.value}
 * @param message what was wrong, what is allowed and what to do, as a sentence
 */
public record FieldProblem(String field, String message) {}
