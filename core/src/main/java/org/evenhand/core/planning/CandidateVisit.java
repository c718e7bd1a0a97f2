package org.evenhand.core.planning;

import java.math.BigDecimal;
import org.evenhand.core.Require;

/**
 * A time one could go.
 *
 * @param name as a person says it
 * @param minutes that it lasts at most, 0 to {@value #MOST_MINUTES} with {@value #PLACES} decimal places at most
 * @param cost what it takes for a visit to be worth going, in the unit of worth, 0 or more
 */
public record CandidateVisit(String name, BigDecimal minutes, double cost) {
    /** More than two months; so that the sum of all minutes stays a whole number of 64 bits. */
    static final int MOST_MINUTES = 100_000;

    static final int PLACES = 9;

    public CandidateVisit {
        minutes = Require.exact("minutes", minutes, MOST_MINUTES, PLACES);
        Require.notNegative("cost", cost);
    }
}
