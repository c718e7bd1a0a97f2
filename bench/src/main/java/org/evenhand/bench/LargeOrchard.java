package org.evenhand.bench;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/** Trees of five crops and twenty varieties in blocks of a hundred, each read twice. */
final class LargeOrchard {
    private static final String[] CROPS = {"cherimoya", "atemoya", "sugar-apple", "feijoa", "apple"};
    private static final String[][] STAGES = {
        {"closed", "parted", "half-open", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"bud", "pink", "yellow", "dry"},
        {"cluster", "balloon", "open-plump", "open-dust"},
    };
    private static final int VARIETIES = 20;

    private final BenchOrchard orchard;
    private final List<String> varieties = new ArrayList<>();
    private final List<String> trees = new ArrayList<>();

    LargeOrchard(BenchOrchard orchard) throws IOException, InterruptedException {
        this.orchard = orchard;
        for (int v = 0; v < VARIETIES; v++) {
            varieties.add(orchard.id());
            String crop = CROPS[v % CROPS.length];
            orchard.put("/api/varieties/" + varieties.get(v), "{\"crop\":\"%s\",\"name\":\"V%d\"}".formatted(crop, v));
        }
    }

    /** Plants until so many trees stand, and reads the new ones. */
    void grow(int wanted) throws IOException, InterruptedException {
        while (trees.size() < wanted) {
            int n = trees.size();
            trees.add(orchard.id());
            orchard.put(
                    "/api/trees/" + trees.get(n),
                    "{\"varietyId\":\"%s\",\"name\":\"T%d\",\"block\":\"B%d\",\"row\":%d,\"position\":%d}"
                            .formatted(varieties.get(n % VARIETIES), n, n / 100, n / 20, n % 20));
            read(n, Instant.now().minus(Duration.ofHours(22)));
            read(n, Instant.now().minus(Duration.ofMinutes(40)));
        }
    }

    List<String> trees() {
        return trees;
    }

    String crop(int tree) {
        return CROPS[tree % VARIETIES % CROPS.length];
    }

    void read(int tree, Instant at) throws IOException, InterruptedException {
        orchard.put("/api/readings/" + orchard.id(), reading(tree, at, orchard.random()));
    }

    /** The body of a reading of a tree. */
    String reading(int tree, Instant at, SplittableRandom random) {
        StringBuilder counts = new StringBuilder();
        for (String stage : STAGES[tree % VARIETIES % CROPS.length]) {
            counts.append(counts.isEmpty() ? "" : ",").append("\"%s\":%d".formatted(stage, 3 + random.nextInt(12)));
        }
        return "{\"treeId\":\"%s\",\"takenAt\":\"%s\",\"counts\":{%s}}".formatted(trees.get(tree), at, counts);
    }
}
