package org.evenhand.core.mating;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.evenhand.core.InvalidInputException;

/**
 * An allele of the self-incompatibility locus S.
 *
 * @param name as it is written, for example {@code S4'}
 * @param kind whether pollen or style has lost its part
 */
public record SAllele(String name, Kind kind) implements Comparable<SAllele> {
    private static final Pattern NUMBERED = Pattern.compile("S(\\d+)(.*)");

    /** What has become of the allele's two parts. */
    public enum Kind {
        NORMAL,
        /** The pollen is never rejected; the style rejects as ever. */
        POLLEN_PART_MUTANT,
        /** The style rejects nothing; the pollen is rejected as ever. */
        STYLAR_PART_MUTANT
    }

    /**
     * Reads the usual notation, with a small s too: {@code S4'} is a pollen-part mutant, {@code S4sm} and {@code Sf} are stylar-part mutants.
     *
     * @throws InvalidInputException when it does not begin with S and a number, or is not Sf
     */
    public static SAllele parse(String text) {
        String name = capital(text.strip());
        if (!name.matches("S(\\d+[a-z]{0,3}'?|f)")) {
            throw new InvalidInputException(
                    "alleles", "hold '" + name + "'; an allele is written like S3, S4' , S4sm or Sf.");
        }
        Kind kind = name.endsWith("'")
                ? Kind.POLLEN_PART_MUTANT
                : name.endsWith("sm") || name.equals("Sf") ? Kind.STYLAR_PART_MUTANT : Kind.NORMAL;
        return new SAllele(name, kind);
    }

    /** A small s at the beginning is taken for a capital one. */
    private static String capital(String name) {
        return name.startsWith("s") ? "S" + name.substring(1) : name;
    }

    /** Whether a style with this allele rejects a grain with the other. */
    boolean rejects(SAllele grain) {
        return kind != Kind.STYLAR_PART_MUTANT
                && grain.kind() != Kind.POLLEN_PART_MUTANT
                && specificity().equals(grain.specificity());
    }

    /** The allele that a mutant came from; its own name for any other. */
    private String specificity() {
        Matcher numbered = NUMBERED.matcher(name);
        return kind != Kind.NORMAL && numbered.matches() ? "S" + numbered.group(1) : name;
    }

    private int number() {
        Matcher numbered = NUMBERED.matcher(name);
        return numbered.matches() ? Integer.parseInt(numbered.group(1)) : Integer.MAX_VALUE;
    }

    /** By number, then by what follows it. */
    @Override
    public int compareTo(SAllele other) {
        int byNumber = Integer.compare(number(), other.number());
        return byNumber != 0
                ? byNumber
                : name.toLowerCase(Locale.ROOT).compareTo(other.name().toLowerCase(Locale.ROOT));
    }
}
