package org.evenhand.core.mating;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Which S alleles a seedling has for certain, by those of its parents. */
public final class CertainAlleles {
    private CertainAlleles() {}

    /**
     * @param progeny shares of the genotypes that {@link SelfIncompatibility#of} expects of the cross
     * @return both alleles where there is one genotype only, one where all genotypes share it, else none
     */
    public static KnownAlleles of(Map<String, Double> progeny) {
        List<List<SAllele>> genotypes = progeny.keySet().stream()
                .map(pair -> Arrays.stream(pair.split("/")).map(SAllele::parse).toList())
                .toList();
        if (genotypes.size() == 1) {
            return KnownAlleles.of(new SGenotype(genotypes.get(0)));
        }
        Set<SAllele> shared = genotypes.stream()
                .findFirst()
                .map(first -> first.stream()
                        .filter(a -> genotypes.stream().allMatch(g -> g.contains(a)))
                        .collect(Collectors.<SAllele, Set<SAllele>>toCollection(TreeSet::new)))
                .orElseGet(Set::of);
        return shared.size() == 1
                ? new KnownAlleles(Optional.empty(), shared.stream().findFirst())
                : KnownAlleles.NONE;
    }
}
