package org.evenhand.walk;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.crossing.ControlledCrossView;
import org.evenhand.planning.PlanView;
import org.evenhand.planning.RoundView;
import org.evenhand.pollination.PollinationView;

/**
 * A walk, and what everybody on it has done so far.
 *
 * @param collects what is collected first; stops that need it name its jar already
 * @param stops in walking order; each keeps its place for good
 * @param replaced places of stops that were planned anew since: nobody need go there
 * @param stale whether a jar was filled with other than planned, and the rest was not planned anew since
 * @param steps steps on crosses that were done on it
 * @param closedAt when it was ended; absent while it can be walked on
 */
@Schema(name = "Walk")
record WalkView(
        UUID id,
        Instant plannedFor,
        Instant startedAt,
        @Schema(description = OPTIONAL) Instant closedAt,
        List<Collecting> collects,
        List<RoundView.StopView> stops,
        List<Integer> replaced,
        boolean stale,
        List<String> cautions,
        List<PollinationView> done,
        List<ControlledCrossView.Done> steps,
        List<Word> words,
        List<Photo> photos,
        long version) {

    /**
     * Pollen to collect before the stops.
     *
     * @param lotId the id of the jar it goes into: once that is on the shelf, it was collected
     * @param given doses with which the rest of the walk was planned anew; absent while it is as planned at first
     */
    @Schema(name = "WalkCollecting")
    record Collecting(
            UUID lotId,
            PlanView.Collect pollen,
            @Schema(description = OPTIONAL) Integer given) {
        /** Doses that the walk reckons with. */
        int doses() {
            return given == null ? pollen.doses() : given;
        }
    }

    /** What was seen at a stop. */
    @Schema(name = "WalkWord")
    record Word(UUID id, int stop, WalkWord.Kind kind, String note, Instant at, UUID by, long version) {}

    /**
     * A picture of a stop, to be fetched by its id.
     *
     * @param latitude where it was taken, degrees; absent unless that is to be kept
     */
    @Schema(name = "WalkPhoto")
    record Photo(
            UUID id,
            int stop,
            Instant at,
            @Schema(description = OPTIONAL) Double latitude,
            @Schema(description = OPTIONAL) Double longitude,
            UUID by,
            long version) {}

    /** A walk that was not ended, in a line. */
    @Schema(name = "OpenWalk")
    record Open(UUID id, Instant startedAt, int stops, int flowersDone, int flowersPlanned) {}
}
