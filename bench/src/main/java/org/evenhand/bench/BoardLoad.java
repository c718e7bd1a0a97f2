package org.evenhand.bench;

import java.io.IOException;
import java.time.Instant;
import java.util.Locale;

/** The command {@code even-hand bench board}: how long the bloom board of a large orchard takes over HTTP. */
public final class BoardLoad {
    private static final int FEW = 50;
    private static final int MANY = 500;
    private static final int CALLS = 40;
    private static final String BOARD = "/api/bloom?hours=72";

    private final BenchOrchard orchard;
    private final LargeOrchard trees;

    private BoardLoad(BenchOrchard orchard) throws IOException, InterruptedException {
        this.orchard = orchard;
        this.trees = new LargeOrchard(orchard);
    }

    public static void main(String[] arguments) throws IOException, InterruptedException {
        new BoardLoad(new BenchOrchard(arguments[0])).run();
    }

    private void run() throws IOException, InterruptedException {
        trees.grow(FEW);
        orchard.get(BOARD);
        double few = orchard.medianMillisFor(BOARD, CALLS);
        trees.grow(MANY);
        double cold = orchard.millisFor(BOARD);
        double many = orchard.medianMillisFor(BOARD, CALLS);
        trees.read(MANY - 1, Instant.now());
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
}
