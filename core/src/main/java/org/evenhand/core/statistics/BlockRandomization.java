package org.evenhand.core.statistics;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.evenhand.core.Require;

/**
 * Which flower is treated in which way, drawn by lot: in small blocks, each with every way equally often, so that evenings and limbs fall
 * on all ways alike.
 */
public final class BlockRandomization {
    private BlockRandomization() {}

    /**
     * The ways in the order of the tags. The same seed always draws the same: {@link Random} and {@link Collections#shuffle} are fixed by
     * their specification.
     *
     * @param ways how many ways there are, 2 to 10
     * @param flowersEach flowers of each way, 1 to 5000
     * @param seed kept with the plan, so that anybody can draw it again
     * @return for each tag the way, from 0; whole blocks of twice the ways one after another, a last one of one each where it is odd
     * @throws org.evenhand.core.InvalidInputException if {@code ways} or {@code flowers} is not valid
     */
    public static List<Integer> blocks(int ways, int flowersEach, long seed) {
        Require.within("ways", ways, 2, 10);
        Require.within("flowers", flowersEach, 1, 5000);
        Random random = new Random(seed);
        List<Integer> drawn = new ArrayList<>();
        for (int left = flowersEach; left > 0; left -= 2) {
            List<Integer> block = new ArrayList<>();
            for (int way = 0; way < ways; way++) {
                block.addAll(Collections.nCopies(Math.min(2, left), way));
            }
            Collections.shuffle(block, random);
            drawn.addAll(block);
        }
        return List.copyOf(drawn);
    }
}
