package org.evenhand.mating;

import java.util.Locale;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.statistics.BetaPosterior;
import org.evenhand.orchard.VarietyNumbers;

/**
 * Flowers to be crossed for a request.
 *
 * @param why how they come from the seeds; empty where they were given
 */
record RequestedFlowers(int flowers, String why) {

    /**
     * @param numbers of the mother, in the place of her crop sheet's
     * @param seen what this cross showed here
     * @throws InvalidInputException at {@code seeds}, where no number of flowers can be said
     */
    static RequestedFlowers of(
            CrossRequest.Wanted wanted, CropSheet mother, VarietyNumbers numbers, CrossEvidence seen) {
        if (wanted.flowers() != null) {
            return new RequestedFlowers(wanted.flowers(), "");
        }
        CrossTraits traits = mother.cross()
                .orElseThrow(() -> new InvalidInputException(
                        "seeds",
                        "cannot be turned into flowers: the crop sheet of " + mother.name()
                                + " does not say how many seeds a cross gives. Give the flowers instead."));
        double seeds = numbers.seedsPerFruit() == null ? traits.seeds().value() : numbers.seedsPerFruit();
        int ovules = (int) Math.max(traits.ovules().value(), Math.ceil(seeds));
        BetaPosterior share = BetaPosterior.ofMean(traits.setShare().value(), SetBelief.PRIOR_WEIGHT)
                .after(seen.taken(), seen.flowers());
        try {
            FlowerBudget budget =
                    FlowerBudget.forSeeds(wanted.seeds(), share, seeds, ovules, FlowerBudget.SURE_OF_SEEDS);
            return new RequestedFlowers(budget.flowers(), why(wanted, seeds, ovules, share, seen));
        } catch (InvalidInputException e) {
            throw new InvalidInputException(
                    "seeds",
                    "are " + wanted.seeds() + ", out of reach: even " + FlowerBudget.MOST_FLOWERS
                            + " flowers would not make them sure enough. Ask for fewer, or give the flowers.");
        }
    }

    /** The same; as many as a budget goes to, and why, where no number can be said any more. */
    static RequestedFlowers orMost(
            CrossRequest.Wanted wanted, CropSheet mother, VarietyNumbers numbers, CrossEvidence seen) {
        try {
            return of(wanted, mother, numbers, seen);
        } catch (InvalidInputException e) {
            return new RequestedFlowers(
                    FlowerBudget.MOST_FLOWERS, "Seeds " + e.problems().get(0).message());
        }
    }

    private static String why(
            CrossRequest.Wanted wanted, double seeds, int ovules, BetaPosterior share, CrossEvidence seen) {
        return String.format(
                Locale.ROOT,
                "To be %.0f %% sure of %d seeds: about %.0f %% of crossed flowers give a fruit (%s), with %s seeds in it as a rule and %d at most.",
                100 * FlowerBudget.SURE_OF_SEEDS,
                wanted.seeds(),
                100 * share.mean(),
                seen.flowers() == 0
                        ? "as the crop sheet says"
                        : "the crop sheet, and " + seen.taken() + " of " + seen.flowers() + " here",
                seeds == Math.rint(seeds) ? String.valueOf((int) seeds) : String.valueOf(seeds),
                ovules);
    }
}
