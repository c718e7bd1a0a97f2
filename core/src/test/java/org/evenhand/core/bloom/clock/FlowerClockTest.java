package org.evenhand.core.bloom.clock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.evenhand.core.Cases.between;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.apache.commons.statistics.distribution.GammaDistribution;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.weather.HourlyTemperatures;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowerClockTest {
    private static final String SEEDS = "org.evenhand.core.Cases#seeds";

    /** A random crop under random weather. */
    private record Case(FlowerClock clock, BloomConditions conditions, double[] temperatures, List<GateHours> gates) {
        static Case of(long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            double base = between(random, 0, 12);
            DevelopmentRate rate =
                    new DevelopmentRate(base, base + between(random, 5, 15), base + between(random, 15, 30));
            List<TimedStage> stages = new ArrayList<>();
            List<GateHours> gates = new ArrayList<>();
            for (int s = 0; s < 2 + random.nextInt(4); s++) {
                boolean gated = random.nextInt(3) == 0;
                stages.add(new TimedStage(
                        between(random, 1, 90),
                        1 + random.nextInt(12),
                        gated ? OptionalDouble.of(between(random, 0.3, 2)) : OptionalDouble.empty()));
                gates.add(
                        gated
                                ? GateHours.daily(8, between(random, 0, 24), between(random, 0, 24), 96)
                                : GateHours.never());
            }
            double[] celsius = new double[97];
            for (int h = 0; h < celsius.length; h++) {
                celsius[h] = 12 + 10 * Math.sin(h / 3.8) + between(random, -2, 2);
            }
            return new Case(FlowerClock.of(rate, stages), under(celsius, gates), celsius, gates);
        }

        Case withTemperature(int hour, double celsius) {
            double[] changed = temperatures.clone();
            changed[hour] = celsius;
            return new Case(clock, under(changed, gates), changed, gates);
        }
    }

    @ParameterizedTest
    @MethodSource(SEEDS)
    void flowers_are_neither_lost_nor_made(long seed) {
        Case c = Case.of(seed);

        FlowerState after = c.clock().advance(c.clock().entering(0, 40), c.conditions(), 0, 96);

        assertThat(after.total()).isCloseTo(40, within(1e-6));
        assertThat(java.util.Arrays.stream(after.stageTotals()).min().orElseThrow())
                .isGreaterThan(-1e-9);
    }

    @ParameterizedTest
    @MethodSource(SEEDS)
    void a_warmer_hour_is_never_later(long seed) {
        Case c = Case.of(seed);
        int hour = 1 + new SplittableRandom(seed).nextInt(90);
        Case warmer = c.withTemperature(hour, c.temperatures()[hour] + 6);
        double[] usual = c.clock()
                .advance(c.clock().entering(0, 1), c.conditions(), 0, 96)
                .stageTotals();
        double[] warm = c.clock()
                .advance(c.clock().entering(0, 1), warmer.conditions(), 0, 96)
                .stageTotals();

        double usualBeyond = 1;
        double warmBeyond = 1;
        for (int s = 0; s < usual.length; s++) {
            usualBeyond -= usual[s];
            warmBeyond -= warm[s];
            // The step error of open gates, 0.0005, is all that may be missing.
            assertThat(warmBeyond).as("share beyond stage %d", s).isGreaterThan(usualBeyond - 0.0005);
        }
    }

    @ParameterizedTest
    @MethodSource(SEEDS)
    void splitting_a_step_and_taking_finer_steps_change_nothing(long seed) {
        Case c = Case.of(seed);
        FlowerState start = c.clock().entering(0, 1);
        double[] whole = c.clock().advance(start, c.conditions(), 0, 96).stageTotals();
        FlowerState half = c.clock().advance(start, c.conditions(), 0, 41.37);
        double[] inTwo = c.clock().advance(half, c.conditions(), 41.37, 96).stageTotals();
        FlowerClock fine = c.clock().withLongestStepHours(1.0 / 360);
        double[] finer =
                fine.advance(fine.entering(0, 1), c.conditions(), 0, 96).stageTotals();

        assertThat(inTwo).containsExactly(whole, within(0.0005));
        assertThat(finer).containsExactly(whole, within(0.0005));
    }

    /** Oracle: in a stage of k sub-phases at the reference temperature the time to leave is gamma distributed. */
    @Test
    void without_gates_the_time_in_a_stage_is_gamma_distributed() {
        FlowerClock clock =
                FlowerClock.of(new DevelopmentRate(5, 20, 30), List.of(new TimedStage(24, 6, OptionalDouble.empty())));
        BloomConditions warm = under(constant(20, 73), List.of(GateHours.never()));
        double[] hours = {6, 24, 48, 72};

        List<FlowerState> states = clock.sample(clock.entering(0, 1), warm, 0, hours);

        for (int i = 0; i < hours.length; i++) {
            double gone = GammaDistribution.of(6, 4).cumulativeProbability(hours[i]);
            assertThat(states.get(i).stageTotals()[1]).isCloseTo(gone, within(1e-7));
        }
    }

    @Test
    void below_the_base_temperature_the_clock_stands_still_and_a_shut_gate_holds_all() {
        FlowerClock clock = FlowerClock.of(
                new DevelopmentRate(10, 20, 30),
                List.of(new TimedStage(5, 1, OptionalDouble.of(0.5)), new TimedStage(5, 3, OptionalDouble.empty())));
        List<GateHours> gates = List.of(GateHours.daily(0, 18, 20, 72), GateHours.never());

        FlowerState cold = clock.advance(clock.entering(0, 1), under(constant(9.9, 73), gates), 0, 72);
        FlowerState shut = clock.advance(clock.entering(0, 1), under(constant(20, 73), gates), 0, 17.9);
        FlowerState open = clock.advance(clock.entering(0, 1), under(constant(20, 73), gates), 0, 19);

        assertThat(cold.stageTotals()[0]).isEqualTo(1.0);
        assertThat(shut.stageTotals()[0]).isEqualTo(1.0, within(1e-12));
        assertThat(open.stageTotals()[0]).isCloseTo(0.25, within(0.03));
    }

    @ParameterizedTest
    @MethodSource(SEEDS)
    void many_trees_together_fare_as_each_alone_and_asking_twice_gives_the_same(long seed) {
        Case c = Case.of(seed);
        FlowerBatch batch = FlowerBatch.empty(c.clock(), 3);
        for (int tree = 0; tree < 3; tree++) {
            batch.set(tree, c.clock().entering(Math.min(tree, c.clock().stageCount() - 1), 10 + tree));
        }
        c.clock().run(batch, c.conditions(), 2.5, new double[] {60}, i -> {});

        for (int tree = 0; tree < 3; tree++) {
            FlowerState entering = c.clock().entering(Math.min(tree, c.clock().stageCount() - 1), 10 + tree);
            FlowerState alone = c.clock().advance(entering, c.conditions(), 2.5, 60);
            assertThat(batch.state(tree).stageTotals()).containsExactly(alone.stageTotals(), within(1e-9));
        }
    }

    @Test
    void a_stage_far_faster_than_the_step_is_still_right() {
        FlowerClock clock = FlowerClock.of(
                new DevelopmentRate(10, 20, 40), List.of(new TimedStage(0.1, 64, OptionalDouble.of(0.02))));
        BloomConditions conditions = under(constant(40, 5), List.of(GateHours.of(List.of(new double[] {0, 4}))));

        assertThat(clock.advance(clock.entering(0, 5), conditions, 0, 2).stageTotals()[1])
                .isCloseTo(5, within(1e-6));
    }

    @Test
    void what_makes_no_sense_is_refused_with_the_number() {
        assertThatThrownBy(() -> new DevelopmentRate(10, 9, 20)).hasMessageContaining("is 9.0");
        assertThatThrownBy(() -> new TimedStage(Double.NaN, 3, OptionalDouble.empty()))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("meanHours");
        FlowerClock clock =
                FlowerClock.of(new DevelopmentRate(5, 20, 30), List.of(new TimedStage(24, 6, OptionalDouble.empty())));
        assertThatThrownBy(() -> clock.sample(
                        clock.entering(0, 1), under(constant(20, 5), List.of(GateHours.never())), 0, new double[] {3, 2
                        }))
                .hasMessageContaining("sampleHours[1]");
        assertThatThrownBy(() -> clock.entering(4, 1)).hasMessageContaining("0 to 0");
    }

    static BloomConditions under(double[] celsius, List<GateHours> gates) {
        List<Double> values = Arrays.stream(celsius).boxed().toList();
        return new BloomConditions(HourlyTemperatures.of(Instant.EPOCH, values), gates);
    }

    private static double[] constant(double celsius, int hours) {
        double[] values = new double[hours];
        Arrays.fill(values, celsius);
        return values;
    }
}
