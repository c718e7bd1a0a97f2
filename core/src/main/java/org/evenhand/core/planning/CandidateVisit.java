package org.evenhand.core.planning;

import java.math.BigDecimal;
import org.evenhand.core.Require;

/**
 * A time one could go.
 *
 * @param name as a person says it
 * @param minutes that it lasts at most, 0 or more
 * @param cost what it takes for a visit to be worth going, in the unit of worth, 0 or more
 */
public record CandidateVisit(String name, BigDecimal minutes, double cost) {
    public CandidateVisit {
        Require.notNegative("minutes", minutes);
        Require.notNegative("cost", cost);
    }
}
