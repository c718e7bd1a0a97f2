package org.evenhand.core.findings;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evenhand.core.Units;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.mating.CrossEvidence;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.MeanInterval;
import org.evenhand.core.statistics.Proportion;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FailureDiagnosisTest {
    /** Everything as it should be, but that hardly anything took. */
    private static final class Case {
        Proportion here = new Proportion(3, 30);
        int undecided;
        Proportion sameJar;
        Proportion sameEvening;
        Proportion sameTree;
        double alive = 0.95;
        boolean spoiled;
        double poorStage;
        double celsius = 21;
        double kPa = 0.8;
        String misfit = "";
        double light;
        double misshapen;
        int set;
        double lateLosses;
        boolean young;

        FailureDiagnosis weigh() {
            return FailureDiagnosis.of(
                    new FailureDiagnosis.Evidence(
                            Optional.ofNullable(here),
                            undecided,
                            Optional.of(new Proportion(150, 250)),
                            Optional.ofNullable(sameJar),
                            Optional.ofNullable(sameEvening),
                            Optional.ofNullable(sameTree),
                            OptionalDouble.of(alive),
                            spoiled,
                            OptionalDouble.of(poorStage),
                            OptionalDouble.of(celsius),
                            OptionalDouble.of(kPa),
                            OptionalDouble.of(1.2),
                            misfit,
                            OptionalDouble.of(light),
                            OptionalDouble.of(misshapen),
                            set,
                            Optional.of(20),
                            OptionalDouble.of(lateLosses),
                            young),
                    Units.METRIC);
        }
    }

    @Test
    void where_nothing_stands_out_it_says_so_and_what_was_looked_at() {
        FailureDiagnosis none = new Case().weigh();
        assertThat(none.causes()).isEmpty();
        assertThat(none.ruledOut()).hasSize(5);
        assertThat(none.test()).contains("trial in random order");
    }

    /** One thing wrong at a time comes first. */
    @ParameterizedTest
    @CsvSource({
        "POLLEN_TOO_OLD",
        "POLLEN_SPOILED",
        "WRONG_STAGE",
        "HOT_OR_DRY",
        "TOO_COLD",
        "PAIR_DOES_NOT_FIT",
        "COVERED_IN_PART",
        "OVERLOADED",
        "NATURAL_SHEDDING",
        "THE_JAR",
        "THE_EVENING",
        "THE_TREE",
        "NOT_LOOKED_ENOUGH"
    })
    void what_is_wrong_comes_first_with_its_evidence(FailureDiagnosis.Kind kind) {
        Case c = new Case();
        Proportion asPoor = new Proportion(2, 25);
        switch (kind) {
            case POLLEN_TOO_OLD -> c.alive = 0.2;
            case POLLEN_SPOILED -> c.spoiled = true;
            case WRONG_STAGE -> c.poorStage = 0.6;
            case HOT_OR_DRY -> c.kPa = 2.2;
            case TOO_COLD -> c.celsius = 11;
            case PAIR_DOES_NOT_FIT -> c.misfit = "Both are one clone.";
            case COVERED_IN_PART -> c.misshapen = 0.5;
            case OVERLOADED -> c.set = 35;
            case NATURAL_SHEDDING -> c.lateLosses = 0.7;
            case THE_JAR -> c.sameJar = asPoor;
            case THE_EVENING -> c.sameEvening = asPoor;
            case THE_TREE -> c.sameTree = asPoor;
            case NOT_LOOKED_ENOUGH -> c.undecided = 40;
        }
        FailureDiagnosis causes = c.weigh();
        assertThat(causes.causes()).hasSize(1);
        assertThat(causes.causes().get(0).kind()).isEqualTo(kind);
        assertThat(causes.causes().get(0).evidence())
                .allSatisfy(e -> assertThat(e).endsWith("."));
        assertThat(causes.test()).isNotEmpty();
    }

    @Test
    void the_test_tells_the_first_two_apart_and_a_jar_that_did_well_elsewhere_is_cleared() {
        Case c = new Case();
        c.alive = 0.2;
        c.misshapen = 0.4;
        c.sameJar = new Proportion(20, 30);
        FailureDiagnosis causes = c.weigh();
        assertThat(causes.causes())
                .extracting(FailureDiagnosis.Cause::kind)
                .startsWith(FailureDiagnosis.Kind.POLLEN_TOO_OLD);
        assertThat(causes.test()).startsWith("Germinate a pinch").contains("cover six stigmas");
        assertThat(causes.ruledOut()).anyMatch(s -> s.contains("20 of 30 set: it is not the jar alone"));
    }

    @Test
    void a_way_that_does_worse_counts_less_the_more_flowers_say_so() {
        assertThat(ShrunkenRatio.of(0, 0, 30, 60)).isEqualTo(ShrunkenRatio.NONE);
        assertThat(ShrunkenRatio.of(0, 5, 30, 60).value())
                .as("20 · ½ of 25, over ½")
                .isCloseTo(0.8, within(1e-12));
        assertThat(ShrunkenRatio.of(0, 180, 100, 280).value()).isCloseTo(0.1, within(1e-12));
        assertThat(ShrunkenRatio.of(9, 10, 30, 60).value()).isGreaterThan(1);
        assertThat(new CrossEvidence(40, 4, 40, 30).factor().atMostOne()).isBetween(0.3, 0.5);
        assertThat(new CrossEvidence(40, 4, 0, 0).factor())
                .as("nothing to hold it against")
                .isEqualTo(ShrunkenRatio.NONE);
        SetBelief plain = SetBelief.of(Optional.empty(), new SetBelief.Seen(30, 30), SetBelief.Seen.NOTHING);
        SetBelief worse = plain.with(ShrunkenRatio.of(0, 5, 30, 60));
        assertThat(worse.share().mean()).isCloseTo(plain.share().mean() * 0.8, within(1e-9));
        assertThat(worse.share().a() + worse.share().b())
                .as("as sure as before")
                .isCloseTo(62, within(1e-9));
    }

    @Test
    void losses_count_as_shed_from_some_days_after_the_first_look_on() {
        List<KaplanMeier.At> course =
                List.of(new KaplanMeier.At(7, 5, 0), new KaplanMeier.At(10, 1, 2), new KaplanMeier.At(11, 2, 9));
        assertThat(FailureDiagnosis.lateLosses(course, 7)).hasValue(0.25);
        assertThat(FailureDiagnosis.lateLosses(List.of(new KaplanMeier.At(7, 0, 4)), 7))
                .isEmpty();
        assertThat(FailureDiagnosis.poorStage(0.9, 1)).isFalse();
        assertThat(FailureDiagnosis.poorStage(0.89, 1)).isTrue();
        assertThat(FailureDiagnosis.poorStage(0.5, 0.5)).as("nobody is sure").isFalse();
    }

    @Test
    void of_many_classes_the_one_that_differs_for_sure_is_told_and_few_flowers_are_called_few() {
        FactorContrast contrast = FactorContrast.of(List.of(
                        new FactorContrast.Class("fresh", new Proportion(60, 100)),
                        new FactorContrast.Class("a day", new Proportion(20, 40)),
                        new FactorContrast.Class("old", new Proportion(3, 25)),
                        new FactorContrast.Class("odd", new Proportion(0, 4))))
                .orElseThrow();
        assertThat(contrast.usual().level()).isEqualTo("fresh");
        assertThat(contrast.other().level()).isEqualTo("old");
        assertThat(contrast.sure()).isTrue();
        assertThat(contrast.sureAmong(50)).isTrue();
        assertThat(contrast.few()).isFalse();
        assertThat(FactorContrast.of(List.of(new FactorContrast.Class("one", new Proportion(9, 9)))))
                .isEmpty();
        FactorContrast small = FactorContrast.of(List.of(
                        new FactorContrast.Class("a", new Proportion(6, 6)),
                        new FactorContrast.Class("b", new Proportion(5, 5))))
                .orElseThrow();
        assertThat(small.sure()).isFalse();
        assertThat(small.few()).isTrue();
    }

    /** Student 1908, Biometrika 6:1-25, his sleep data by a second drug less the first: mean 1.58, n 10; 95 %: 0.70 to 2.46 by R's t.test. */
    @Test
    void the_interval_of_a_mean_is_students() {
        double[] hours = {1.2, 2.4, 1.3, 1.3, 0.0, 1.0, 1.8, 0.8, 4.6, 1.4};
        double mean = java.util.Arrays.stream(hours).average().orElseThrow();
        double squares =
                java.util.Arrays.stream(hours).map(h -> (h - mean) * (h - mean)).sum();
        Proportion.Interval interval =
                new MeanInterval(10, mean, squares).interval(0.95).orElseThrow();
        assertThat(mean).isCloseTo(1.58, within(1e-9));
        assertThat(interval.lower()).isCloseTo(0.7001142, within(1e-6));
        assertThat(interval.upper()).isCloseTo(2.4598858, within(1e-6));
        assertThat(new MeanInterval(1, 3, 0).interval(0.95)).isEmpty();
    }
}
