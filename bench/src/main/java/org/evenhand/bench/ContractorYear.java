package org.evenhand.bench;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.SplittableRandom;

/**
 * A year of a contractor who pollinates for others: single flowers, each tagged, done with jars of several ages and looked at three
 * times. Writes the two files that the application takes; the same seed writes the same files.
 */
final class ContractorYear {
    static final int VARIETIES = 8;
    static final int TREES = 400;
    private static final int DAYS = 120;
    private static final int JARS_A_DAY = 4;
    private static final String[] STORAGES = {"ROOM", "FRIDGE", "FRIDGE_DESICCANT"};
    private static final String[] LIMBS = {"TRUNK", "STOUT", "TWIG", "BRANCH_END"};

    private final int flowers;
    private final LocalDate first;
    private final SplittableRandom random;

    ContractorYear(int flowers, LocalDate first, long seed) {
        this.flowers = flowers;
        this.first = first;
        this.random = new SplittableRandom(seed);
    }

    /** Writes both files. */
    void write(Path pollinations, Path looks) throws IOException {
        try (BufferedWriter p = Files.newBufferedWriter(pollinations, StandardCharsets.UTF_8);
                BufferedWriter l = Files.newBufferedWriter(looks, StandardCharsets.UTF_8)) {
            p.write("ref,tree,jar,father,collected_at,storage,flowers,done_at,stage,strokes,tool,limb\n");
            l.write("ref,checked_at,taken,failed,unknown\n");
            for (int f = 0; f < flowers; f++) {
                flower(f, p, l);
            }
        }
    }

    private void flower(int f, BufferedWriter p, BufferedWriter l) throws IOException {
        int day = (int) ((long) f * DAYS / flowers);
        LocalDate on = first.plusDays(day);
        LocalDateTime done = on.atTime(15, 0).plusMinutes(random.nextInt(300));
        int age = random.nextInt(Math.min(6, day + 1));
        int jar = random.nextInt(JARS_A_DAY);
        int father = (jar + day - age) % VARIETIES;
        String storage = STORAGES[(jar + father) % STORAGES.length];
        int limb = random.nextInt(LIMBS.length);
        boolean full = random.nextBoolean();
        double chance = 0.75 - 0.09 * age - (limb == 3 ? 0.15 : 0) + (full ? 0.05 : 0);
        boolean set = random.nextDouble() < chance;
        p.write("f" + f + ",T" + random.nextInt(TREES) + ",J" + (day - age) + "-" + jar + ",V" + father + ","
                + on.minusDays(age).atTime(14, 30) + "," + storage + ",1," + done + ","
                + (random.nextInt(3) == 0 ? "parted" : "half-open") + "," + (full ? "FULL" : "LIGHT") + ","
                + (random.nextBoolean() ? "brush" : "feather") + "," + LIMBS[limb] + "\n");
        boolean early = !set && random.nextInt(3) > 0;
        look(l, f, done.plusDays(7), set, early);
        look(l, f, done.plusDays(12), set, !set);
        boolean dropped = set && random.nextInt(8) == 0;
        look(l, f, done.plusDays(40), set && !dropped, !set || dropped);
    }

    private static void look(BufferedWriter l, int f, LocalDateTime at, boolean set, boolean failed)
            throws IOException {
        l.write("f" + f + "," + at + "," + (set ? 1 : 0) + "," + (failed ? 1 : 0) + "," + (set || failed ? 0 : 1)
                + "\n");
    }
}
