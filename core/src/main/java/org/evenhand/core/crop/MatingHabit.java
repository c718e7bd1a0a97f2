package org.evenhand.core.crop;

import java.util.List;

/**
 * What decides whether a cross of two varieties sets.
 *
 * @param alleles whether S alleles decide
 * @param ploidy usual number of chromosome sets, a whole number
 * @param cleanBetween what to clean or change between two pollen parents, step by step
 */
public record MatingHabit(Alleles alleles, Sourced ploidy, List<String> cleanBetween) {
    public MatingHabit {
        cleanBetween = List.copyOf(cleanBetween);
    }

    /** The part S alleles play in a crop. */
    public enum Alleles {
        /** One locus; the grain's own allele decides. */
        GAMETOPHYTIC,
        /** None that growers reckon with. */
        NONE
    }
}
