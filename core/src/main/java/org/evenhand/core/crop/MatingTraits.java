package org.evenhand.core.crop;

import java.util.List;
import java.util.Optional;

/**
 * What decides whether a cross of two varieties sets.
 *
 * @param alleles whether S alleles decide
 * @param ploidy usual number of chromosome sets, a whole number
 * @param kin other species whose pollen has been tried on it; each direction is a question of its own
 * @param cleanBetween what to clean or change between two pollen parents, step by step
 */
public record MatingTraits(Alleles alleles, Sourced ploidy, List<Kin> kin, List<String> cleanBetween) {
    public MatingTraits {
        kin = List.copyOf(kin);
        cleanBetween = List.copyOf(cleanBetween);
    }

    /**
     * Another species' pollen on this crop.
     *
     * @param pollenOf key of that crop
     * @param compatibilityFactor what a dose is worth against pollen of its own kind, 0 to 1
     * @param why what is known of it, a sentence
     */
    public record Kin(String pollenOf, Sourced compatibilityFactor, String why) {}

    /** What is known of another crop's pollen; empty where nobody tried it. */
    public Optional<Kin> kin(String crop) {
        return kin.stream().filter(k -> k.pollenOf().equals(crop)).findFirst();
    }

    /** The part S alleles play in a crop. */
    public enum Alleles {
        /** One locus; the grain's own allele decides. */
        GAMETOPHYTIC,
        /** None that growers reckon with. */
        NONE
    }
}
