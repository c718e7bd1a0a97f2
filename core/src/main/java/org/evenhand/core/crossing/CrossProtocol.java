package org.evenhand.core.crossing;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.planning.RoundRequest;

/**
 * The work on flowers of one tree that are crossed with one father: made ready, covered, pollinated, perhaps once more, covered again,
 * and in the end uncovered. What was done, or skipped, moves it on; a step that was passed over is not asked for again.
 */
public final class CrossProtocol {
    /** A second visit comes a day after the first; common practice. */
    private static final Duration SECOND_AFTER = Duration.ofHours(24);
    /** A step is done in a round that begins so much too early: a round takes a while, and no flower keeps to the minute. Our convention. */
    private static final Duration SLACK = Duration.ofHours(2);

    private final CrossTraits traits;
    private final Method method;
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
        BAG_OFF;

        /** Whether it is a visit with pollen. */
        public boolean givesPollen() {
            return this == POLLINATE || this == POLLINATE_AGAIN;
        }

        /** Whether it comes before any pollen. */
        public boolean makesReady() {
            return this == THIN || this == EMASCULATE || this == BAG;
        }
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
     * @param emasculate whether its own pollen is taken away, where the crop's sheet says how; else it is covered before it opens and
     *     pollinated when it is ripe, for flowers that do not serve themselves
     */
    public record Method(boolean bag, Visits visits, boolean emasculate) {
        /** As the crop's sheet says. */
        public Method(boolean bag, Visits visits) {
            this(bag, visits, true);
        }
    }

    /**
     * A step that was done, or that somebody decided to skip.
     *
     * @param flowers flowers that are there after it, 0 or more
     */
    public record Done(Step step, int flowers, Instant at, boolean skipped) {
        /** One that was done. */
        public Done(Step step, int flowers, Instant at) {
            this(step, flowers, at, false);
        }

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
    public CrossProtocol(CrossTraits traits, Method method, List<Done> done) {
        this.traits = traits;
        this.method = method;
        List<Step> order = all();
        // Written down with one time, they were done in the order in which they come.
        this.done = done.stream()
                .sorted(Comparator.comparing(Done::at).thenComparing(d -> order.indexOf(d.step())))
                .toList();
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
        return done.stream().filter(d -> !d.skipped()).map(Done::at).findFirst();
    }

    /**
     * What is still to do, in order; nothing once no flower is left. A visit whose stigmas are past falls away, and what would follow
     * it; a flower that never had pollen is only uncovered.
     *
     * @param now the moment looked from, and that of the first step where nothing was done yet
     */
    public List<Due> due(Instant now) {
        List<Due> due = new ArrayList<>();
        if (!done.isEmpty() && flowers() == 0) {
            return due;
        }
        Instant begun = begun().orElse(now);
        Instant past = begun.plus(hours(traits.lastsHours().value()));
        Optional<Instant> visit = first(Step.POLLINATE);
        Instant before = done.isEmpty() ? now : done.get(done.size() - 1).at();
        boolean missed = false;
        for (Step step : left()) {
            Instant from = later(before, from(step, begun, visit.orElse(before)));
            if (step.givesPollen() && (from.isAfter(past) || now.isAfter(past))) {
                missed = true;
                continue;
            }
            due.add(new Due(step, from, step.givesPollen() ? Optional.of(past) : Optional.empty()));
            before = from;
            visit = step == Step.POLLINATE ? Optional.of(from) : visit;
        }
        boolean givenUp = done.stream().anyMatch(d -> d.skipped() && d.step() == Step.POLLINATE);
        boolean never = (missed || givenUp)
                && visit.isEmpty()
                && due.stream().noneMatch(d -> d.step().givesPollen());
        return never ? uncoverOnly(due, now) : withoutIdleCover(due);
    }

    /**
     * Expected share of full receptivity at a moment of flowers that were, or are, made ready at another: what they have at once, rising
     * evenly until they are ripe, full until they are past.
     */
    public double receptivity(Instant begun, Instant at) {
        double hours = Duration.between(begun, at).toMinutes() / 60.0;
        double ripe = traits.ripeAfterHours().value();
        double atOnce = traits.atOnce().value();
        if (hours < 0 || hours > traits.lastsHours().value() || (waits() && hours < ripe - SLACK.toHours())) {
            return 0;
        }
        return waits() || hours >= ripe ? 1 : atOnce + (1 - atOnce) * hours / ripe;
    }

    /**
     * What a visit in each of several rounds is worth: for those who go at once the first round only in which pollen is there, for
     * others every round in which the stigma is receptive.
     *
     * @param rounds rising moments
     * @param start when the flowers are made ready, where nothing was done yet
     * @param pollen whether the father's pollen is there in each round
     * @return share of full receptivity in each round; all 0 once they are pollinated
     */
    public List<Double> firstVisit(List<Instant> rounds, Instant start, IntPredicate pollen) {
        Instant ready = begun().orElse(start);
        double[] worth =
                rounds.stream().mapToDouble(at -> receptivity(ready, at)).toArray();
        OptionalInt first = IntStream.range(0, worth.length)
                .filter(r -> worth[r] > 0 && pollen.test(r))
                .findFirst();
        return IntStream.range(0, worth.length)
                .mapToObj(r -> decided(Step.POLLINATE) || (!waits() && first.isPresent() && r != first.getAsInt())
                        ? 0
                        : worth[r])
                .toList();
    }

