package org.evenhand.core.mating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CrossCompatibilityTest {
    private static CropSheet sheet(String key) {
        return CropSheets.shipped().find(key).orElseThrow();
    }

    private static MatingPartner of(String crop, String name, String alleles) {
        int ploidy = alleles.isEmpty()
                ? (int) sheet(crop).mating().ploidy().value()
                : Math.max(2, alleles.split(" ").length);
        return new MatingPartner(name, sheet(crop), name, ploidy, KnownAlleles.parse(alleles, ploidy));
    }

    @ParameterizedTest(name = "{0} {1} on {2} {3}: {4}")
    @CsvSource({
        "apple, S1 S2, apple, S3 S4, YES, 1, No S allele is rejected",
        "apple, S1 S2, apple, S2 S4, PARTLY, 0.5, One S allele is shared (S2)",
        "apple, S1 S2, apple, S1 S2, NO, 0, Both S alleles are shared",
        "apple, S1 S2, apple, S3 S4 S5, PARTLY, 0.2, 3 sets of chromosomes",
        "apple, S3 S4 S5, apple, S1 S2, YES, 1, No S allele",
        "apple, '', apple, S1 S2, UNKNOWN, 1, The S alleles of mother are not known",
        "apple, '', apple, '', UNKNOWN, 1, The S alleles of mother and father are not known",
        "apple, S1 S2, cherimoya, '', NO, 0, not known to serve",
        "cherimoya, '', cherimoya, '', YES, 1, Another variety",
        "cherimoya, '', atemoya, '', PARTLY, 0.8, hybrids of the two",
        "ilama, '', sugar-apple, '', YES, 1, it sets",
        "sugar-apple, '', ilama, '', UNKNOWN, 0.5, Nobody says whether Ilama pollen serves Sugar apple",
        "cherimoya, '', sugar-apple, '', UNKNOWN, 0.5, hybrids of the two",
        "kiwifruit-female, '', golden-kiwifruit-male, '', PARTLY, 0.5, chromosome sets differ",
        "golden-kiwifruit-female, '', golden-kiwifruit-male, '', YES, 1, Another variety",
        "apple, S1 S2, apple, S1 ?, UNKNOWN, 0.5, half the grains grow at best",
        "apple, S1 ?, apple, S1 S2, UNKNOWN, 0.5, mother (S1 ?)",
        "apple, S1, apple, S3 S4, UNKNOWN, 1, not all known",
        "apple, S1 ?, apple, '', UNKNOWN, 1, mother (S1 ?) and father",
        "kiwifruit-male, '', kiwifruit-male, '', NO, 0, cannot be pollinated",
        "kiwifruit-female, '', kiwifruit-female, '', NO, 0, sheds no pollen",
    })
    void each_answer_has_its_reason(
            String crop, String alleles, String pollenCrop, String pollen, Verdict verdict, double worth, String why) {
        CrossCompatibility cross = CrossCompatibility.of(of(crop, "mother", alleles), of(pollenCrop, "father", pollen));

        assertThat(cross.verdict()).isEqualTo(verdict);
        assertThat(cross.compatibilityFactor()).isEqualTo(worth);
        assertThat(cross.why()).contains(why);
        assertThat(cross.serves()).isEqualTo(verdict != Verdict.NO);
    }

    /** Oracle: every genotype the unknown allele can make, thrown by hand. */
    @Test
    void one_known_allele_says_what_all_it_can_be_agrees_on() {
        for (String father : List.of("S1 S2", "S1 S3", "S3 S4", "S2 S3")) {
            Set<Verdict> all = Stream.of("S2", "S3", "S4", "S9")
                    .map(other -> CrossCompatibility.of(of("apple", "m", "S1 " + other), of("apple", "f", father)))
                    .map(CrossCompatibility::verdict)
                    .collect(Collectors.toSet());
            CrossCompatibility known = CrossCompatibility.of(of("apple", "m", "S1 ?"), of("apple", "f", father));
            assertThat(known.compatibilityFactor()).as(father).isEqualTo(all.contains(Verdict.YES) ? 1 : 0.5);
            assertThat(known.verdict()).isEqualTo(Verdict.UNKNOWN);
        }
        assertThat(KnownAlleles.parse("s3", 2).say()).isEqualTo("S3 ?");
        assertThat(KnownAlleles.parse("  ", 2).none()).isTrue();
        assertThatThrownBy(() -> KnownAlleles.parse("S1 S2 S3", 2)).hasMessageContaining("are 3");
        assertThatThrownBy(() -> KnownAlleles.parse("S1", 3)).hasMessageContaining("are 1");
    }

    @Test
    void a_sport_is_the_same_clone_whatever_its_name() {
        MatingPartner lantern = of("cherimoya", "Lantern", "");
        MatingPartner sport = new MatingPartner("Late Lantern", lantern.sheet(), "Lantern", 2, KnownAlleles.NONE);

        CrossCompatibility cross = CrossCompatibility.of(lantern, sport);

        assertThat(cross.verdict()).isEqualTo(Verdict.PARTLY);
        assertThat(cross.compatibilityFactor()).isEqualTo(0.8);
        assertThat(cross.why()).startsWith("Lantern and Late Lantern are one clone.");
    }

    @Test
    void a_self_compatible_mutant_serves_itself_where_its_alleles_say_so() {
        MatingPartner mutant = of("sweet-cherry", "Bell", "S3 S4'");
        MatingPartner plain = of("sweet-cherry", "Bowl", "S3 S4");

        assertThat(CrossCompatibility.of(mutant, mutant).verdict()).isEqualTo(Verdict.PARTLY);
        assertThat(CrossCompatibility.of(plain, mutant).verdict()).isEqualTo(Verdict.PARTLY);
        assertThat(CrossCompatibility.of(mutant, plain).verdict())
                .as("reciprocal")
                .isEqualTo(Verdict.NO);
    }

    @Test
    void a_blend_is_worth_what_its_parts_are() {
        MatingPartner mother = of("apple", "mother", "S1 S2");
        CrossCompatibility full = CrossCompatibility.of(mother, of("apple", "a", "S3 S4"));
        CrossCompatibility none = CrossCompatibility.of(mother, of("apple", "b", "S1 S2"));

        CrossCompatibility blend = CrossCompatibility.ofBlend(
                List.of(new CrossCompatibility.Part("a", 0.75, full), new CrossCompatibility.Part("b", 0.25, none)));

        assertThat(blend.compatibilityFactor()).isCloseTo(0.75, within(1e-12));
        assertThat(blend.verdict()).isEqualTo(Verdict.PARTLY);
        assertThat(blend.why()).contains("a (75 %)").contains("b (25 %)");
        assertThat(CrossCompatibility.ofBlend(List.of(new CrossCompatibility.Part("a", 1, full))))
                .isSameAs(full);
    }

    @Test
    void a_triploid_on_itself_is_no_like_any_clone_and_a_varietys_own_number_outdoes_the_sheet() {
        MatingPartner triploid = of("apple", "Harrow", "S1 S2 S3");
        MatingPartner selfing = new MatingPartner(
                "Ember", sheet("apple"), "Ember", 2, KnownAlleles.parse("S1 S2", 2), Optional.of(0.8));

        assertThat(CrossCompatibility.of(triploid, triploid).verdict()).isEqualTo(Verdict.NO);
        assertThat(CrossCompatibility.of(triploid, triploid).misfit()).isTrue();
        CrossCompatibility own = CrossCompatibility.of(selfing, selfing);
        assertThat(own.compatibilityFactor()).isEqualTo(0.8);
        assertThat(own.why()).contains("80 %, as set for the variety");
        assertThat(own.misfit()).as("it serves").isFalse();
    }

    @Test
    void results_decide_only_what_was_unknown_and_speak_up_against_what_was_known() {
        CrossEvidence failed = new CrossEvidence(40, 0, 40, 20);
        CrossEvidence set = new CrossEvidence(20, 11, 40, 20);
        CrossCompatibility unknown = CrossCompatibility.of(of("apple", "m", ""), of("apple", "f", ""));
        CrossCompatibility known = CrossCompatibility.of(of("apple", "m", "S1 S2"), of("apple", "f", "S3 S4"));

        assertThat(unknown.with(failed).verdict()).isEqualTo(Verdict.NO);
        assertThat(unknown.with(set).verdict()).isEqualTo(Verdict.YES);
        assertThat(unknown.with(CrossEvidence.NONE)).isSameAs(unknown);
        assertThat(known.with(failed).verdict()).isEqualTo(Verdict.YES);
        assertThat(known.with(failed).why()).contains("Results speak against it: 0 of 40");
        assertThat(known.with(set)).isSameAs(known);
    }

    /** Oracle: both chances integrated over a fine grid of the share. */
    @Test
    void the_bayes_factor_is_the_ratio_of_the_two_chances() {
        Random random = new Random(5);
        for (int i = 0; i < 20; i++) {
            int flowers = 1 + random.nextInt(30);
            int taken = random.nextInt(flowers + 1);
            int others = random.nextInt(40);
            int othersTaken = others == 0 ? 0 : random.nextInt(others + 1);
            double like = chance(flowers, taken, 1 + othersTaken, 1 + others - othersTaken);
            double stray = chance(flowers, taken, 0.5, 49.5);

            assertThat(new CrossEvidence(flowers, taken, others, othersTaken).logBayesFactor())
                    .as("%d of %d beside %d of %d", taken, flowers, othersTaken, others)
                    .isCloseTo(Math.log(like / stray), within(2e-3));
        }
    }

    /** ∫ s^(x+a−1) (1−s)^(n−x+b−1) ds ÷ ∫ s^(a−1) (1−s)^(b−1) ds, with s = u², which tames the end at 0. */
    private static double chance(int n, int x, double a, double b) {
        double above = 0;
        double below = 0;
        int steps = 200_000;
        for (int i = 0; i < steps; i++) {
            double u = (i + 0.5) / steps;
            double s = u * u;
            double weight = 2 * u * Math.pow(s, a - 1) * Math.pow(1 - s, b - 1);
            below += weight;
            above += weight * Math.pow(s, x) * Math.pow(1 - s, n - x);
        }
        return above / below;
    }

    @Test
    void twenty_failures_teach_where_two_do_not() {
        assertThat(new CrossEvidence(2, 0, 0, 0).lesson()).isEqualTo(CrossEvidence.Lesson.TOO_LITTLE);
        assertThat(new CrossEvidence(30, 0, 0, 0).lesson()).isEqualTo(CrossEvidence.Lesson.DOES_NOT_FIT);
        assertThat(new CrossEvidence(4, 3, 0, 0).lesson()).isEqualTo(CrossEvidence.Lesson.FITS);
    }
}
