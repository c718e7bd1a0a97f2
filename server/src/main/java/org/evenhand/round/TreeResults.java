package org.evenhand.round;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;

/** What flowers showed on each tree this season; told by the room that checks fruit. */
public interface TreeResults {

    /**
     * Of the flowers of one tree.
     *
     * @param taken flowers that took, by the latest look
     * @param failed flowers that failed
     * @param pending flowers done whose outcome is not known yet
     */
    record Result(UUID treeId, int taken, int failed, int pending) {}

    List<Result> of(Caller caller);

    /** Flowers of one crop done with some strokes, over all seasons; {@code strokes} is absent for all of the crop together. */
    record Technique(String crop, Strokes strokes, int taken, int flowers) {}

    List<Technique> techniques(Caller caller);
}