    /** The same for the second visit, a day or more after the first; all 0 where none is meant or it was made. */
    public List<Double> secondVisit(List<Instant> rounds, Instant start, IntPredicate pollen) {
        Instant ready = begun().orElse(start);
        List<Double> before = firstVisit(rounds, start, pollen);
        Optional<Instant> visit = pollinated()
                ? first(Step.POLLINATE)
                : IntStream.range(0, rounds.size())
                        .filter(r -> before.get(r) > 0 && pollen.test(r))
                        .mapToObj(rounds::get)
                        .findFirst();
        boolean meant = method.visits() == Visits.TWICE && !decided(Step.POLLINATE_AGAIN);
        return rounds.stream()
                .map(at -> meant
                                && visit.isPresent()
                                && !at.isBefore(visit.get().plus(SECOND_AFTER).minus(SLACK))
                        ? receptivity(ready, at)
                        : 0.0)
                .toList();
    }

    /**
     * The steps of each of several rounds, given the rounds in which the flowers are visited; what leads up to a visit or follows it
     * falls into the same round, in order.
     *
     * @param rounds rising moments
     * @param start when the first step is taken, where nothing was done yet
     * @param visited whether they are given pollen in a round
     */
    public List<List<Step>> inRounds(List<Instant> rounds, Instant start, IntPredicate visited) {
        List<Done> sofar = new ArrayList<>(done);
        List<List<Step>> all = new ArrayList<>();
        for (int r = 0; r < rounds.size(); r++) {
            Instant at = rounds.get(r);
            List<Step> now = new ArrayList<>();
            boolean visit = visited.test(r);
            while (!at.isBefore(start) || !done.isEmpty()) {
                List<Due> due = new CrossProtocol(traits, method, sofar).due(at);
                if (due.isEmpty() || due.get(0).from().isAfter(at.plus(SLACK))) {
                    break;
                }
                Step next = due.get(0).step();
                if (next.givesPollen() && !visit) {
                    break;
                }
                visit = visit && !next.givesPollen();
                now.add(next);
                sofar.add(new Done(next, Math.max(1, flowers()), at));
            }
            all.add(now);
        }
        return all;
    }

    private boolean waits() {
        return method.visits() == Visits.WHEN_RIPE || traits.atOnce().value() == 0 || coveredInBud();
    }

    /** It opens under its cover and then pollinates nothing else: there is nothing to be had from a bud at once. */
    private boolean coveredInBud() {
        return !method.emasculate() && traits.emasculate().isPresent();
    }

    /** All steps of this way, in order. */
    private List<Step> all() {
        List<Step> steps = new ArrayList<>();
        traits.thin().ifPresent(how -> steps.add(Step.THIN));
        traits.emasculate().filter(how -> method.emasculate()).ifPresent(how -> steps.add(Step.EMASCULATE));
        if (waits()) {
            steps.add(Step.BAG);
            steps.add(Step.POLLINATE);
            steps.add(Step.REBAG);
        } else {
            steps.add(Step.POLLINATE);
            steps.add(Step.BAG);
        }
        if (method.visits() == Visits.TWICE) {
            steps.add(Step.POLLINATE_AGAIN);
            steps.add(Step.REBAG);
        }
        steps.add(Step.BAG_OFF);
        if (!method.bag()) {
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
    private List<Due> withoutIdleCover(List<Due> due) {
        List<Due> kept = new ArrayList<>();
        boolean visited = !done.isEmpty()
                && !done.get(done.size() - 1).skipped()
                && done.get(done.size() - 1).step().givesPollen();
        for (Due d : due) {
            if (d.step() != Step.REBAG || visited) {
                kept.add(d);
            }
            visited = d.step().givesPollen();
        }
        return kept;
    }

    /** Of flowers whose only visits were missed: the cover comes off, at once. */
    private List<Due> uncoverOnly(List<Due> due, Instant now) {
        boolean covered = first(Step.BAG).isPresent();
        return due.stream()
                .filter(d -> covered && d.step() == Step.BAG_OFF)
                .map(d -> new Due(d.step(), now, Optional.empty()))
                .toList();
    }

    private Instant from(Step step, Instant begun, Instant visit) {
        return switch (step) {
            case POLLINATE -> waits() ? begun.plus(hours(traits.ripeAfterHours().value())) : begun;
            case POLLINATE_AGAIN -> visit.plus(SECOND_AFTER);
            case BAG_OFF ->
                visit.plus(Duration.ofDays((long) traits.bagOffDays().value()));
            case THIN, EMASCULATE, BAG, REBAG -> begun;
        };
    }

    private Optional<Instant> first(Step step) {
        return done.stream()
                .filter(d -> d.step() == step && !d.skipped())
                .map(Done::at)
                .findFirst();
    }

    /** Whether a step was done or skipped. */
    private boolean decided(Step step) {
        return done.stream().anyMatch(d -> d.step() == step);
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Duration hours(double hours) {
        return Duration.ofMinutes(Math.round(hours * 60));
    }
}
