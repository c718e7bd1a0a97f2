package org.evenhand.cropload;

import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.availability.Strokes;
import org.evenhand.core.cropload.SetBelief;
import org.evenhand.core.findings.ShrunkenRatio;
import org.evenhand.kit.Caller;

/** What flowers showed on each tree this season; told by the room that checks fruit. */
public interface TreeResults {

    /**
     * Of the flowers of one tree.
     *
     * @param taken flowers that took, by the latest look
     * @param pending flowers done whose outcome is not known yet
     * @param ordinary of flowers of ordinary work, those that took and those that failed or dropped: what can be learned from. Trials
     *     and pollen that could not serve are left out
     */
    record Result(UUID treeId, int taken, int pending, SetBelief.Seen ordinary) {}

    List<Result> of(Caller caller);

    /** Flowers of one crop done with some strokes, over all seasons; {@code strokes} is absent for all of the crop together. */
    record Technique(String crop, Strokes strokes, int taken, int flowers) {}

    List<Technique> techniques(Caller caller);

    /** How some strokes did on a crop against all of its flowers. */
    static ShrunkenRatio factor(List<Technique> techniques, String crop, Strokes strokes) {
        return technique(techniques, crop, null)
                .flatMap(all -> technique(techniques, crop, strokes)
                        .map(own -> ShrunkenRatio.of(own.taken(), own.flowers(), all.taken(), all.flowers())))
                .orElse(ShrunkenRatio.NONE);
    }

    private static Optional<Technique> technique(List<Technique> techniques, String crop, Strokes strokes) {
        return techniques.stream()
                .filter(t -> t.crop().equals(crop) && t.strokes() == strokes)
                .findFirst();
    }
}
