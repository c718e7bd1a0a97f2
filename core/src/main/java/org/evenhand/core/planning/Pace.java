package org.evenhand.core.planning;

import java.math.BigDecimal;
import org.evenhand.core.Require;

/**
 * How long the work takes, in minutes; each as exact as a visit's ({@link CandidateVisit}).
 *
 * @param perFlower to pollinate a flower
 * @param perCollectedFlower to take the pollen off a male flower
 * @param perFather to clean, and to take up the pollen of another father
 */
public record Pace(BigDecimal perFlower, BigDecimal perCollectedFlower, BigDecimal perFather) {
    public Pace {
        perFlower = Require.exact("perFlower", perFlower, CandidateVisit.MOST_MINUTES, CandidateVisit.PLACES);
        perCollectedFlower = Require.exact(
                "perCollectedFlower", perCollectedFlower, CandidateVisit.MOST_MINUTES, CandidateVisit.PLACES);
        perFather = Require.exact("perFather", perFather, CandidateVisit.MOST_MINUTES, CandidateVisit.PLACES);
    }
}
