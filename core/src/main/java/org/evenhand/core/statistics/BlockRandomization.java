package org.evenhand.core.statistics;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import org.evenhand.core.Require;

/**
 * Which flower is treated in which arm, drawn by lot: in small blocks, each with every arm equally often, so that evenings and limbs fall
 * on all arms alike.
 */
public final class BlockRandomization {
    private BlockRandomization() {}

    /**
     * The arms in the order of the tags. The same seed always draws the same: {@link Random} and {@link Collections#shuffle} are fixed by
     * their specification.
     *
     * @param arms how many arms there are, 2 to 10
     * @param flowersEach flowers of each arm, 1 to 5000
     * @param seed kept with the plan, so that anybody can draw it again
     * @return for each tag the arm, from 0; whole blocks of twice the arms one after another, a last one of one each where it is odd
     * @throws org.evenhand.core.InvalidInputException if {@code arms} or {@code flowers} is not valid
     */
    public static List<Integer> blocks(int arms, int flowersEach, long seed) {
        Require.within("arms", arms, 2, 10);
        Require.within("flowers", flowersEach, 1, 5000);
        Random random = new Random(seed);
        List<Integer> drawn = new ArrayList<>();
        for (int left = flowersEach; left > 0; left -= 2) {
            List<Integer> block = new ArrayList<>();
            for (int arm = 0; arm < arms; arm++) {
                block.addAll(Collections.nCopies(Math.min(2, left), arm));
            }
            Collections.shuffle(block, random);
            drawn.addAll(block);
        }
        return List.copyOf(drawn);
    }
}
