package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CertainAllelesTest {
    /** By hand: eggs of the seed parent with the grains that its style lets through. */
    @ParameterizedTest
    @CsvSource({
        "S1 S2, S1 S3, S3 ?", // only S3 grains grow: S1 S3 or S2 S3
        "S1 S2, S3 S4, ''", // four genotypes, nothing in common
        "S1 S2, S3 S3, S3 ?",
        "S1 S1, S2 S2, S1 S2", // one genotype only
        "S1 S2, S1 S2, ''", // no seedling at all
        "S1 S1, S1 S2, S1 S2",
    })
    void what_all_genotypes_share_is_certain(String mother, String father, String certain) {
        SelfIncompatibility cross = SelfIncompatibility.of(SGenotype.parse(mother, 2), SGenotype.parse(father, 2));
        assertThat(CertainAlleles.of(cross.progeny()).say()).isEqualTo(certain);
    }
}
