package org.evenhand.core;

import org.jspecify.annotations.Nullable;

/**
 * One thing that is wrong with what was given.
 *
 * @param field the field as the giver knows it, for example {@code stages[2].meanHours.value}
 * @param message what was wrong, what is allowed and what to do, as a sentence in English
 * @param text the same for people of any language, where growers may see it; null where only programs and advisers do
 */
public record FieldProblem(
        String field, String message, @Nullable Text text) {
    public FieldProblem(String field, String message) {
        this(field, message, null);
    }

    /** The same of a field that is part of another. */
    public FieldProblem of(String otherField) {
        return new FieldProblem(otherField, message, text);
    }
}
