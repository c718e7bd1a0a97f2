package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.planning.AllocationProgram.Arc;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class PossibleUsesTest {
    /** Packed or not: the same uses, up to the ends of what a request may hold. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#fewSeeds")
    void uses_come_back_as_they_went_in(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        PossibleUses packed = new PossibleUses();
        List<Arc> plain = new ArrayList<>();
        for (int i = 0; i < 5_000; i++) {
            Arc use = new Arc(
                    random.nextInt(1 << 20),
                    random.nextInt(Integer.MAX_VALUE),
                    random.nextInt(60),
                    1 + random.nextLong(1_000_000_000_000L));
            packed.add(use);
            plain.add(use);
        }
        assertThat(packed).isEqualTo(plain);
    }

    @Test
    void what_does_not_fit_is_refused() {
        PossibleUses uses = new PossibleUses();
        assertThatThrownBy(() -> uses.add(new Arc(1 << 20, 0, 0, 1))).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> uses.add(new Arc(0, 0, 64, 1))).isInstanceOf(IllegalArgumentException.class);
        assertThat(uses).isEmpty();
    }
}
