package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.forecast.FlowerCount;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class ReadingWorthTest {
    /** Oracle: thrown numbers of flowers, and what of them goes beyond what was foreseen, before and after a reading. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void it_saves_the_flowers_that_nobody_had_counted_on(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        double mean = 5 + 60 * random.nextDouble();
        double sd = mean * (0.4 + random.nextDouble());
        double off = 1.2815515655446004 * sd;
        FlowerCount foreseen = new FlowerCount(mean, (int) Math.round(mean - off), (int) Math.round(mean + off));

        double afterReading = Math.sqrt(0.25 * mean + 0.01 * mean * mean);
        int throwings = 40_000;
        double missedBefore = 0;
        double missedAfter = 0;
        for (int i = 0; i < throwings; i++) {
            double z = random.nextGaussian();
            missedBefore += Math.max(0, sd * z);
            missedAfter += Math.max(0, afterReading * z);
        }

        ReadingWorth worth = ReadingWorth.of(foreseen, 0.5);
        assertThat(worth.flowers()).isCloseTo((missedBefore - missedAfter) / throwings, within(0.02 * sd + 0.3));
        assertThat(worth.fruits()).isCloseTo(worth.flowers() / 2, within(1e-12));
    }

    @Test
    void a_tree_that_was_just_read_need_not_be_read_again() {
        assertThat(ReadingWorth.of(new FlowerCount(40, 34, 46), 1).flowers()).isLessThan(0.1);
        assertThat(ReadingWorth.of(new FlowerCount(0, 0, 0), 1).flowers()).isZero();
        assertThatThrownBy(() -> ReadingWorth.of(new FlowerCount(4, 1, 7), -1))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("fruitsPerFlower");
    }
}
