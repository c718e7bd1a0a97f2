package org.evenhand.bench;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.SplittableRandom;
import java.util.UUID;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.Place;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.RoundRequest.Choice;
import org.evenhand.core.planning.RoundRequest.Lot;
import org.evenhand.core.planning.RoundRequest.Mother;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;
import org.evenhand.core.planning.TreeId;
import org.evenhand.core.planning.VarietyId;

/**
 * An invented orchard before twelve visits: 200 trees of ten varieties, flowers opening all the time, 60 lots of which a
 * third is still to be collected, which takes hands too; pollen is scarcer than flowers, and so are hours.
 */
final class ManyRounds {
    static final int TREES = 200;
    static final int LOTS = 60;
    static final int ROUNDS = 12;
    private static final int VARIETIES = 10;
    private static final int MOST_FLOWERS = 110;
    /** Three minutes for a father, at sixty flowers an hour. */
    private static final double CLEANING = 3;

    private static final CropSheet CHERIMOYA =
            CropSheets.shipped().find("cherimoya").orElseThrow();

    private final int trees;
    private final int lots;
    private final int rounds;
    private final SplittableRandom random = new SplittableRandom(2026);
    private final Map<UUID, Integer> varietyOf = new HashMap<>();
    private final CrossCompatibility[][] crosses = new CrossCompatibility[VARIETIES][VARIETIES];

    ManyRounds(int trees, int lots, int rounds) {
        this.trees = trees;
        this.lots = lots;
        this.rounds = rounds;
    }

    static ManyRounds week() {
        return new ManyRounds(TREES, LOTS, ROUNDS);
    }

    /** What a grower of 16 trees has on one evening: eight lots, this visit and the next morning's. */
    static ManyRounds evening() {
        return new ManyRounds(16, 8, 2);
    }

    RoundRequest request() {
        for (int m = 0; m < VARIETIES; m++) {
            for (int f = 0; f < VARIETIES; f++) {
                crosses[m][f] = CrossCompatibility.of(variety(m), variety(f));
            }
        }
        List<Mother> mothers = new ArrayList<>();
        for (int t = 0; t < trees; t++) {
            mothers.add(mother(t));
        }
        List<Lot> lots = new ArrayList<>();
        for (int l = 0; l < this.lots; l++) {
            lots.add(lot(l));
        }
        return new RoundRequest(
                java.util.Collections.nCopies(rounds, MOST_FLOWERS),
                mothers,
                lots,
                (tree, lot) -> crosses[varietyOf.get(tree.value())][varietyOf.get(lot.value())],
                List.of(),
                java.util.Collections.nCopies(rounds, 1.0),
                CLEANING);
    }

    private static MatingPartner variety(int v) {
        return MatingPartner.unknown("V" + v, CHERIMOYA);
    }

    private Mother mother(int t) {
        UUID id = new UUID(1, t);
        varietyOf.put(id, t % VARIETIES);
        List<OpenFlowers> groups = new ArrayList<>();
        for (int opens = 0; opens < rounds; opens++) {
            double fades = 0.3 + 0.5 * random.nextDouble();
            List<Double> receptivity = new ArrayList<>();
            for (int r = 0; r < rounds; r++) {
                receptivity.add(r < opens ? 0 : Math.pow(fades, r - opens) * (0.8 + 0.2 * random.nextDouble()));
            }
            groups.add(OpenFlowers.ofAny("half-open", random.nextInt(opens == 0 ? 12 : 5), 1, receptivity));
        }
        return new Mother(new TreeId(id), new Place("B" + t / 50, t / 10, t % 10), 4 + random.nextInt(12), groups);
    }

    private Lot lot(int l) {
        UUID id = new UUID(2, l);
        varietyOf.put(id, random.nextInt(VARIETIES));
        int first = l % 3 == 0 ? random.nextInt(rounds) : 0;
        double fresh = 0.4 + 0.5 * random.nextDouble();
        double kept = 0.6 + 0.35 * random.nextDouble();
        List<Double> viability = new ArrayList<>();
        for (int r = 0; r < rounds; r++) {
            viability.add(r < first ? 0 : fresh * Math.pow(kept, r - first));
        }
        return new Lot(
                new LotId(id),
                4 + random.nextInt(14),
                viability,
                l,
                Optional.of(new VarietyId(new UUID(3, varietyOf.get(id)))),
                l % 3 == 0
                        ? Optional.of(new RoundRequest.Collecting(first, 3 + random.nextDouble()))
                        : Optional.empty());
    }

    /** The same with one stop of a plan wanted. */
    static RoundRequest wanting(RoundRequest request, RoundPlan.Stop stop) {
        return new RoundRequest(
                request.mostFlowers(),
                request.mothers(),
                request.lots(),
                request.crosses(),
                List.of(new Choice(stop.tree(), stop.lot(), OptionalInt.of(stop.round()), stop.flowers())),
                request.certainty(),
                request.cleaning());
    }
}
