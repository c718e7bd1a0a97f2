package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
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

    /** Seedlings drawn one by one: an egg, and a grain that the style lets through. Alleles that every one of many has are the certain ones. */
    @Test
    void it_is_what_every_seedling_that_is_drawn_has() {
        Random random = new Random(9);
        for (int round = 0; round < 400; round++) {
            List<Integer> mother = List.of(1 + random.nextInt(4), 1 + random.nextInt(4));
            List<Integer> father = List.of(1 + random.nextInt(4), 1 + random.nextInt(4));
            Set<List<Integer>> seedlings = new HashSet<>();
            for (int i = 0; i < 200; i++) {
                int egg = mother.get(random.nextInt(2));
                int grain = father.get(random.nextInt(2));
                if (!mother.contains(grain)) {
                    seedlings.add(egg < grain ? List.of(egg, grain) : List.of(grain, egg));
                }
            }
            KnownAlleles certain = CertainAlleles.of(
                    SelfIncompatibility.of(genotype(mother), genotype(father)).progeny());
            List<String> shared = IntStream.rangeClosed(1, 4)
                    .filter(a -> !seedlings.isEmpty() && seedlings.stream().allMatch(s -> s.contains(a)))
                    .mapToObj(a -> "S" + a)
                    .toList();
            assertThat(certain.alleles().map(SAllele::name)).containsExactlyInAnyOrderElementsOf(shared);
        }
    }

    private static SGenotype genotype(List<Integer> alleles) {
        return SGenotype.parse("S" + alleles.get(0) + " S" + alleles.get(1), 2);
    }
}
