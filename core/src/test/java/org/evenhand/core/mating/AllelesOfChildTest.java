package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class AllelesOfChildTest {
    private static final CropSheet APPLE = CropSheets.shipped().find("apple").orElseThrow();

    private static MatingPartner of(String name, String alleles) {
        int ploidy = Math.max(2, alleles.isEmpty() ? 2 : alleles.split(" ").length);
        return new MatingPartner(name, APPLE, name, ploidy, KnownAlleles.parse(alleles, ploidy));
    }

    private static Optional<String> doubt(String child, String mother, String father) {
        return AllelesOfChild.doubt(
                of("Child", child),
                Optional.ofNullable(mother).map(m -> of("Mother", m)),
                Optional.ofNullable(father).map(f -> of("Father", f)));
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "S1 S3, S1 S2, S3 S4, false",
                "S3 S1, S1 S2, S3 S4, false",
                "S1 S2, S1 S2, S3 S4, true",
                "S3 S4, S1 S2, S3 S4, true",
                "S1 S5, S1 S2, S3 S4, true",
                // The father's S1 does not grow in a style that has it, so only his S3 reaches an egg.
                "S1 S2, S1 S2, S1 S3, true",
                "S2 S3, S1 S2, S1 S3, false",
                "S1 S9, S1 S2, -, false",
                "S7 S9, S1 S2, -, true",
                "S7 S9, -, S7 S2, false",
                "S7 S9, -, S1 S2, true",
                "S7 S9, -, -, false",
                // Pollen-part mutants grow even in their own style.
                "S4' S4, S4 S6, S4' S3, false",
                "S1 S2 S3, S4 S5, S6 S7, false",
                // Of one allele alone.
                "S3 ?, S1 S2, S3 S4, false",
                "S5 ?, S1 S2, S3 S4, true",
                "S1 ?, S1 S2, S1 S3, false",
                "S5 ?, S1 S2, -, false"
            })
    void a_child_has_one_allele_of_each_parent(String child, String mother, String father, boolean odd) {
        assertThat(doubt(child, mother, father).isPresent()).isEqualTo(odd);
    }

    @Test
    void the_question_names_who_has_which_alleles() {
        assertThat(doubt("S7 S9", "S1 S2", "S3 S4").orElseThrow())
                .isEqualTo("Child (S7 S9) cannot be a seedling of Mother (S1 S2) and pollen of Father (S3 S4)."
                        + " Is an allele or a parent wrong?");
        assertThat(doubt("", "S1 S2", "S3 S4"))
                .as("nothing is known of the child")
                .isEmpty();
    }

    /** Oracle: the progeny that the cross itself foretells is never questioned, and what it does not foretell always is. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void what_a_cross_foretells_and_nothing_else_is_believed(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        String mother = thrown(random);
        String father = thrown(random);
        SelfIncompatibility cross = SelfIncompatibility.of(SGenotype.parse(mother, 2), SGenotype.parse(father, 2));
        for (int one = 1; one <= 5; one++) {
            for (int other = one; other <= 5; other++) {
                String child = "S" + one + "/S" + other;
                assertThat(doubt(child.replace('/', ' '), mother, father).isEmpty())
                        .as("%s from %s × %s", child, mother, father)
                        .isEqualTo(cross.progeny().containsKey(child));
            }
        }
    }

    private static String thrown(SplittableRandom random) {
        int one = 1 + random.nextInt(5);
        int other = 1 + random.nextInt(5);
        return "S" + one + " S" + (other == one ? 1 + one % 5 : other);
    }
}
