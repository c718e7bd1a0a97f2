package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.mating.SelfIncompatibility.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class SelfIncompatibilityTest {
    private static SelfIncompatibility cross(String seedParent, String pollenParent) {
        return SelfIncompatibility.of(genotype(seedParent), genotype(pollenParent));
    }

    private static SGenotype genotype(String alleles) {
        return SGenotype.parse(alleles, alleles.split(" ").length);
    }

    @ParameterizedTest(name = "{0} × {1}: {2}")
    @CsvSource({
        "S1 S2, S3 S4, COMPATIBLE",
        "S1 S2, S2 S3, SEMI_COMPATIBLE",
        "S1 S2, S1 S2, INCOMPATIBLE",
        "S3 S4', S3 S4', SEMI_COMPATIBLE",
        "S3 S4', S3 S4, INCOMPATIBLE",
        "S3 S4, S1 S4', COMPATIBLE",
        "S2 S4sm, S2 S4, SEMI_COMPATIBLE",
        "S2 S4, S2 S4sm, INCOMPATIBLE",
        "S1 Sf, S1 Sf, SEMI_COMPATIBLE",
        "S1 S2 S3, S1 S9, SEMI_COMPATIBLE",
        "S1 S2, S1 S2 S3, POOR_POLLEN_DONOR",
        "S4' S4', S3 S4, SEMI_COMPATIBLE",
        "S3 S4, S4' S4', COMPATIBLE",
        "S4 S6, S40 S60, COMPATIBLE",
    })
    void the_grains_own_allele_decides(String seedParent, String pollenParent, Verdict verdict) {
        assertThat(cross(seedParent, pollenParent).verdict()).isEqualTo(verdict);
    }

    @Test
    void reciprocal_crosses_are_distinct() {
        assertThat(cross("S3 S4", "S3 S4'").verdict()).isEqualTo(Verdict.SEMI_COMPATIBLE);
        assertThat(cross("S3 S4'", "S3 S4").verdict()).isEqualTo(Verdict.INCOMPATIBLE);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3})
    void shares_of_the_seedlings_are_those_of_grains_thrown_one_by_one(int seed) {
        Random random = new Random(seed);
        String mother = "S" + (1 + random.nextInt(3)) + " S" + (4 + random.nextInt(3));
        String father = "S" + (1 + random.nextInt(3)) + " S" + (7 + random.nextInt(3));
        SelfIncompatibility cross = cross(mother, father);
        SGenotype m = genotype(mother);
        SGenotype f = genotype(father);
        java.util.Map<String, Integer> seedlings = new java.util.HashMap<>();
        int grown = 0;
        for (int t = 0; t < 60_000; t++) {
            SAllele egg = m.alleles().get(random.nextInt(2));
            SAllele grain = f.alleles().get(random.nextInt(2));
            if (m.alleles().stream().noneMatch(style -> style.name().equals(grain.name()))) {
                seedlings.merge(
                        egg.compareTo(grain) <= 0 ? egg.name() + "/" + grain.name() : grain.name() + "/" + egg.name(),
                        1,
                        Integer::sum);
                grown++;
            }
        }
        int all = grown;
        assertThat(cross.pollenFraction().orElseThrow()).isCloseTo(grown / 60_000.0, within(0.01));
        assertThat(cross.progeny().keySet()).as("seed %d", seed).isEqualTo(seedlings.keySet());
        seedlings.forEach((s, n) -> assertThat(cross.progeny().get(s))
                .as("seed %d, %s", seed, s)
                .isCloseTo((double) n / all, within(0.02)));
    }

    @Test
    void seedlings_genotypes_are_written_in_order_of_their_numbers() {
        assertThat(cross("S10 S2", "S9 S28").progeny()).containsOnlyKeys("S9/S10", "S10/S28", "S2/S9", "S2/S28");
    }

    @Test
    void alleles_that_do_not_fit_the_ploidy_are_refused_with_both_numbers() {
        assertThatThrownBy(() -> SGenotype.parse("S1 S2 S3", 2))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("are 3 (S1 S2 S3), but a variety with 2 sets of chromosomes has 2");
        assertThatThrownBy(() -> SGenotype.parse("S1", 1)).hasMessageContaining("are 1 (S1)");
        assertThatThrownBy(() -> SGenotype.parse("S1 X2", 2)).hasMessageContaining("'X2'");
        assertThat(SGenotype.parse(" S1,S2/S3 ", 3).triploid()).isTrue();
        assertThat(SGenotype.parse("s7 s9", 2)).as("small letters").isEqualTo(SGenotype.parse("S7 S9", 2));
    }
}
