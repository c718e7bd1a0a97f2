package org.evenhand.core.pollen;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.statistics.BetaPosterior;
import org.jspecify.annotations.Nullable;

/**
 * Pollen that came from outside the orchard, and what is known of it.
 *
 * <p>What is believed of its living share when it came, by the first of these that holds: a share that was stated with it, believed as
 * {@value #STATED_WEIGHT} grains (half of what is believed of pollen of one's own, as nobody here saw it); the crop's course from its
 * collection, where it is known when that was and where it was kept since; else anything from nothing to the crop's fresh share,
 * equally likely. These are conventions of ours.
 *
 * @param receivedAt when it came
 * @param storage where it went then
 * @param dry whether it came dry
 * @param collectedAt when it was collected, not after it came; null where that is not known
 * @param keptBefore where it was from then until it came; null where that is not known
 * @param statedAlive share of living grains that was stated with it, above 0 to 1; null where none was
 */
public record ReceivedPollen(
        Instant receivedAt,
        Storage storage,
        boolean dry,
        @Nullable Instant collectedAt,
        @Nullable Storage keptBefore,
        @Nullable Double statedAlive) {
    static final double STATED_WEIGHT = ViabilityCurve.FRESH_WEIGHT / 2;

    /**
     * @throws InvalidInputException when it was collected after it came, when it is said where it was kept but not since when, or when the
     *     stated share is not above 0 and at most 1
     */
    public ReceivedPollen {
        if (collectedAt != null && collectedAt.isAfter(receivedAt)) {
            throw new InvalidInputException("collectedAt", "is after the pollen came; it was collected before.");
        }
        if (keptBefore != null && collectedAt == null) {
            throw new InvalidInputException(
                    "collectedAt", "is not given; where it was kept says nothing without the day it was collected.");
        }
        if (statedAlive != null && !(statedAlive > 0 && statedAlive <= 1)) {
            throw new InvalidInputException(
                    "statedAlive", "is " + statedAlive + "; a stated share lies above 0 and is at most 1.");
        }
    }

    /** Whether its age and all its keeping are known, so that the crop's course can be followed from its collection. */
    public boolean courseKnown() {
        return statedAlive == null && keptBefore != null;
    }

    /** When it was collected; where that is not known, when it came. */
    public Instant age() {
        return collectedAt == null ? receivedAt : collectedAt;
    }

    /** Where it was until it came, as far as that is known, and where it went then. */
    public List<StorageStep> firstSteps() {
        List<StorageStep> steps = new ArrayList<>();
        if (keptBefore != null && courseKnown()) {
            steps.add(StorageStep.stored(age(), keptBefore));
            addDry(steps, age());
        }
        steps.add(StorageStep.stored(receivedAt, storage));
        addDry(steps, receivedAt);
        return List.copyOf(steps);
    }

    private void addDry(List<StorageStep> steps, Instant at) {
        if (dry) {
            steps.add(StorageStep.of(at, StorageStep.Kind.SEEN_DRY));
        }
    }

    /**
     * What is alive in it over time, before anybody here tests it.
     *
     * @param keeping its {@link #firstSteps()} and what came after
     */
    public ViabilityCurve curve(CropSheet sheet, StorageHistory keeping) {
        double fresh = sheet.pollen().freshViability().value();
        if (courseKnown()) {
            return ViabilityCurve.received(
                    sheet, keeping, age(), BetaPosterior.ofMean(fresh, ViabilityCurve.FRESH_WEIGHT));
        }
        BetaPosterior belief = statedAlive != null
                ? BetaPosterior.ofMean(statedAlive, STATED_WEIGHT)
                : BetaPosterior.ofMoments(fresh / 2, fresh * fresh / 12);
        return ViabilityCurve.received(sheet, keeping, receivedAt, belief);
    }
}
