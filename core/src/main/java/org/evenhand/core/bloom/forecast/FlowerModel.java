package org.evenhand.core.bloom.forecast;

import java.util.List;
import java.util.stream.IntStream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Phase;

/**
 * How the flowers of one variety walk at one place: its clock, the conditions that drive it, and which stages are receptive and
 * which shed pollen.
 *
 * @param clock of the variety, its development rate included
 * @param conditions temperature and gates; hours count from their start
 * @param receptive for each stage, whether its stigma takes pollen
 * @param shedding for each stage, whether its anthers release pollen
 */
public record FlowerModel(
        FlowerClock clock, BloomConditions conditions, List<Boolean> receptive, List<Boolean> shedding) {
    public FlowerModel {
        receptive = List.copyOf(receptive);
        shedding = List.copyOf(shedding);
        if (receptive.size() != clock.stageCount() || shedding.size() != clock.stageCount()) {
            throw new InvalidInputException("stages", "of the clock and of the phases must be as many.");
        }
    }

    /**
     * @param developmentRateFactor factor on every duration of the sheet; more than 1 is slower
     */
    public static FlowerModel of(CropSheet sheet, double developmentRateFactor, BloomConditions conditions) {
        List<Phase> phases = sheet.stages().stream().map(s -> s.phase()).toList();
        return new FlowerModel(
                FlowerClock.of(sheet, developmentRateFactor),
                conditions,
                phases.stream().map(Phase::receives).toList(),
                phases.stream().map(Phase::sheds).toList());
    }

    /** The same flowers under another course of the weather. */
    FlowerModel under(BloomConditions other) {
        return new FlowerModel(clock, other, receptive, shedding);
    }

    /** The same flowers on a coarser grid of time steps. */
    FlowerModel withLongestStepHours(double hours) {
        return new FlowerModel(clock.withLongestStepHours(hours), conditions, receptive, shedding);
    }

    /** Number of compartments on the tree: all but the one past the last stage. */
    int compartments() {
        return clock.compartmentCount() - 1;
    }

    /** For each compartment on the tree, 1 where its stage is among those wanted, else 0. */
    double[] indicator(List<Boolean> stages) {
        return IntStream.range(0, compartments())
                .mapToDouble(c -> stages.get(clock.stageOfCompartment(c)) ? 1 : 0)
                .toArray();
    }
}
