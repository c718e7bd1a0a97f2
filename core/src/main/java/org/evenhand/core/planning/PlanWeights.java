package org.evenhand.core.planning;

import java.time.Duration;
import java.time.Instant;
import org.evenhand.core.Require;

/**
 * What counts for how much in a plan. No published value is known for any of these: all are our conventions, with the reason beside each,
 * and none changes what is possible, only what goes first.
 *
 * @param certaintyADayLater what a flower left for the next day counts for beside one done now, 0 to 1: weather and people's plans
 *     change, so that of two equal evenings the nearer is taken
 * @param certaintyOfCollecting what pollen still on the tree counts for beside as good pollen in a jar, 0 to 1: flowers may give less
 * @param repeatOfCross what a flower of a cross given pollen once more counts for beside one given it first, 0 to 1: seeds are wanted,
 *     and many strokes bring more of them
 * @param repeat the same outside crosses: so little that a flower that had none goes first wherever the pollen is worth having for it
 * @param betweenRepeats before that a second visit adds little to the first; growers go in the evening and again in the morning, common
 *     practice
 * @param leastReceptiveForRepeat when fewer of the stigmas take pollen, the pollen is better kept, 0 to 1
 * @param cleaningMinutes to clean, and to take up the pollen of another father, minutes; ours until walks tell
 */
public record PlanWeights(
        double certaintyADayLater,
        double certaintyOfCollecting,
        double repeatOfCross,
        double repeat,
        Duration betweenRepeats,
        double leastReceptiveForRepeat,
        double cleaningMinutes) {
    /** Those that every plan is made with. */
    public static final PlanWeights USUAL = new PlanWeights(0.95, 0.95, 0.5, 0.2, Duration.ofHours(10), 0.5, 3);

    private static final double MINUTES_A_DAY = 24 * 60;

    public PlanWeights {
        Require.within("certaintyADayLater", certaintyADayLater, 0, 1);
        Require.within("certaintyOfCollecting", certaintyOfCollecting, 0, 1);
        Require.within("repeatOfCross", repeatOfCross, 0, 1);
        Require.within("repeat", repeat, 0, 1);
        Require.within("leastReceptiveForRepeat", leastReceptiveForRepeat, 0, 1);
        Require.within("cleaningMinutes", cleaningMinutes, 0, 1000);
    }

    /** What a flower done at one moment counts for beside one done at an earlier one, more than 0, at most 1. */
    public double certainty(Instant first, Instant at) {
        return Math.pow(certaintyADayLater, Duration.between(first, at).toMinutes() / MINUTES_A_DAY);
    }

    /**
     * How receptive flowers outside crosses are that had pollen before: a stigma not yet covered then can be so now. Growers go over the
     * same flowers for a day or two, as long as stigmas last and there is pollen to spare; common practice.
     *
     * @param last when they had pollen for the last time
     * @param receptive chance that one of them takes pollen then, 0 to 1
     * @return the same chance; 0 where it is too early, or most of the stigmas are past it
     * @throws org.evenhand.core.InvalidInputException if {@code receptive} is not valid
     */
    public double receptiveForRepeat(Instant last, Instant at, double receptive) {
        Require.within("receptive", receptive, 0, 1);
        return at.isBefore(last.plus(betweenRepeats)) || receptive < leastReceptiveForRepeat ? 0 : receptive;
    }
}
