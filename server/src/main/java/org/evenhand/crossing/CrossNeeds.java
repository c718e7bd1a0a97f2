package org.evenhand.crossing;

import java.util.List;
import java.util.UUID;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.mating.WantedCross;

/**
 * What crosses ask of the rounds to come.
 *
 * @param open crosses that are being made, with something left to do
 * @param requested requests with flowers still wanted
 */
public record CrossNeeds(List<Open> open, List<Requested> requested) {

    /**
     * A cross that is being made.
     *
     * @param flowers flowers that are there, or meant
     * @param weight what a flower of it is worth against others
     */
    public record Open(
            UUID id,
            String label,
            UUID treeId,
            UUID fatherId,
            UUID crossRequestId,
            int flowers,
            CrossProtocol work,
            double weight) {}

    /** Flowers still wanted of a request. */
    public record Requested(WantedCross crossRequest, int more) {
        public double weight() {
            return PlanConventions.crossWeight(crossRequest.priority());
        }
    }
}
