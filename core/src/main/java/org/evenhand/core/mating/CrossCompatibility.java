package org.evenhand.core.mating;

import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.MatingTraits;
import org.evenhand.core.findings.ShrunkenRatio;

/**
 * Whether pollen of one variety serves a tree of another, what it is worth, and why. A cross and its reciprocal are two questions.
 *
 * <p>Asked in this order: does the one take and the other give; is the pollen known to serve this kind; are both one clone; does an
 * odd number of chromosome sets make the pollen poor; is it another species' pollen; do S alleles decide. What is not known is allowed and says so.
 */
public final class CrossCompatibility {
    /** Worth of pollen half of whose grains are rejected: the other half still grows. Our policy. */
    public static final double HALF_REJECTED = 0.5;

    /** Below this share of full worth a pair is called a misfit. Our convention. */
    private static final double MISFIT = 0.5;

    /** Worth of a triploid's pollen, few grains of which live; memory. */
    public static final double POOR_DONOR = 0.2;

    /** Worth of pollen with another even number of chromosome sets: fruits often fail; memory. */
    public static final double OTHER_PLOIDY = 0.5;

    /** Worth of another species' pollen that nobody has tried: its own kind goes first until results tell. Our policy. */
    public static final double NEVER_TRIED = 0.5;

    /** Alleles that no variety has, for those that are not known. */
    private static final List<SAllele> ANY_OTHER =
            List.of(new SAllele("S(x)", SAllele.Kind.NORMAL), new SAllele("S(y)", SAllele.Kind.NORMAL));

    private final Verdict verdict;
    private final double compatibilityFactor;
    /** Words are made when they are asked for: a matrix of hundreds of varieties wants the verdicts only. */
    private final Supplier<String> why;

    /** The answer in one word. */
    public enum Verdict {
        YES,
        PARTLY,
        NO,
        UNKNOWN
    }

    /** Part of a blend. */
    public record Part(String father, double share, CrossCompatibility cross) {}

    private CrossCompatibility(Verdict verdict, double compatibilityFactor, Supplier<String> why) {
        this.verdict = verdict;
        this.compatibilityFactor = compatibilityFactor;
        this.why = why;
    }

    public static CrossCompatibility of(MatingPartner seedParent, MatingPartner pollenParent) {
        CropSheet receives = seedParent.sheet();
        CropSheet sheds = pollenParent.sheet();
        if (!receives.receives()) {
            return no(() -> receives.name() + " cannot be pollinated.");
        }
        if (!sheds.sheds()) {
            return no(() -> sheds.name() + " sheds no pollen.");
        }
        if (!receives.pollenGroup().equals(sheds.pollenGroup())) {
            return no(() -> sheds.name() + " pollen is not known to serve " + receives.name() + ".");
        }
        boolean allelesDecide = receives.mating().alleles() == MatingTraits.Alleles.GAMETOPHYTIC;
        boolean allelesKnown = seedParent.alleles().all().isPresent()
                && pollenParent.alleles().all().isPresent();
        boolean odd = pollenParent.ploidy() % 2 == 1;
        if (seedParent.genotype().equals(pollenParent.genotype())
                && (odd || seedParent.ownPollen().isPresent() || !(allelesDecide && allelesKnown))) {
            return ownClone(seedParent, pollenParent);
        }
        if (odd) {
            return new CrossCompatibility(
                    Verdict.PARTLY,
                    POOR_DONOR,
                    () -> pollenParent.name() + " has " + pollenParent.ploidy()
                            + " sets of chromosomes: few of its grains live.");
        }
        if (seedParent.ploidy() % 2 == 0 && seedParent.ploidy() != pollenParent.ploidy()) {
            return new CrossCompatibility(
                    Verdict.PARTLY,
                    OTHER_PLOIDY,
                    () -> "Their chromosome sets differ (" + seedParent.ploidy() + " and " + pollenParent.ploidy()
                            + "): fruits often fail.");
        }
        if (!receives.crop().equals(sheds.crop())) {
            return ofOtherSpecies(receives, sheds);
        }
        if (allelesDecide) {
            return allelesKnown ? byAlleles(seedParent, pollenParent) : allelesUnknown(seedParent, pollenParent);
        }
        return new CrossCompatibility(Verdict.YES, 1, () -> "Another variety of the same crop.");
    }

