package org.evenhand.core.mating;

import java.util.Optional;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;

/**
 * A variety as a parent.
 *
 * @param name name as a grower says it
 * @param sheet its crop sheet
 * @param genotype name of the clone; sports and grafted copies share it
 * @param ploidy sets of chromosomes
 * @param alleles what is known of its S alleles
 * @param ownPollen how well its own pollen serves it, 0 to 1, where that is known of the variety itself
 */
public record MatingPartner(
        String name, CropSheet sheet, String genotype, int ploidy, KnownAlleles alleles, Optional<Double> ownPollen) {
    public MatingPartner {
        ownPollen.ifPresent(w -> Require.within("ownPollen", w, 0, 1));
    }

    /** A variety whose own pollen serves it as the crop sheet says. */
    public MatingPartner(String name, CropSheet sheet, String genotype, int ploidy, KnownAlleles alleles) {
        this(name, sheet, genotype, ploidy, alleles, Optional.empty());
    }

    /** A variety of which nothing is known but its crop. */
    public static MatingPartner unknown(String name, CropSheet sheet) {
        return new MatingPartner(
                name, sheet, name, (int) sheet.mating().ploidy().value(), KnownAlleles.NONE);
    }
}
