package org.evenhand.core.round;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CrossHabit;

/**
 * The work on flowers of one tree that are crossed with one father: made ready, covered, pollinated, perhaps once more, covered again,
 * and in the end uncovered. What was done moves it on; a step that was passed over is not asked for again.
 */
public final class CrossWork {
    /** A second visit comes a day after the first; common practice. */
    private static final Duration SECOND_AFTER = Duration.ofHours(24);

    private final CrossHabit habit;
    private final Way way;
    private final List<Done> done;

    /** One step. */
    public enum Step {
        /** Take the other flowers of the cluster off. */
        THIN,
        /** Take its own pollen away. */
        EMASCULATE,
        /** Cover it. */
        BAG,
        /** Give it the father's pollen. */
        POLLINATE,
        /** Give the same flowers pollen once more. */
        POLLINATE_AGAIN,
        /** Cover it again after a visit. */
        REBAG,
        /** Take the cover off. */
        BAG_OFF
    }

    /** When a flower that was made ready is given pollen. */
    public enum Visits {
        AT_ONCE,
        WHEN_RIPE,
        /** As early as it takes pollen, and once more a day later. */
        TWICE
    }

    /**
     * What was decided for one cross.
     *
     * @param bag whether it is covered
     */
    public record Way(boolean bag, Visits visits) {}

    /**
     * A step that was done.
     *
     * @param flowers flowers that are there after it, 0 or more
     */
    public record Done(Step step, int flowers, Instant at) {
        public Done {
            Require.within("flowers", flowers, 0, RoundRequest.NO_LIMIT);
        }
    }

    /**
     * A step to do.
     *
     * @param from not before
     * @param until empty where it may come later; after it the stigma is past
     */
    public record Due(Step step, Instant from, Optional<Instant> until) {}

    /** @param done what was done, in any order */
    public CrossWork(CrossHabit habit, Way way, List<Done> done) {
        this.habit = habit;
        this.way = way;
        this.done = done.stream().sorted(Comparator.comparing(Done::at)).toList();
    }

    /** Flowers that are there, as the latest step left them; 0 before the first. */
    public int flowers() {
        return done.isEmpty() ? 0 : done.get(done.size() - 1).flowers();
    }

    /** Whether the father's pollen was given. */
    public boolean pollinated() {
        return first(Step.POLLINATE).isPresent();
    }

    /** When the first flowers were made ready; empty before. */
    public Optional<Instant> begun() {
        return done.stream().map(Done::at).findFirst();
    }

    /**
     * What is still to do, in order; nothing once no flower is left.
     *
     * @param start when it is begun, where nothing was done yet
     */
    public List<Due> due(Instant start) {
        List<Due> due = new ArrayList<>();
        if (!done.isEmpty() && flowers() == 0) {
            return due;
        }
        Instant begun = begun().orElse(start);
        Instant past = begun.plus(hours(habit.lastsHours().value()));
        Optional<Instant> visit = first(Step.POLLINATE);
        Instant before = done.isEmpty() ? start : done.get(done.size() - 1).at();
        for (Step step : left()) {
            Instant from = later(before, from(step, begun, visit.orElse(before)));
            if (step == Step.POLLINATE_AGAIN && from.isAfter(past)) {
                continue;
            }
            boolean given = step == Step.POLLINATE || step == Step.POLLINATE_AGAIN;
            due.add(new Due(step, from, given ? Optional.of(past) : Optional.empty()));
            before = from;
            visit = step == Step.POLLINATE ? Optional.of(from) : visit;
        }
        return withoutIdleCover(due);
    }

    /**
     * Expected share of full receptivity at a moment of flowers that were, or are, made ready at another: what they have at once, rising
     * evenly until they are ripe, full until they are past.
     */
    public double receptivity(Instant begun, Instant at) {
        double hours = Duration.between(begun, at).toMinutes() / 60.0;
        double ripe = habit.ripeAfterHours().value();
        double atOnce = habit.atOnce().value();
        if (hours < 0 || hours > habit.lastsHours().value() || (waits() && hours < ripe)) {
            return 0;
        }
        return hours >= ripe ? 1 : atOnce + (1 - atOnce) * hours / ripe;
    }

    private boolean waits() {
        return way.visits() == Visits.WHEN_RIPE || habit.atOnce().value() == 0;
    }

    /** All steps of this way, in order. */
    private List<Step> all() {
        List<Step> steps = new ArrayList<>();
        habit.thin().ifPresent(how -> steps.add(Step.THIN));
        habit.emasculate().ifPresent(how -> steps.add(Step.EMASCULATE));
        if (waits()) {
            steps.add(Step.BAG);
            steps.add(Step.POLLINATE);
            steps.add(Step.REBAG);
        } else {
            steps.add(Step.POLLINATE);
            steps.add(Step.BAG);
        }
        if (way.visits() == Visits.TWICE) {
            steps.add(Step.POLLINATE_AGAIN);
            steps.add(Step.REBAG);
        }
        steps.add(Step.BAG_OFF);
        if (!way.bag()) {
            steps.removeIf(s -> s == Step.BAG || s == Step.REBAG || s == Step.BAG_OFF);
        }
        return steps;
    }

    private List<Step> left() {
        List<Step> all = all();
        int next = 0;
        for (Done one : done) {
            int found = all.subList(next, all.size()).indexOf(one.step());
            next = found < 0 ? next : next + found + 1;
        }
        return all.subList(next, all.size());
    }

    /** A cover is put on again only after a visit that there is. */
    private static List<Due> withoutIdleCover(List<Due> due) {
        List<Due> kept = new ArrayList<>();
        for (Due d : due) {
            boolean again = d.step() == Step.REBAG
                    && !kept.isEmpty()
                    && kept.get(kept.size() - 1).step() == Step.REBAG;
            if (!again) {
                kept.add(d);
            }
        }
        return kept;
    }

    private Instant from(Step step, Instant begun, Instant visit) {
        return switch (step) {
            case POLLINATE -> waits() ? begun.plus(hours(habit.ripeAfterHours().value())) : begun;
            case POLLINATE_AGAIN -> visit.plus(SECOND_AFTER);
            case BAG_OFF -> visit.plus(Duration.ofDays((long) habit.bagOffDays().value()));
            case THIN, EMASCULATE, BAG, REBAG -> begun;
        };
    }

    private Optional<Instant> first(Step step) {
        return done.stream().filter(d -> d.step() == step).map(Done::at).findFirst();
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Duration hours(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}