    /** Each direction is a question of its own. */
    private static CrossCompatibility ofOtherSpecies(CropSheet receives, CropSheet sheds) {
        String hybrids = " Seeds of it give hybrids of the two.";
        return receives.mating()
                .kin(sheds.crop())
                .map(kin -> new CrossCompatibility(
                        verdict(kin.compatibilityFactor().value()),
                        kin.compatibilityFactor().value(),
                        () -> kin.why() + hybrids))
                .orElse(new CrossCompatibility(
                        Verdict.UNKNOWN,
                        NEVER_TRIED,
                        () -> "Nobody says whether " + sheds.name() + " pollen serves " + receives.name()
                                + ". Allowed, after its own kind; results will show." + hybrids));
    }

    private static Verdict verdict(double compatibilityFactor) {
        return compatibilityFactor == 0 ? Verdict.NO : compatibilityFactor < 1 ? Verdict.PARTLY : Verdict.YES;
    }

    /** Of two varieties of which nothing is known but their crops, and whether they are one. */
    public static CrossCompatibility ofCrops(CropSheet seedParent, CropSheet pollenParent, boolean sameVariety) {
        return of(
                MatingPartner.unknown("the seed parent", seedParent),
                MatingPartner.unknown(sameVariety ? "the seed parent" : "the pollen parent", pollenParent));
    }

    /** Not to be made, for a reason beyond kinship. */
    public static CrossCompatibility refused(String why) {
        return no(() -> why);
    }

    private static CrossCompatibility no(Supplier<String> why) {
        return new CrossCompatibility(Verdict.NO, 0, why);
    }

    private static CrossCompatibility ownClone(MatingPartner seedParent, MatingPartner pollenParent) {
        double compatibilityFactor = seedParent
                .ownPollen()
                .orElse(seedParent.sheet().ownVariety().compatibilityFactor().value());
        boolean oneName = seedParent.name().equals(pollenParent.name());
        return new CrossCompatibility(
                verdict(compatibilityFactor),
                compatibilityFactor,
                () -> (oneName ? "" : seedParent.name() + " and " + pollenParent.name() + " are one clone. ")
                        + (seedParent.ownPollen().isPresent()
                                ? String.format(
                                        Locale.ROOT,
                                        "Its own pollen serves it at %.0f %%, as set for the variety.",
                                        100 * compatibilityFactor)
                                : seedParent.sheet().ownVariety().why()));
    }

    private static CrossCompatibility byAlleles(MatingPartner seedParent, MatingPartner pollenParent) {
        SGenotype style = seedParent.alleles().all().orElseThrow();
        SGenotype pollen = pollenParent.alleles().all().orElseThrow();
        return switch (SelfIncompatibility.verdict(style, pollen)) {
            case COMPATIBLE ->
                new CrossCompatibility(
                        Verdict.YES,
                        1,
                        () -> seedParent.genotype().equals(pollenParent.genotype())
                                ? "Its own pollen grows in it: " + style.say() + " rejects none of its grains."
                                : "No S allele is rejected: " + style.say() + " accepts " + pollen.say() + ".");
            case SEMI_COMPATIBLE ->
                new CrossCompatibility(
                        Verdict.PARTLY,
                        HALF_REJECTED,
                        () -> "One S allele is shared (" + shared(style, pollen) + "): " + style.say()
                                + " rejects half the grains of " + pollen.say() + ".");
            case INCOMPATIBLE ->
                no(() -> "Both S alleles are shared: " + style.say() + " rejects every grain of " + pollen.say() + ".");
            case POOR_POLLEN_DONOR ->
                new CrossCompatibility(
                        Verdict.PARTLY,
                        POOR_DONOR,
                        () -> pollenParent.name() + " is a triploid: few of its grains live.");
        };
    }

    private static String shared(SGenotype style, SGenotype pollen) {
        Set<String> own = style.alleles().stream().map(SAllele::name).collect(Collectors.toSet());
        String names = pollen.alleles().stream()
                .map(SAllele::name)
                .filter(own::contains)
                .distinct()
                .collect(Collectors.joining(", "));
        return names.isEmpty() ? "in effect" : names;
    }

    /** Where one of two alleles is known, everything the other can be is tried: what all of it agrees on is said. */
    private static CrossCompatibility allelesUnknown(MatingPartner seedParent, MatingPartner pollenParent) {
        Set<SelfIncompatibility.Verdict> possible = possible(seedParent.alleles(), pollenParent.alleles());
        String who = Stream.of(seedParent, pollenParent)
                .filter(p -> p.alleles().all().isEmpty())
                .map(p -> p.alleles().none()
                        ? p.name()
                        : p.name() + " (" + p.alleles().say() + ")")
                .collect(Collectors.joining(" and "));
        boolean halfAtBest = !possible.isEmpty() && !possible.contains(SelfIncompatibility.Verdict.COMPATIBLE);
        if (possible.equals(Set.of(SelfIncompatibility.Verdict.INCOMPATIBLE))) {
            return no(() -> "Whatever the other S allele of " + who + " is, every grain is rejected.");
        }
        return new CrossCompatibility(
                Verdict.UNKNOWN,
                halfAtBest ? HALF_REJECTED : 1,
                () -> "The S alleles of " + who + (possible.isEmpty() ? " are not known. " : " are not all known. ")
                        + (halfAtBest ? "An allele is shared: half the grains grow at best. " : "")
                        + "Allowed; results will show.");
    }

