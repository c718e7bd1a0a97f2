package org.evenhand.bench;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.KnownAlleles;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.mating.Pedigree;

/** Invented apples: varieties with S alleles, and a pedigree of trees and seedlings. */
final class ManyVarieties {
    static final int VARIETIES = 700;
    static final int GENOTYPES = 5_000;
    /** Of so many a slower way to the kinships is still bearable. */
    static final int FEW_GENOTYPES = 600;

    private static final int ALLELES = 15;
    private static final int FOUNDERS = 60;

    private ManyVarieties() {}

    /** One in eight a triploid, one in five with alleles unknown. */
    static List<MatingPartner> partners() {
        CropSheet apple = CropSheets.shipped().find("apple").orElseThrow();
        SplittableRandom random = new SplittableRandom(700);
        List<MatingPartner> partners = new ArrayList<>();
        for (int i = 0; i < VARIETIES; i++) {
            int ploidy = random.nextInt(8) == 0 ? 3 : 2;
            KnownAlleles alleles =
                    random.nextInt(5) == 0 ? KnownAlleles.NONE : KnownAlleles.parse(alleles(random, ploidy), ploidy);
            partners.add(new MatingPartner("V" + i, apple, "V" + i, ploidy, alleles));
        }
        return partners;
    }

    /** As many different alleles as there are sets of chromosomes, as they are written. */
    static String alleles(SplittableRandom random, int ploidy) {
        return random.ints(1, ALLELES + 1)
                .distinct()
                .limit(ploidy)
                .mapToObj(n -> "S" + n)
                .reduce((a, b) -> a + " " + b)
                .orElseThrow();
    }

    /** Founders, then each one a child of two of the last three hundred: some ten to twenty generations. */
    static List<Pedigree.Member> members(int genotypes) {
        SplittableRandom random = new SplittableRandom(5_000);
        List<Pedigree.Member> members = new ArrayList<>();
        for (int i = 0; i < genotypes; i++) {
            boolean founder = i < FOUNDERS;
            members.add(Pedigree.Member.of(
                    "G" + i, founder ? null : earlier(random, i), founder ? null : earlier(random, i)));
        }
        return members;
    }

    private static String earlier(SplittableRandom random, int i) {
        return "G" + (i - 1 - random.nextInt(Math.min(i, 300)));
    }
}
