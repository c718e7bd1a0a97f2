package org.evenhand.core;

import java.util.SplittableRandom;
import java.util.stream.Stream;

/** Seeds for tests over random cases: a failing case names its seed as the test's argument. */
public final class Cases {
    private Cases() {}

    public static Stream<Long> seeds() {
        return Stream.iterate(1L, s -> s + 1).limit(40);
    }

    /** For cases that take seconds each. */
    public static Stream<Long> fewSeeds() {
        return seeds().limit(12);
    }

    public static double between(SplittableRandom random, double low, double high) {
        return low + (high - low) * random.nextDouble();
    }
}
