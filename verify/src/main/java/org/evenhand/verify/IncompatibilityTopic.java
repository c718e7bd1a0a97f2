package org.evenhand.verify;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.mating.SAllele;
import org.evenhand.core.mating.SGenotype;
import org.evenhand.core.mating.SelfIncompatibility;

/** Crosses by their S alleles. */
final class IncompatibilityTopic implements Topic {
    @Override
    public String name() {
        return "incompatibility";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        Set<String> pollenPart = new HashSet<>(inputs.texts("pollen_part_mutants"));
        Set<String> stylarPart = new HashSet<>(inputs.texts("stylar_part_mutants"));
        pollenPart.stream().filter(stylarPart::contains).findFirst().ifPresent(both -> {
            throw inputs.wrong(
                    "stylar_part_mutants",
                    "and pollen_part_mutants both name " + both + "; one allele has lost one part");
        });
        SelfIncompatibility cross = SelfIncompatibility.of(
                genotype(inputs.child("seed_parent"), pollenPart, stylarPart),
                genotype(inputs.child("pollen_parent"), pollenPart, stylarPart));
        Map<String, Object> answer = new HashMap<>();
        answer.put("verdict", word(cross.verdict()));
        answer.put(
                "pollen_fraction",
                cross.pollenFraction().isPresent() ? cross.pollenFraction().getAsDouble() : null);
        answer.put("progeny_s_genotypes", eitherOrder(cross.progeny()));
        return Optional.of(answer);
    }

    private static String word(SelfIncompatibility.Verdict verdict) {
        String word = verdict.name().toLowerCase(Locale.ROOT);
        return verdict == SelfIncompatibility.Verdict.SEMI_COMPATIBLE ? word.replace('_', '-') : word;
    }

    private static SGenotype genotype(Inputs parent, Set<String> pollenPart, Set<String> stylarPart) {
        parent.optionalText("name");
        List<SAllele> alleles = parent.texts("s_alleles").stream()
                .map(name -> new SAllele(name, kind(name, pollenPart, stylarPart)))
                .toList();
        return new SGenotype(alleles);
    }

    private static SAllele.Kind kind(String name, Set<String> pollenPart, Set<String> stylarPart) {
        if (pollenPart.contains(name)) {
            return SAllele.Kind.POLLEN_PART_MUTANT;
        }
        return stylarPart.contains(name) ? SAllele.Kind.STYLAR_PART_MUTANT : SAllele.Kind.NORMAL;
    }

    /** The order of two alleles has no meaning, so a genotype answers to both ways of writing it. */
    private static Map<String, Double> eitherOrder(Map<String, Double> progeny) {
        Map<String, Double> both = new HashMap<>(progeny);
        progeny.forEach((genotype, share) -> {
            String[] alleles = genotype.split("/");
            both.put(alleles[1] + "/" + alleles[0], share);
        });
        return both;
    }
}
