package org.evenhand.mating;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;

/** What flowers showed of each cross; told by the room that checks fruit. */
public interface CrossResults {

    /**
     * The flowers of one cross whose outcome is known. Pollen of several fathers at once teaches nothing of either and is left out.
     *
     * @param flowers flowers whose outcome is known
     * @param taken of them, those that took
     */
    record Result(UUID motherId, UUID fatherId, int flowers, int taken) {}

    List<Result> of(Caller caller);
}
