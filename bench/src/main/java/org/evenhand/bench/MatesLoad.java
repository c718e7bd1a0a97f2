package org.evenhand.bench;

import java.io.IOException;
import java.util.Locale;
import java.util.Map;
import org.evenhand.core.mating.Kinship;
import org.evenhand.core.mating.Pedigree;
import org.openjdk.jmh.runner.RunnerException;

/** The command {@code even-hand bench mates}: the matrix of 700 varieties, in core and over HTTP, and the kinship of 5 000. */
public final class MatesLoad {
    private static final String MATES = "/api/mates";
    private static final int CALLS = 10;

    private MatesLoad() {}

    public static void main(String[] arguments) throws IOException, InterruptedException, RunnerException {
        BenchOrchard orchard = new BenchOrchard(arguments[0]);
        for (int v = 0; v < ManyVarieties.VARIETIES; v++) {
            String alleles = v % 5 == 0 ? "" : ManyVarieties.alleles(orchard.random(), 2);
            orchard.put(
                    "/api/varieties/" + orchard.id(),
                    "{\"crop\":\"apple\",\"name\":\"V%d\",\"breeding\":{\"alleles\":\"%s\",\"smallFlowered\":false}}"
                            .formatted(v, alleles));
        }
        double first = orchard.millisFor(MATES);
        double median = orchard.medianMillisFor(MATES, CALLS);
        int bytes = orchard.get(MATES).length();
        Measured core = Measured.of(MatesBenchmark.class);
        System.out.printf(
                Locale.ROOT,
                "%nmates of %d × %d varieties on one core: %.0f ms; with every reason in words %.0f ms%n",
                ManyVarieties.VARIETIES,
                ManyVarieties.VARIETIES,
                core.millis("matrix"),
                core.millis("matrixInWords"));
        System.out.printf(
                Locale.ROOT,
                "over HTTP: %.0f ms at the median of %d calls, %.0f ms at the first; %.0f kB%n",
                median,
                CALLS,
                first,
                bytes / 1000.0);
        System.out.printf(
                Locale.ROOT,
                "kinship of %d: %.0f ms on one core, holding %.0f MB%n",
                ManyVarieties.GENOTYPES,
                core.millis("kinshipOfFiveThousand"),
                megabytesHeld());
        System.out.printf(
                Locale.ROOT,
                "kinship of %d: %.1f ms, %.0f times less than by recursion over pairs%n",
                ManyVarieties.FEW_GENOTYPES,
                core.millis("kinshipOfFew"),
                core.millis("recursionOfFew") / core.millis("kinshipOfFew"));
    }

    /** What the table of 5 000 adds to the memory in use, MB. */
    private static double megabytesHeld() {
        Pedigree pedigree = Pedigree.of(ManyVarieties.members(ManyVarieties.GENOTYPES), Map.of());
        long before = inUse();
        Kinship kinship = Kinship.of(pedigree);
        long after = inUse();
        // Still needed here, so that it is not collected before it was measured.
        kinship.inbreeding("G0");
        return (after - before) / 1e6;
    }

    private static long inUse() {
        for (int i = 0; i < 3; i++) {
            System.gc();
        }
        return Runtime.getRuntime().totalMemory() - Runtime.getRuntime().freeMemory();
    }
}
