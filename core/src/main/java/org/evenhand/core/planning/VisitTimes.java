package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.OptionalInt;
import org.evenhand.core.planning.WorkingHours.TimeWindow;

/**
 * When one could go: for each crop, from when there is pollen, the best hour of each free stretch within the hours in which the crop
 * is worked. Crops whose best hours lie close together share a visit; others have visits of their own, several in one stretch.
 */
public final class VisitTimes {
    /** Best hours of several crops that lie no farther apart make one visit. Our convention. */
    private static final Duration TOGETHER = Duration.ofMinutes(90);

    private VisitTimes() {}

    /**
     * What the flowers of a crop do.
     *
     * @param windows hours in which it is worked
     * @param receptive flowers that can be pollinated, at each moment
     * @param shedding flowers that shed pollen which may serve them, at each moment
     * @param onShelf whether there is pollen in a jar, or none is needed
     */
    public record OfCrop(List<TimeWindow> windows, double[] receptive, double[] shedding, boolean onShelf) {
        /** A flower that sheds: half of one is none. */
        private static final double THERE = 0.5;

        /**
         * Flowers that can be pollinated with pollen that is there, or was shed before; where there never is any, all of them, so that
         * what is missing can be told.
         */
        double[] served() {
            double[] served = receptive.clone();
            boolean pollen = onShelf;
            for (int i = 0; i < served.length; i++) {
                pollen |= shedding[i] >= THERE;
                served[i] = pollen ? served[i] : 0;
            }
            return pollen ? served : receptive;
        }
    }

    /**
     * A time to go.
     *
     * @param at when it begins
     * @param until when it ends at the latest: with the hours in which its crops are worked, or at the next visit
     * @param moment place of its beginning among the moments
     */
    public record Visit(Instant at, Instant until, int moment) {}

    private record Best(TimeWindow window, int moment, Instant at, OfCrop crop) {}

    /**
     * @param free stretches in which somebody can go, in order
     * @param moments of the forecast, in rising order
     */
    public static List<Visit> of(List<TimeWindow> free, List<Instant> moments, List<OfCrop> crops) {
        List<Visit> visits = new ArrayList<>();
        for (TimeWindow window : free) {
            List<Best> best = best(window, moments, crops);
            List<Visit> ofWindow = together(best, moments);
            for (int i = 0; i < ofWindow.size(); i++) {
                Visit visit = ofWindow.get(i);
                Instant next = i + 1 < ofWindow.size() ? ofWindow.get(i + 1).at() : visit.until();
                visits.add(new Visit(visit.at(), earlier(visit.until(), next), visit.moment()));
            }
        }
        return visits;
    }

    /** Each crop's best hours; in the whole free window where none of its windows meets it. */
    private static List<Best> best(TimeWindow free, List<Instant> moments, List<OfCrop> crops) {
        List<Best> best = new ArrayList<>();
        for (OfCrop crop : crops) {
            double[] served = crop.served();
            for (TimeWindow window : within(free, crop.windows)) {
                OptionalInt found = BestHours.within(window, moments, served, crop.shedding);
                found.ifPresent(m -> best.add(new Best(window, m, moments.get(m), crop)));
            }
        }
        best.sort(Comparator.comparing(Best::at));
        return best;
    }

    private static List<TimeWindow> within(TimeWindow window, List<TimeWindow> windows) {
        List<TimeWindow> meeting = windows.stream()
                .filter(w -> w.from().isBefore(window.until()) && w.until().isAfter(window.from()))
                .map(w -> new TimeWindow(later(w.from(), window.from()), earlier(w.until(), window.until())))
                .toList();
        // Who tells hours in which nobody works on the crop as a rule means it.
        return meeting.isEmpty() ? List.of(window) : meeting;
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    /** Visits begin at that of the best hours close together at which most flowers can be pollinated. */
    private static List<Visit> together(List<Best> best, List<Instant> moments) {
        List<Visit> visits = new ArrayList<>();
        int i = 0;
        while (i < best.size()) {
            int end = i + 1;
            while (end < best.size()
                    && !best.get(end).at.isAfter(best.get(i).at.plus(TOGETHER))
                    && best.get(end).at.isBefore(best.get(i).window.until())) {
                end++;
            }
            List<Best> group = best.subList(i, end);
            int moment = group.stream()
                    .max(Comparator.comparingDouble((Best b) -> receptive(group, b.moment))
                            .thenComparing(Best::at, Comparator.reverseOrder()))
                    .orElseThrow()
                    .moment;
            Instant until = group.stream()
                    .map(b -> b.window.until())
                    .max(Comparator.naturalOrder())
                    .orElseThrow();
            visits.add(new Visit(moments.get(moment), until, moment));
            i = end;
        }
        return visits;
    }

    private static double receptive(List<Best> group, int moment) {
        return group.stream()
                .map(Best::crop)
                .distinct()
                .mapToDouble(c -> c.receptive[moment])
                .sum();
    }
}
