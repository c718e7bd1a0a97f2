package org.evenhand.core.permit;

import java.time.LocalDate;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.InvalidInputException;

/**
 * What a permit allows, and for how long.
 *
 * @param scopes what it allows, one at least
 * @param crop the species' page it is for; empty where it is for every crop
 * @param from its first day
 * @param until its last day; empty where it does not end
 */
public record PermitTerm(Set<PermitScope> scopes, Optional<String> crop, LocalDate from, Optional<LocalDate> until) {
    /** @throws InvalidInputException when it allows nothing, or ends before it begins */
    public PermitTerm {
        scopes = Set.copyOf(scopes);
        if (scopes.isEmpty()) {
            throw new InvalidInputException("scopes", "are none; say what the permit allows.");
        }
        if (until.isPresent() && until.get().isBefore(from)) {
            throw new InvalidInputException(
                    "validUntil", "is " + until.get() + ", before the permit begins on " + from + ".");
        }
    }

    /** Whether it is about such work on a crop, on whatever day. */
    public boolean covers(PermitScope scope, String ofCrop) {
        return scopes.contains(scope) && crop.map(ofCrop::equals).orElse(true);
    }

    /** Whether it holds on a day. */
    public boolean holdsOn(LocalDate day) {
        return !day.isBefore(from) && until.map(u -> !day.isAfter(u)).orElse(true);
    }
}
