package org.evenhand.core.round;

import java.util.List;
import java.util.OptionalInt;
import org.evenhand.core.Require;
import org.evenhand.core.mating.CrossCompatibility;

/**
 * What a round has to work with at its hour.
 *
 * @param mothers trees with flowers that can take pollen
 * @param lots pollen at hand
 * @param crosses which jar serves which tree
 * @param mostFlowers flowers that can be done in the round, if there is a limit
 */
public record RoundRequest(List<Mother> mothers, List<Lot> lots, Crosses crosses, OptionalInt mostFlowers) {
    public RoundRequest {
        mothers = List.copyOf(mothers);
        lots = List.copyOf(lots);
        mostFlowers.ifPresent(n -> Require.within("mostFlowers", n, 0, 1_000_000));
    }

    /** Which jar serves which tree. */
    @FunctionalInterface
    public interface Crosses {
        CrossCompatibility between(TreeId tree, LotId lot);
    }

    /**
     * A tree whose flowers want pollen.
     *
     * @param flowers flowers still to be done, by stage
     */
    public record Mother(TreeId id, Place place, List<OpenFlowers> flowers) {
        public Mother {
            flowers = List.copyOf(flowers);
        }

        public int wanted() {
            return flowers.stream().mapToInt(OpenFlowers::flowers).sum();
        }
    }

    /**
     * Flowers of one stage that can take pollen.
     *
     * @param stage the stage's key
     * @param flowers how many, 0 or more
     * @param receptivity share of full receptivity, 0 to 1
     */
    public record OpenFlowers(String stage, int flowers, double receptivity) {
        public OpenFlowers {
            Require.within("flowers", flowers, 0, 1_000_000);
            Require.within("receptivity", receptivity, 0, 1);
        }
    }

    /**
     * Pollen at hand.
     *
     * @param doses whole doses left, 0 or more
     * @param viability estimated share of living grains at the round's hour, 0 to 1
     * @param useRank 0 for the lot that should be used first, rising
     */
    public record Lot(LotId id, int doses, double viability, int useRank) {
        public Lot {
            Require.within("doses", doses, 0, 10_000_000);
            Require.within("viability", viability, 0, 1);
            Require.within("useRank", useRank, 0, 100_000);
        }
    }
}
