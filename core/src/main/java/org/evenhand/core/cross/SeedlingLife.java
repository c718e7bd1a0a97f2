package org.evenhand.core.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.SeedTraits;

/**
 * A seedling with a number of its own, from the day it got the number.
 *
 * @param numberedAt where it was when it got its number
 * @param happened what happened to it, the earliest first
 */
public record SeedlingLife(NurseryStage numberedAt, List<Happened> happened) {
    private static final int MONTHS_A_YEAR = 12;

    /** What happened on a day. */
    public record Happened(SeedlingEvent event, LocalDate on) {}

    /** What has become of it. */
    public enum State {
        GROWING,
        SELECTED,
        DISCARDED,
        DEAD,
        GIVEN_AWAY
    }

    public SeedlingLife {
        happened = List.copyOf(happened);
    }

    /**
     * @param numberedAt where it was when it got its number
     * @param numberedOn the day of that
     * @param happened in any order; of the same day, in the order given
     * @throws InvalidInputException at {@code at} where it had no leaves yet, at {@code on} where something is before its number, at
     *     {@code event} where it cannot be after what came before
     */
    public static SeedlingLife of(NurseryStage numberedAt, LocalDate numberedOn, List<Happened> happened) {
        if (!numberedAt.hasLeaves()) {
            throw new InvalidInputException("at", "is too early: seeds get no numbers, seedlings do once they are up.");
        }
        List<Happened> inOrder = new ArrayList<>(happened);
        inOrder.sort(Comparator.comparing(Happened::on));
        SeedlingLife life = new SeedlingLife(numberedAt, List.of());
        for (Happened h : inOrder) {
            if (h.on().isBefore(numberedOn)) {
                throw new InvalidInputException(
                        "on", "is " + h.on() + ", before it got its number on " + numberedOn + ".");
            }
            life = life.and(h);
        }
        return life;
    }

    /** The same with one thing more, after all others. */
    private SeedlingLife and(Happened h) {
        if (!possible().contains(h.event())) {
            throw new InvalidInputException(
                    "event",
                    "cannot be on " + h.on() + ": "
                            + last(SeedlingEvent::ends)
                                    .map(end -> "it was " + said(end.event()) + " on " + end.on() + ".")
                                    .orElse("it was " + said(h.event()) + " before, or does not need to be."));
        }
        List<Happened> more = new ArrayList<>(happened);
        more.add(h);
        return new SeedlingLife(numberedAt, more);
    }

    /** Where it is, or was last. */
    public NurseryStage stage() {
        return happened.stream()
                .flatMap(h -> h.event().step().flatMap(NurseryStep::to).stream())
                .reduce((earlier, later) -> later)
                .orElse(numberedAt);
    }

    /** All that can happen to it next; nothing once it has ended. */
    public List<SeedlingEvent> possible() {
        return alive()
                ? Arrays.stream(SeedlingEvent.values()).filter(this::possible).toList()
                : List.of();
    }

    private boolean possible(SeedlingEvent event) {
        boolean fits = event.step()
                .map(step -> step.leaves() || step.from().contains(stage()))
                .orElse(true);
        return fits && !(event.once() && has(event));
    }

    public boolean alive() {
        return endedOn().isEmpty();
    }

    /** The day on which it died, was discarded or given away. */
    public Optional<LocalDate> endedOn() {
        return last(SeedlingEvent::ends).map(Happened::on);
    }

    public State state() {
        Optional<SeedlingEvent> end = last(SeedlingEvent::ends).map(Happened::event);
        if (end.isEmpty()) {
            return has(SeedlingEvent.SELECTED) ? State.SELECTED : State.GROWING;
        }
        return switch (end.get()) {
            case DISCARDED -> State.DISCARDED;
            case GIVEN_AWAY -> State.GIVEN_AWAY;
            default -> State.DEAD;
        };
    }

    boolean has(SeedlingEvent event) {
        return first(event).isPresent();
    }

    /** The first day on which something happened. */
    public Optional<LocalDate> first(SeedlingEvent event) {
        return happened.stream()
                .filter(h -> h.event() == event)
                .map(Happened::on)
                .findFirst();
    }

    private Optional<Happened> last(Predicate<SeedlingEvent> which) {
        return happened.stream().filter(h -> which.test(h.event())).reduce((a, b) -> b);
    }

    /**
     * The day from which its first fruit is expected: on own roots counted from sowing, grafted from the first grafting, whichever is first;
     * empty where it has fruited or has ended.
     *
     * @param sownOn the day its lot was sown
     */
    public Optional<LocalDate> fruitFrom(SeedTraits traits, LocalDate sownOn) {
        if (!alive() || has(SeedlingEvent.FRUITED)) {
            return Optional.empty();
        }
        Optional<LocalDate> grafted = traits.graftedFruitYears()
                .flatMap(years -> first(SeedlingEvent.GRAFTED)
                        .map(on -> on.plusMonths(Math.round(MONTHS_A_YEAR * years.value()))));
        return Stream.concat(Stream.of(SeedDemand.firstFruit(traits, sownOn)), grafted.stream())
                .min(Comparator.naturalOrder());
    }

    /**
     * Refuses the seedling itself as its rootstock.
     *
     * @param rootstock as it was written
     * @throws InvalidInputException at {@code rootstock}
     */
    public static void requireOtherRoots(String number, String rootstock) {
        if (rootstock.strip().toUpperCase(Locale.ROOT).equals(number.toUpperCase(Locale.ROOT))) {
            throw new InvalidInputException(
                    "rootstock", "is " + number + " itself. Name what its wood was grafted on.");
        }
    }

    /** As it counts for its lot. */
    List<SeedLotStock.Taken> taken() {
        List<SeedLotStock.Taken> taken = new ArrayList<>();
        NurseryStage at = numberedAt;
        for (Happened h : happened) {
            Optional<NurseryStep> step = h.event().step();
            if (step.isPresent()) {
                Optional<NurseryStage> left = step.get().leaves() ? Optional.of(at) : Optional.empty();
                taken.add(new SeedLotStock.Taken(new SeedLotStock.Done(step.get(), h.on(), 1, left), List.of(at)));
                at = step.get().to().orElse(at);
            }
        }
        return taken;
    }

    private static String said(SeedlingEvent event) {
        return switch (event) {
            case POTTED -> "potted";
            case PLANTED -> "planted out";
            case MOVED -> "moved";
            case GRAFTED -> "grafted";
            case FLOWERED -> "in flower";
            case FRUITED -> "in fruit";
            case SELECTED -> "selected";
            case SEEN -> "seen to";
            case DISCARDED -> "discarded";
            case DIED -> "written down as dead";
            case GIVEN_AWAY -> "given away";
        };
    }
}
