package org.evenhand.core.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Plural;
import org.evenhand.core.statistics.Proportion;

/**
 * What is left of the seeds of a lot, and where it is. Nothing comes from nowhere: whatever is done with more than are there is refused.
 * Seedlings with a number of their own ({@link SeedlingLife}) count among the others; what happens to one is written down with it.
 *
 * @param alive seeds or seedlings at each stage now
 * @param numbered those of them that have numbers
 * @param fruited those with numbers that are planted out and have borne fruit
 * @param died in all
 * @param givenAway in all
 * @param discarded in all
 * @param done what was done, the earliest first
 * @param course how many were alive at each stage from each day on on which that changed, the harvest in front
 */
public record SeedLotStock(
        Map<NurseryStage, Integer> alive,
        Map<NurseryStage, Integer> numbered,
        int fruited,
        int died,
        int givenAway,
        int discarded,
        List<Done> done,
        List<Alive> course) {
    /** Of an interval for the share that came up. */
    private static final double CONFIDENCE = 0.9;

    /**
     * What was done with some of a lot.
     *
     * @param count seeds or seedlings; 0 where they were only seen to
     * @param at the stage they left from; there exactly where the step {@link NurseryStep#leaves}
     */
    public record Done(NurseryStep step, LocalDate on, int count, Optional<NurseryStage> at) {
        /** @throws InvalidInputException at {@code count} or {@code at} where the step does not have such a one */
        public Done {
            if (step == NurseryStep.SEEN ? count != 0 : count < 1) {
                throw new InvalidInputException(
                        "count",
                        "is " + count
                                + (step == NurseryStep.SEEN
                                        ? "; nothing changes where a lot is only seen to."
                                        : "; give at least one."));
            }
            if (step.leaves() != at.isPresent()) {
                throw new InvalidInputException(
                        "at", step.leaves() ? "is missing; say where they were." : "does not belong to this step.");
            }
        }
    }

    /**
     * What was done, and the stages that it takes from, the one that is emptied first in front: of a seedling with a number the one where it
     * was.
     */
    record Taken(Done done, List<NurseryStage> from) {}

    /**
     * Seeds and seedlings that were alive from a day on.
     *
     * @param at by stage, stages with none left out
     */
    public record Alive(LocalDate on, Map<NurseryStage, Integer> at) {
        public Alive {
            at = Map.copyOf(at);
        }
    }

    /**
     * How many had come up by a day.
     *
     * @param up of {@code sown}
     * @param share of those sown
     * @param from lower end of its 90 % interval (Clopper and Pearson)
     * @param until its upper end
     */
    public record Germination(LocalDate on, int up, int sown, double share, double from, double until) {}

    public SeedLotStock {
        alive = Collections.unmodifiableMap(new EnumMap<>(alive));
        numbered = Map.copyOf(numbered);
        done = List.copyOf(done);
        course = List.copyOf(course);
    }

    /**
     * @param seeds full ones the lot began with, 0 or more
     * @param harvestedOn before which nothing is done with them
     * @param done in any order; of the same day, in the order given
     * @throws InvalidInputException at {@code count} where more are used than are there, at {@code on} where a day is before the harvest
     */
    public static SeedLotStock of(int seeds, LocalDate harvestedOn, List<Done> done) {
        return of(seeds, harvestedOn, done, List.of());
    }

    /**
     * As {@link #of(int, LocalDate, List)}.
     *
     * @param done what was done with those without a number
     * @param withNumbers seedlings with numbers, which came out of the others
     * @throws InvalidInputException at {@code count} where fewer would be left at a stage than have numbers there
     */
    public static SeedLotStock of(
            int seeds, LocalDate harvestedOn, List<Done> done, Collection<SeedlingLife> withNumbers) {
        List<Taken> inOrder = new ArrayList<>();
        done.forEach(d ->
                inOrder.add(new Taken(d, d.at().map(List::of).orElse(d.step().from()))));
        withNumbers.forEach(seedling -> inOrder.addAll(seedling.taken()));
        inOrder.sort(Comparator.comparing(t -> t.done().on()));
        Counting counting = new Counting(seeds);
        List<Alive> course = new ArrayList<>();
        course.add(counting.alive(harvestedOn));
        for (Taken t : inOrder) {
            LocalDate on = t.done().on();
            if (on.isBefore(harvestedOn)) {
                throw new InvalidInputException(
                        "on", "is " + on + ", before the harvest on " + harvestedOn + ". Correct one of the two.");
            }
            counting.apply(t);
            // Of a day the last counts.
            if (course.get(course.size() - 1).on().equals(on)) {
                course.remove(course.size() - 1);
            }
            course.add(counting.alive(on));
        }
        Map<NurseryStage, Integer> numbered = new EnumMap<>(NurseryStage.class);
        withNumbers.stream()
                .filter(SeedlingLife::alive)
                .forEach(seedling -> numbered.merge(seedling.stage(), 1, Integer::sum));
        int fruited = (int) withNumbers.stream()
                .filter(s -> s.alive() && s.stage() == NurseryStage.PLANTED && s.has(SeedlingEvent.FRUITED))
                .count();
        numbered.forEach((stage, count) -> {
            int left = counting.alive.getOrDefault(stage, 0);
            if (count > left) {
                throw new InvalidInputException(
                        "count",
                        "does not leave enough: " + Plural.of(count, "seedling") + " " + where(stage)
                                + " would have numbers, and " + left + " would be there. What happens to one with a"
                                + " number is written down on its own page.");
            }
        });
        return new SeedLotStock(
                counting.alive,
                numbered,
                fruited,
                counting.died,
                counting.givenAway,
                counting.discarded,
                inOrder.stream().map(Taken::done).toList(),
                course);
    }

    private static String where(NurseryStage stage) {
        return switch (stage) {
            case KEPT -> "kept";
            case COLD -> "in the cold";
            case SOWN -> "in the soil";
            case UP -> "in trays";
            case POTTED -> "in pots";
            case PLANTED -> "planted out";
        };
    }

    /** Seeds or seedlings at a stage that have no number. */
    public int unnumbered(NurseryStage stage) {
        return at(stage) - numbered.getOrDefault(stage, 0);
    }

    /** Seeds or seedlings that are alive at a stage. */
    public int at(NurseryStage stage) {
        return alive.getOrDefault(stage, 0);
    }

    /**
     * What can be done next.
     *
     * @param at the stage they would leave from; there exactly where the step {@link NurseryStep#leaves}
     * @param most seeds or seedlings that it can be done with
     */
    public record Possible(NurseryStep step, Optional<NurseryStage> at, int most) {}

    /** All that can be done with those alive that have no number; nothing where none is. */
    public List<Possible> possible() {
        List<Possible> all = new ArrayList<>();
        for (NurseryStep step : NurseryStep.values()) {
            if (step.leaves()) {
                alive.keySet().forEach(stage -> all.add(new Possible(step, Optional.of(stage), unnumbered(stage))));
            } else {
                List<NurseryStage> from = step.from().isEmpty() ? List.copyOf(alive.keySet()) : step.from();
                all.add(new Possible(
                        step,
                        Optional.empty(),
                        from.stream().mapToInt(this::unnumbered).sum()));
            }
        }
        return all.stream().filter(p -> p.most() > 0).toList();
    }

    /** Seeds and seedlings that are alive, at all stages. */
    public int left() {
        return alive.values().stream().mapToInt(Integer::intValue).sum();
    }

    /** How many ever came to a stage by a step. */
    public int ever(NurseryStep step) {
        return done.stream().filter(d -> d.step() == step).mapToInt(Done::count).sum();
    }

    /** How many left from a stage by a step. */
    public int gone(NurseryStep step, NurseryStage from) {
        return done.stream()
                .filter(d -> d.step() == step && d.at().equals(Optional.of(from)))
                .mapToInt(Done::count)
                .sum();
    }

    /** The first day on which something was done. */
    public Optional<LocalDate> first(NurseryStep step) {
        return done.stream().filter(d -> d.step() == step).map(Done::on).findFirst();
    }

    /** The last day on which something was done. */
    public Optional<LocalDate> last(NurseryStep step) {
        return done.stream().filter(d -> d.step() == step).map(Done::on).reduce((earlier, later) -> later);
    }

    /** How many had come up, on each day on which somebody counted. */
    public List<Germination> germination() {
        List<Germination> points = new ArrayList<>();
        int up = 0;
        int sown = 0;
        for (Done d : done) {
            sown += d.step() == NurseryStep.SOWN ? d.count() : 0;
            if (d.step() == NurseryStep.CAME_UP) {
                up += d.count();
                // What came up in the cold was never sown.
                Proportion share = new Proportion(up, Math.max(sown, up));
                Proportion.Interval interval = share.clopperPearson(CONFIDENCE);
                points.add(
                        new Germination(d.on(), up, share.trials(), share.share(), interval.lower(), interval.upper()));
            }
        }
        return points;
    }

    private static final class Counting {
        private final Map<NurseryStage, Integer> alive = new EnumMap<>(NurseryStage.class);
        private int died;
        private int givenAway;
        private int discarded;

        Counting(int seeds) {
            for (NurseryStage stage : NurseryStage.values()) {
                alive.put(stage, 0);
            }
            alive.put(NurseryStage.KEPT, seeds);
        }

        void apply(Taken taken) {
            Done d = taken.done();
            int there = taken.from().stream().mapToInt(this::at).sum();
            if (d.count() > there) {
                throw new InvalidInputException(
                        "count",
                        "is " + d.count() + ", but on " + d.on() + " only " + there + " were there to be "
                                + said(d.step()) + ". Correct the number, or write down first what came before.");
            }
            int open = d.count();
            for (NurseryStage stage : taken.from()) {
                int of = Math.min(open, at(stage));
                alive.merge(stage, -of, Integer::sum);
                open -= of;
            }
            d.step().to().ifPresent(to -> alive.merge(to, d.count(), Integer::sum));
            died += d.step() == NurseryStep.DIED ? d.count() : 0;
            givenAway += d.step() == NurseryStep.GIVEN_AWAY ? d.count() : 0;
            discarded += d.step() == NurseryStep.DISCARDED ? d.count() : 0;
        }

        private int at(NurseryStage stage) {
            return alive.getOrDefault(stage, 0);
        }

        Alive alive(LocalDate on) {
            Map<NurseryStage, Integer> some = new EnumMap<>(alive);
            some.values().removeIf(count -> count == 0);
            return new Alive(on, some);
        }

        private static String said(NurseryStep step) {
            return switch (step) {
                case COOLED -> "laid cold";
                case SOWN -> "sown";
                case CAME_UP -> "counted as come up";
                case POTTED -> "potted";
                case PLANTED -> "planted";
                case DIED -> "counted as dead";
                case GIVEN_AWAY -> "given away";
                case DISCARDED -> "discarded";
                case SEEN -> "seen to";
            };
        }
    }
}
