package org.evenhand.bench;

import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;

/** The command {@code even-hand bench board}: how long the bloom board of a large orchard takes over HTTP. */
public final class BoardLoad {
    private static final String[] CROPS = {"cherimoya", "atemoya", "sugar-apple", "feijoa", "apple"};
    private static final String[][] STAGES = {
        {"closed", "parted", "half-open", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"closed", "narrow", "wide-tight", "shedding"},
        {"bud", "pink", "yellow", "dry"},
        {"cluster", "balloon", "open-plump", "open-dust"},
    };
    private static final int FEW = 50;
    private static final int MANY = 500;
    private static final int CALLS = 40;
    private static final String BOARD = "/api/bloom?hours=72";

    private final BenchOrchard orchard;
    private final String[] varieties = new String[20];
    private final String[] treeIds = new String[MANY];
    private int trees;

    private BoardLoad(BenchOrchard orchard) {
        this.orchard = orchard;
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        new BoardLoad(new BenchOrchard(arguments[0])).run();
    }

    private void run() throws IOException, InterruptedException {
        for (int v = 0; v < varieties.length; v++) {
            varieties[v] = orchard.id();
            String crop = CROPS[v % CROPS.length];
            orchard.put("/api/varieties/" + varieties[v], "{\"crop\":\"%s\",\"name\":\"V%d\"}".formatted(crop, v));
        }
        grow(FEW);
        orchard.get(BOARD);
        double few = orchard.medianMillisFor(BOARD, CALLS);
        grow(MANY);
        double cold = orchard.millisFor(BOARD);
        double many = orchard.medianMillisFor(BOARD, CALLS);
        read(trees - 1, Instant.now());
        double afterOne = orchard.millisFor(BOARD);
        int bytes = orchard.get(BOARD).length();
        System.out.printf(
                Locale.ROOT,
                "%nbloom board over HTTP, 72 h, %d trees: %.0f ms at the median of %d calls (%d trees: %.0f ms, %.1f times less);"
                        + " %.0f kB%n",
                MANY,
                many,
                CALLS,
                FEW,
                few,
                many / few,
                bytes / 1000.0);
        System.out.printf(
                Locale.ROOT,
                "the first call, with %d trees new: %.0f ms; after one more reading: %.0f ms%n",
                MANY - FEW,
                cold,
                afterOne);
    }

    private void grow(int wanted) throws IOException, InterruptedException {
        for (; trees < wanted; trees++) {
            treeIds[trees] = orchard.id();
            orchard.put(
                    "/api/trees/" + treeIds[trees],
                    "{\"varietyId\":\"%s\",\"name\":\"T%d\",\"block\":\"B%d\",\"row\":%d,\"position\":%d}"
                            .formatted(varieties[trees % 20], trees, trees / 100, trees / 20, trees % 20));
            read(trees, Instant.now().minus(Duration.ofHours(22)));
            read(trees, Instant.now().minus(Duration.ofMinutes(40)));
        }
    }

    private void read(int tree, Instant at) throws IOException, InterruptedException {
        String[] stages = STAGES[tree % 20 % CROPS.length];
        StringBuilder counts = new StringBuilder();
        for (String stage : stages) {
            counts.append(counts.isEmpty() ? "" : ",")
                    .append("\"%s\":%d".formatted(stage, 3 + orchard.random().nextInt(12)));
        }
        orchard.put(
                "/api/readings/" + orchard.id(),
                "{\"treeId\":\"%s\",\"takenAt\":\"%s\",\"counts\":{%s}}".formatted(treeIds[tree], at, counts));
    }
}
