package org.evenhand.bench;

import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.mating.Pedigree;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Who fits whom among 700 varieties, and the kinship of everybody in a pedigree; one thread each. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class MatesBenchmark {
    private List<MatingPartner> partners;
    private Pedigree many;
    private Pedigree few;
    private List<Pedigree.Member> fewMembers;

    @Setup
    public void prepare() {
        partners = ManyVarieties.partners();
        many = Pedigree.of(ManyVarieties.members(ManyVarieties.GENOTYPES), Map.of());
        fewMembers = ManyVarieties.members(ManyVarieties.FEW_GENOTYPES);
        few = Pedigree.of(fewMembers, Map.of());
    }

    /** Verdict and worth of every pair. */
    @Benchmark
    public double matrix() {
        double sum = 0;
        for (MatingPartner mother : partners) {
            for (MatingPartner father : partners) {
                sum += CrossCompatibility.of(mother, father).compatibilityFactor();
            }
        }
        return sum;
    }

    /** The reason of every pair in words as well. */
    @Benchmark
    public long matrixInWords() {
        long letters = 0;
        for (MatingPartner mother : partners) {
            for (MatingPartner father : partners) {
                letters += CrossCompatibility.of(mother, father).why().length();
            }
        }
        return letters;
    }

    @Benchmark
    public Kinship kinshipOfFiveThousand() {
        return Kinship.of(many);
    }

    @Benchmark
    public Kinship kinshipOfFew() {
        return Kinship.of(few);
    }

    /** Every pair of the few by recursion. */
    @Benchmark
    public double recursionOfFew() {
        RecursiveKinship recursion = new RecursiveKinship(fewMembers);
        double sum = 0;
        for (Pedigree.Member a : fewMembers) {
            for (Pedigree.Member b : fewMembers) {
                sum += recursion.between(a.id(), b.id());
            }
        }
        return sum;
    }
}
