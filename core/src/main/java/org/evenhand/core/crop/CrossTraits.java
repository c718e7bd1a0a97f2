package org.evenhand.core.crop;

import java.util.Optional;

/**
 * How a flower is made ready for a cross.
 *
 * @param prepareAt key of the stage at which it is made ready, before any other pollen can have reached it
 * @param keep flowers kept of a cluster
 * @param cluster flowers of a cluster before the others are taken off; empty where flowers stand alone
 * @param thin how the others are taken off; empty where flowers stand alone
 * @param emasculate how its own pollen is taken away; empty where its own comes later or never
 * @param bag how it is covered
 * @param atOnce share of full receptivity just after it was made ready; 0 where it must ripen first
 * @param ripeAfterHours hours from making it ready until the stigma is ripe
 * @param lastsHours hours from making it ready until the stigma is past
 * @param bagOffDays days from the pollination until the bag may come off
 * @param setShare share of crossed flowers that give a fruit, before anything was learned here
 * @param seeds seeds of a fruit as a rule
 * @param ovules seeds that a fruit can hold at most
 */
public record CrossTraits(
        String prepareAt,
        Sourced keep,
        Optional<Sourced> cluster,
        Optional<String> thin,
        Optional<String> emasculate,
        String bag,
        Sourced atOnce,
        Sourced ripeAfterHours,
        Sourced lastsHours,
        Sourced bagOffDays,
        Sourced setShare,
        Sourced seeds,
        Sourced ovules) {
    /** Seeds that so many fruits can hold at most. */
    public int seedsHeld(int fruits) {
        return (int) ovules.value() * fruits;
    }

    /** Flowers that are no longer for anything else once so many are made ready: those of their clusters are taken off. */
    public int flowersTaken(int madeReady) {
        return cluster.map(c -> (int) (Math.ceil(madeReady / keep.value()) * c.value()))
                .map(all -> Math.max(all, madeReady))
                .orElse(madeReady);
    }
}
