package org.evenhand.core.mating;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;

/**
 * What is known of a variety's S alleles: all of them, one of a diploid's two, or none.
 *
 * @param all every allele, where they are known
 * @param one the only allele known; absent where all or none are
 */
public record KnownAlleles(Optional<SGenotype> all, Optional<SAllele> one) {
    /** Nothing is known. */
    public static final KnownAlleles NONE = new KnownAlleles(Optional.empty(), Optional.empty());

    public static KnownAlleles of(SGenotype all) {
        return new KnownAlleles(Optional.of(all), Optional.empty());
    }

    /**
     * Reads alleles with blanks, commas or slashes between them.
     *
     * @param text none, all, or one of a diploid's, for example {@code S3} or {@code S3 ?}
     * @param ploidy how many there are
     * @throws InvalidInputException where it holds what is no allele, or another number of them
     */
    public static KnownAlleles parse(String text, int ploidy) {
        String known = text.replace("?", " ").strip();
        if (known.isEmpty()) {
            return NONE;
        }
        boolean one = ploidy == 2 && !known.matches(".*[\\s,/].*");
        return one
                ? new KnownAlleles(Optional.empty(), Optional.of(SAllele.parse(known)))
                : of(SGenotype.parse(known, ploidy));
    }

    public boolean none() {
        return all.isEmpty() && one.isEmpty();
    }

    /**
     * Every genotype it can be. The allele that is not known may be one of those given or another; it is not the known one again, for a
     * style would have rejected that grain.
     *
     * @param others alleles that it may share
     */
    List<SGenotype> canBe(Stream<SAllele> others) {
        return all.map(List::of)
                .orElseGet(() -> one.stream()
                        .flatMap(known -> others.distinct()
                                .filter(other -> !known.rejects(other))
                                .map(other -> new SGenotype(List.of(known, other))))
                        .toList());
    }

    /** Those that are known. */
    Stream<SAllele> alleles() {
        return Stream.concat(all.stream().flatMap(g -> g.alleles().stream()), one.stream());
    }

    /** As it is written, the unknown one as a question mark; empty where nothing is known. */
    public String say() {
        return all.map(SGenotype::say).or(() -> one.map(a -> a.name() + " ?")).orElse("");
    }
}
