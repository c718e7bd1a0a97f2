package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;

/**
 * How many flowers of a crop one manages in an hour, as one's own walks show.
 *
 * @param flowersPerHour more than 0
 * @param flowers from how many it was learned
 * @param walks in how many walks
 */
public record LearnedPace(double flowersPerHour, int flowers, int walks) {
    /** Whoever did nothing for so long was elsewhere. Our convention. */
    private static final Duration PAUSE = Duration.ofMinutes(20);

    /** Fewer say nothing of how fast one is. Our convention. */
    private static final int LEAST_FLOWERS = 60;

    private static final int LEAST_WALKS = 3;

    /**
     * Flowers that were written down at a stop of a walk.
     *
     * @param by who did them: two on one walk each have a pace
     */
    public record AtStop(UUID walk, UUID by, String crop, int flowers, Instant at) {}

    private record Hand(UUID walk, UUID by) {}

    /** What was done of one crop. */
    private static final class Sum {
        private double hours;
        private int flowers;
        private final Set<UUID> walks = new HashSet<>();
    }

    /** By crop, where there is enough to tell; a stop took the time since the one before on the same walk. */
    public static Map<String, LearnedPace> of(List<AtStop> done) {
        Map<String, Sum> sums = new HashMap<>();
        done.stream()
                .collect(Collectors.groupingBy(s -> new Hand(s.walk(), s.by())))
                .values()
                .forEach(walk -> addWalk(walk, sums));
        Map<String, LearnedPace> paces = new TreeMap<>();
        sums.forEach((crop, sum) -> learned(sum).ifPresent(pace -> paces.put(crop, pace)));
        return paces;
    }

    private static void addWalk(List<AtStop> walk, Map<String, Sum> sums) {
        List<AtStop> inOrder =
                walk.stream().sorted(Comparator.comparing(AtStop::at)).toList();
        for (int i = 1; i < inOrder.size(); i++) {
            AtStop stop = inOrder.get(i);
            Duration set = Duration.between(inOrder.get(i - 1).at(), stop.at());
            if (set.compareTo(PAUSE) <= 0) {
                Sum sum = sums.computeIfAbsent(stop.crop(), c -> new Sum());
                sum.hours += set.toMillis() / 3_600_000.0;
                sum.flowers += stop.flowers();
                sum.walks.add(stop.walk());
            }
        }
    }

    private static Optional<LearnedPace> learned(Sum sum) {
        return sum.flowers >= LEAST_FLOWERS && sum.walks.size() >= LEAST_WALKS && sum.hours > 0
                ? Optional.of(new LearnedPace(sum.flowers / sum.hours, sum.flowers, sum.walks.size()))
                : Optional.empty();
    }
}
