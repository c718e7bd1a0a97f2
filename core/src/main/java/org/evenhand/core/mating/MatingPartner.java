package org.evenhand.core.mating;

import java.util.Optional;
import org.evenhand.core.crop.CropSheet;

/**
 * A variety as a parent.
 *
 * @param name name as a grower says it
 * @param sheet its crop sheet
 * @param genotype name of the clone; sports and grafted copies share it
 * @param ploidy sets of chromosomes
 * @param alleles S alleles, where they are known
 */
public record MatingPartner(String name, CropSheet sheet, String genotype, int ploidy, Optional<SGenotype> alleles) {

    /** A variety of which nothing is known but its crop. */
    public static MatingPartner unknown(String name, CropSheet sheet) {
        return new MatingPartner(
                name, sheet, name, (int) sheet.mating().ploidy().value(), Optional.empty());
    }
}
