package org.evenhand.core.planning;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import java.util.stream.IntStream;

/** When to walk within a stretch of time. The rule is ours. */
public final class BestHours {
    private static final double ENOUGH = 0.5;

    /** Among hours nearly as good as the best the earliest is taken that has pollen too. Our convention. */
    private static final double NEARLY = 0.95;

    private BestHours() {}

    /**
     * The hour at which to walk within a free stretch: of those with nearly as many flowers as the best, one with a flower that gives
     * pollen before one without, then the earliest.
     *
     * @param moments of the forecast, in rising order
     * @param receptive expected flowers that can take pollen at each moment
     * @param shedding expected flowers that give it
     * @return index of the moment; empty where hardly a flower takes pollen in the stretch
     */
    public static OptionalInt within(
            WorkingHours.TimeWindow window, List<Instant> moments, double[] receptive, double[] shedding) {
        List<Integer> inside = IntStream.range(0, moments.size())
                .filter(i -> !moments.get(i).isBefore(window.from())
                        && moments.get(i).isBefore(window.until()))
                .boxed()
                .toList();
        double most = inside.stream().mapToDouble(i -> receptive[i]).max().orElse(0);
        return inside.stream()
                .filter(i -> most >= ENOUGH && receptive[i] >= NEARLY * most)
                .max(Comparator.comparingDouble((Integer i) -> Math.min(shedding[i], 1))
                        .thenComparing(Comparator.reverseOrder()))
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
    }
}
