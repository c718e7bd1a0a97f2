package org.evenhand.core.mating;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Gametophytic self-incompatibility at one locus: a grain is rejected when its own allele is among those of the style. East &amp;
 * Mangelsdorf 1925, PNAS 11:166-171; de Nettancourt 2001, Incompatibility and Incongruity.
 *
 * <p>Half the grains of a diploid carry each allele. All alleles of a triploid seed parent reject; a triploid pollen parent gives few
 * living grains, so it is called a poor donor and no share is reckoned (our policy).
 *
 * @param verdict whether the cross can set
 * @param pollenFraction share of the grains that are not rejected, 0 to 1; empty for a poor donor
 * @param progeny expected shares of the seedlings' genotypes, alleles in order and joined by '/'; empty when there are none or when a
 *     parent is not diploid
 */
public record SelfIncompatibility(Verdict verdict, OptionalDouble pollenFraction, Map<String, Double> progeny) {

    /** Whether the cross can set. */
    public enum Verdict {
        COMPATIBLE,
        SEMI_COMPATIBLE,
        INCOMPATIBLE,
        POOR_POLLEN_DONOR
    }

    /** The cross of a seed parent with a pollen parent; a selfing when both are one genotype. */
    public static SelfIncompatibility of(SGenotype seedParent, SGenotype pollenParent) {
        if (pollenParent.triploid()) {
            return new SelfIncompatibility(Verdict.POOR_POLLEN_DONOR, OptionalDouble.empty(), Map.of());
        }
        List<SAllele> growing = pollenParent.alleles().stream()
                .filter(grain -> grows(seedParent, grain))
                .toList();
        return new SelfIncompatibility(
                verdict(seedParent, pollenParent),
                OptionalDouble.of(growing.size() / 2.0),
                progeny(seedParent, growing));
    }

    /** The verdict alone. */
    public static Verdict verdict(SGenotype seedParent, SGenotype pollenParent) {
        if (pollenParent.triploid()) {
            return Verdict.POOR_POLLEN_DONOR;
        }
        int growing = 0;
        for (SAllele grain : pollenParent.alleles()) {
            growing += grows(seedParent, grain) ? 1 : 0;
        }
        return switch (growing) {
            case 0 -> Verdict.INCOMPATIBLE;
            case 1 -> Verdict.SEMI_COMPATIBLE;
            default -> Verdict.COMPATIBLE;
        };
    }

    static boolean grows(SGenotype seedParent, SAllele grain) {
        for (SAllele style : seedParent.alleles()) {
            if (style.rejects(grain)) {
                return false;
            }
        }
        return true;
    }

    private static Map<String, Double> progeny(SGenotype seedParent, List<SAllele> growing) {
        Map<String, Double> shares = new TreeMap<>();
        if (!seedParent.triploid()) {
            double each = 1.0 / (seedParent.alleles().size() * Math.max(1, growing.size()));
            seedParent
                    .alleles()
                    .forEach(egg -> growing.forEach(grain -> shares.merge(pair(egg, grain), each, Double::sum)));
        }
        return shares;
    }

    private static String pair(SAllele a, SAllele b) {
        return a.compareTo(b) <= 0 ? a.name() + "/" + b.name() : b.name() + "/" + a.name();
    }
}