    private static Set<SelfIncompatibility.Verdict> possible(KnownAlleles style, KnownAlleles pollen) {
        return style.canBe(Stream.concat(pollen.alleles(), ANY_OTHER.stream().limit(1))).stream()
                .flatMap(m -> pollen.canBe(Stream.concat(m.alleles().stream(), ANY_OTHER.stream())).stream()
                        .map(f -> SelfIncompatibility.verdict(m, f)))
                .collect(Collectors.toSet());
    }

    /** What a blend is worth: the sum of its parts, each for itself. */
    public static CrossCompatibility ofBlend(List<Part> parts) {
        if (parts.size() == 1) {
            return parts.get(0).cross();
        }
        double compatibilityFactor = parts.stream()
                .mapToDouble(p -> p.share() * p.cross().compatibilityFactor())
                .sum();
        Set<Verdict> verdicts = parts.stream().map(p -> p.cross().verdict()).collect(Collectors.toSet());
        Verdict verdict = verdicts.size() == 1
                ? verdicts.iterator().next()
                : verdicts.equals(Set.of(Verdict.YES, Verdict.UNKNOWN)) ? Verdict.UNKNOWN : Verdict.PARTLY;
        return new CrossCompatibility(
                verdict,
                compatibilityFactor,
                () -> parts.stream()
                        .map(p -> String.format(
                                Locale.ROOT,
                                "%s (%.0f %%): %s",
                                p.father(),
                                100 * p.share(),
                                p.cross().why()))
                        .collect(Collectors.joining(" ")));
    }

    /** With what results taught: they decide where alleles are unknown, and are told beside what is known. */
    public CrossCompatibility with(CrossEvidence evidence) {
        CrossEvidence.Lesson lesson = evidence.lesson();
        if (lesson == CrossEvidence.Lesson.TOO_LITTLE) {
            return this;
        }
        boolean fits = lesson == CrossEvidence.Lesson.FITS;
        String seen = evidence.taken() + " of " + Plural.of(evidence.flowers(), "flower") + " set";
        if (verdict == Verdict.UNKNOWN) {
            return new CrossCompatibility(
                    fits ? Verdict.YES : Verdict.NO,
                    fits ? 1 : 0,
                    () -> "Learned from results: " + seen + (fits ? ", so they fit." : ", so they do not fit."));
        }
        boolean against = fits == (verdict == Verdict.NO);
        return against
                ? new CrossCompatibility(
                        verdict,
                        compatibilityFactor,
                        () -> why() + " Results speak against it: " + seen + ". Look again.")
                : this;
    }

    /** Worth so much less as its flowers took less often here than the seed parent's others; the verdict stays. */
    public CrossCompatibility weighed(CrossEvidence evidence) {
        ShrunkenRatio factor = evidence.factor();
        return factor.atMostOne() == 1 || compatibilityFactor == 0
                ? this
                : new CrossCompatibility(
                        verdict,
                        compatibilityFactor * factor.atMostOne(),
                        () -> why()
                                + String.format(
                                        Locale.ROOT,
                                        " Here %d of %d of its flowers set, less than with others: counted at %.0f %%.",
                                        evidence.taken(),
                                        evidence.flowers(),
                                        100 * factor.atMostOne()));
    }

    public Verdict verdict() {
        return verdict;
    }

    /** What a dose is worth against pollen that serves fully, 0 (does not serve) to 1. */
    public double compatibilityFactor() {
        return compatibilityFactor;
    }

    /** The reason, one or two sentences. */
    public String why() {
        return why.get();
    }

    /** Whether the pair itself explains that flowers failed: it serves not at all, or less than half as well as pollen that fits. */
    public boolean misfit() {
        return compatibilityFactor < MISFIT;
    }

    public boolean serves() {
        return compatibilityFactor > 0;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof CrossCompatibility c
                && verdict == c.verdict
                && compatibilityFactor == c.compatibilityFactor
                && why().equals(c.why());
    }

    @Override
    public int hashCode() {
        return Objects.hash(verdict, compatibilityFactor);
    }
}
