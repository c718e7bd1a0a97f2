package org.evenhand.core.mating;

import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * Whether a seedling's S alleles can come from its parents': one from the seed parent, one from a grain that grew in its style.
 * Either an allele or a parent may be wrong, and nobody can tell from here which: so it is a question and never a refusal.
 */
public final class AllelesOfChild {
    private AllelesOfChild() {}

    /**
     * What is odd; empty where nothing is, or where too little is known to tell: alleles of the child, or of both parents, or a number
     * of chromosome sets other than two. A child of which one allele is known is asked about only where both parents are known.
     */
    public static Optional<String> doubt(
            MatingPartner child, Optional<MatingPartner> seedParent, Optional<MatingPartner> pollenParent) {
        Optional<SGenotype> mother = diploid(seedParent);
        Optional<SGenotype> father = diploid(pollenParent);
        KnownAlleles own = child.ploidy() == 2 ? child.alleles() : KnownAlleles.NONE;
        Stream<SAllele> ofParents =
                Stream.of(mother, father).flatMap(p -> p.stream().flatMap(g -> g.alleles().stream()));
        boolean whole = own.all().isPresent() || (mother.isPresent() && father.isPresent());
        return Optional.of(own)
                .filter(k -> !k.none() && whole)
                .filter(k -> k.canBe(ofParents).stream().noneMatch(g -> canBe(g, mother, father)))
                .map(k -> child.name() + " (" + k.say() + ") cannot be a seedling of "
                        + parents(seedParent, mother, pollenParent, father)
                        + ". Is an allele or a parent wrong?");
    }

    private static Optional<SGenotype> diploid(Optional<MatingPartner> partner) {
        return partner.filter(p -> p.ploidy() == 2).flatMap(p -> p.alleles().all());
    }

    private static boolean canBe(SGenotype child, Optional<SGenotype> mother, Optional<SGenotype> father) {
        SAllele one = child.alleles().get(0);
        SAllele other = child.alleles().get(1);
        return canBe(one, other, mother, father) || canBe(other, one, mother, father);
    }

    private static boolean canBe(SAllele egg, SAllele grain, Optional<SGenotype> mother, Optional<SGenotype> father) {
        return mother.map(m -> m.alleles().contains(egg) && SelfIncompatibility.grows(m, grain))
                        .orElse(true)
                && father.map(f -> f.alleles().contains(grain)).orElse(true);
    }

    private static String parents(
            Optional<MatingPartner> seedParent,
            Optional<SGenotype> mother,
            Optional<MatingPartner> pollenParent,
            Optional<SGenotype> father) {
        return Stream.of(
                        mother.map(m -> seedParent.orElseThrow().name() + " (" + m.say() + ")"),
                        father.map(
                                f -> "pollen of " + pollenParent.orElseThrow().name() + " (" + f.say() + ")"))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(" and "));
    }
}
