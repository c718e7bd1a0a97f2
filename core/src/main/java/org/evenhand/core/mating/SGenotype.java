package org.evenhand.core.mating;

import java.util.Arrays;
import java.util.List;
import org.evenhand.core.InvalidInputException;

/**
 * The S alleles of a variety, one for each set of chromosomes.
 *
 * @param alleles two for a diploid, three for a triploid
 */
public record SGenotype(List<SAllele> alleles) {
    public SGenotype {
        alleles = List.copyOf(alleles);
        if (alleles.size() < 2 || alleles.size() > 3) {
            throw new InvalidInputException(
                    "alleles",
                    "are " + alleles.size() + " (" + names(alleles)
                            + "); a diploid has 2 and a triploid 3, the same one written twice where both are alike.");
        }
    }

    /**
     * Reads alleles with blanks, commas or slashes between them.
     *
     * @param ploidy how many there must be
     * @throws InvalidInputException if {@code alleles} is not valid
     */
    public static SGenotype parse(String text, int ploidy) {
        List<SAllele> alleles = Arrays.stream(text.strip().split("[\\s,/]+"))
                .map(SAllele::parse)
                .toList();
        if (alleles.size() != ploidy) {
            throw new InvalidInputException(
                    "alleles",
                    "are " + alleles.size() + " (" + names(alleles) + "), but a variety with " + ploidy
                            + " sets of chromosomes has " + ploidy + ". Correct the alleles or the ploidy.");
        }
        return new SGenotype(alleles);
    }

    public boolean triploid() {
        return alleles.size() == 3;
    }

    /** As it is written, for example {@code S3 S9}. */
    public String say() {
        return names(alleles);
    }

    private static String names(List<SAllele> alleles) {
        return String.join(" ", alleles.stream().map(SAllele::name).toList());
    }
}
