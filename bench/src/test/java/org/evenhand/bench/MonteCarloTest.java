package org.evenhand.bench;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.ZoneId;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.weather.Site;
import org.junit.jupiter.api.Test;

class MonteCarloTest {

    /** What is timed against each other must be the same forecast. 40 000 flowers: standard error at most 0.0025. */
    @Test
    void flowers_thrown_one_by_one_fare_as_the_clock_says() {
        Orchard10k orchard = new Orchard10k();
        Site coast = new Site(-35.3, 173.9, ZoneId.of("Pacific/Auckland"));
        PlainMonteCarlo monteCarlo = new PlainMonteCarlo(orchard, PlainMonteCarlo.windowsOf(orchard, coast));

        for (int entry = 0; entry < 3; entry++) {
            double[][] thrown = monteCarlo.shares(entry, 40_000, new SplittableRandom(5));
            List<FlowerState> states =
                    orchard.clock.sample(orchard.clock.entering(entry, 1), orchard.conditions, 0, orchard.hours);
            for (int i = 0; i < states.size(); i += 12) {
                assertThat(thrown[i])
                        .as("entry %d, sample %d", entry, i)
                        .containsExactly(states.get(i).stageTotals(), within(0.012));
            }
        }
    }

    @Test
    void the_clocks_steps_are_fine_enough() {
        assertThat(ClockAccuracy.worstShareError()).isLessThan(0.0005);
    }
}
