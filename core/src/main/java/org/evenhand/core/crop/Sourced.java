package org.evenhand.core.crop;

import java.util.Optional;
import org.evenhand.core.InvalidInputException;

/**
 * A number that says what it rests on.
 *
 * @param value the number, in the unit its field names
 * @param basis what it rests on
 * @param source the source's key in docs/SOURCES.md; present exactly when the basis is {@link Basis#PUBLISHED}
 */
public record Sourced(double value, Basis basis, Optional<String> source) {
    public Sourced {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            throw new InvalidInputException("value", "is not a finite number.");
        }
        if ((basis == Basis.PUBLISHED) != source.isPresent()) {
            throw new InvalidInputException(
                    "source", "must be given when the basis is 'published', and only then (basis is " + basis + ").");
        }
    }

    public static Sourced practice(double value) {
        return new Sourced(value, Basis.PRACTICE, Optional.empty());
    }
}
