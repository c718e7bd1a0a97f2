package org.evenhand.core.round;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;

/**
 * When to walk a round: from the moment at which there are flowers to take pollen and pollen to give them, until half of those
 * flowers are past it or it is dark, whichever comes first. The rule is ours.
 *
 * @param from first good moment
 * @param until end of the good hours
 * @param flowersAtStart expected flowers that can take pollen at {@code from}
 * @param endsWithDark true when darkness ends it, false when the flowers do or the forecast ends
 */
public record BestHours(Instant from, Instant until, double flowersAtStart, boolean endsWithDark) {
    private static final double ENOUGH = 0.5;

    /** Among hours nearly as good as the best the earliest is taken that has pollen too. Our convention. */
    private static final double NEARLY = 0.95;

    /**
     * The hour at which to walk within a free stretch: of those with nearly as many flowers as the best, one with a flower that gives
     * pollen before one without, then the earliest.
     *
     * @param moments of the forecast, in rising order
     * @param taking expected flowers that can take pollen at each moment
     * @param giving expected flowers that give it
     * @return index of the moment; empty where hardly a flower takes pollen in the stretch
     */
    public static OptionalInt within(
            FreeHours.Stretch stretch, List<Instant> moments, double[] taking, double[] giving) {
        List<Integer> inside = IntStream.range(0, moments.size())
                .filter(i -> !moments.get(i).isBefore(stretch.from())
                        && moments.get(i).isBefore(stretch.until()))
                .boxed()
                .toList();
        double most = inside.stream().mapToDouble(i -> taking[i]).max().orElse(0);
        return inside.stream()
                .filter(i -> most >= ENOUGH && taking[i] >= NEARLY * most)
                .max(Comparator.comparingDouble((Integer i) -> Math.min(giving[i], 1))
                        .thenComparing(Comparator.reverseOrder()))
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
    }

    /**
     * @param moments of the forecast, in rising order
     * @param taking expected flowers that can take pollen at each moment
     * @param pollenFrom when there is pollen: now, with a jar on the shelf, or when the first anthers open
     * @param darkAt ends of daylight that matter, in rising order; empty where it does not get dark
     */
    public static Optional<BestHours> of(
            List<Instant> moments, double[] taking, Instant pollenFrom, List<Instant> darkAt) {
        if (moments.size() != taking.length) {
            throw new InvalidInputException(
                    "taking", "has " + taking.length + " values for " + moments.size() + " moments.");
        }
        int first = 0;
        while (first < taking.length && (moments.get(first).isBefore(pollenFrom) || taking[first] < ENOUGH)) {
            first++;
        }
        if (first == taking.length) {
            return Optional.empty();
        }
        int end = first;
        while (end < taking.length - 1 && taking[end] >= taking[first] / 2) {
            end++;
        }
        Instant from = moments.get(first);
        Instant flowersEnd = moments.get(end);
        Optional<Instant> dark = darkAt.stream().filter(d -> d.isAfter(from)).findFirst();
        boolean darkFirst = dark.isPresent() && dark.get().isBefore(flowersEnd);
        return Optional.of(new BestHours(from, darkFirst ? dark.get() : flowersEnd, taking[first], darkFirst));
    }
}
