package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import com.fasterxml.jackson.annotation.JsonIgnoreProperties;
import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Text;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.pollination.PollinationView;

/**
 * A round for one hour.
 *
 * @param collect pollen to collect first
 * @param kept doses that wait for a later round
 * @param left flowers that get no pollen
 * @param waiting flowers that could take pollen now and are left for a later round
 * @param value flowers that have pollen for the first time, weighted by receptivity, viability and worth of the cross
 * @param proven whether no better use of the pollen exists
 */
@Schema(name = "Round")
public record RoundView(
        Instant at,
        @Schema(description = OPTIONAL) Hours bestHours,
        List<PlanView.Collect> collect,
        List<StopView> stops,
        List<PlanView.Kept> kept,
        List<PlanView.Left> left,
        List<Waiting> waiting,
        List<PollinationView> done,
        double value,
        boolean proven,
        List<String> cautions) {

    /** Flowers that wait, and for which pollen. */
    @Schema(name = "WaitingFlowers")
    record Waiting(UUID treeId, String tree, int flowers, Instant at, String lot) {}

    /** When to go: until the hours end in which its crops are worked, or the next visit begins. */
    @Schema(name = "BestHours")
    record Hours(Instant from, Instant until) {}

    /**
     * One thing to do at one tree: pollen of one jar to its flowers, or a step on a cross.
     *
     * @param lotId absent where the pollen is still to be gathered, where the brush goes from flower to flower, and at a step that
     *     needs none
     * @param expected flowers weighted as in the plan
     * @param strokes how to lead the brush, by the school that is followed
     * @param cleanBefore what to clean or change first, as another father's pollen was used at the stop before
     * @param kind what is done; giving pollen for most
     * @param wanted whether somebody chose it
     * @param cross the cross whose flowers they are
     * @param say how the step on a cross is done; empty for others
     * @param handling what else one heeds at each flower
     * @param passes times that one goes over the same flower; absent for once
     * @param limbs how the flowers are spread over the limbs that were measured; none where none were
     * @param againOf pollination whose flowers, outside crosses, have pollen once more
     * @param collectOf the variety whose pollen is still to be collected; absent where it is in a jar
     * @param onlyNow whether hardly any of these flowers takes pollen a day later
     */
    @Schema(name = "RoundStop")
    @JsonIgnoreProperties(ignoreUnknown = true)
    public record StopView(
            UUID treeId,
            String treeName,
            String varietyName,
            String crop,
            String block,
            int row,
            int position,
            @Schema(description = OPTIONAL) UUID lotId,
            String lotCode,
            String pollenParent,
            int flowers,
            List<StageFlowers> byStage,
            double expected,
            double viability,
            String why,
            List<Text> strokes,
            List<String> cleanBefore,
            CrossProtocol.Step kind,
            boolean wanted,
            @Schema(description = OPTIONAL) Cross cross,
            List<Text> say,
            List<String> handling,
            @Schema(description = OPTIONAL) Integer passes,
            List<LimbFlowers> limbs,
            @Schema(description = OPTIONAL) UUID againOf,
            boolean onlyNow,
            @Schema(description = OPTIONAL) UUID collectOf) {
        /** Walks of earlier days lack what stops have learned to say since, and say what they have unlearned. */
        public StopView {
            kind = kind == null ? CrossProtocol.Step.POLLINATE : kind;
            say = say == null ? List.of() : List.copyOf(say);
            strokes = strokes == null ? List.of() : List.copyOf(strokes);
            handling = handling == null ? List.of() : List.copyOf(handling);
            limbs = limbs == null ? List.of() : List.copyOf(limbs);
        }

        public boolean givesPollen() {
            return kind.givesPollen();
        }

        /** The same, of a cross that has been begun. */
        public StopView of(Cross begun) {
            return with(flowers, cleanBefore, begun, lotId, why, say, againOf);
        }

        /** The same from a jar that is still to be filled. */
        public StopView fromJar(UUID lot) {
            return with(flowers, cleanBefore, cross, lot, why, say, againOf);
        }

        /** The same with other flowers, as many as were done. */
        public StopView ofFlowers(int other) {
            return with(other, cleanBefore, cross, lotId, why, say, againOf);
        }

        /** The same, with what to clean first. */
        public StopView after(List<String> clean) {
            return with(flowers, clean, cross, lotId, why, say, againOf);
        }

        /** The same for flowers that had pollen before. */
        StopView onceMore(UUID first, String newWhy, List<Text> newSay) {
            return with(flowers, cleanBefore, cross, lotId, newWhy, newSay, first);
        }

        private StopView with(
                int newFlowers,
                List<String> newClean,
                Cross newCross,
                UUID newLot,
                String newWhy,
                List<Text> newSay,
                UUID newAgainOf) {
            return new StopView(
                    treeId,
                    treeName,
                    varietyName,
                    crop,
                    block,
                    row,
                    position,
                    newLot,
                    lotCode,
                    pollenParent,
                    newFlowers,
                    byStage,
                    expected,
                    viability,
                    newWhy,
                    strokes,
                    newClean,
                    kind,
                    wanted,
                    newCross,
                    newSay,
                    handling,
                    passes,
                    limbs,
                    newAgainOf,
                    onlyNow,
                    collectOf);
        }
    }

    /** Flowers of one stage. */
    @Schema(name = "StageFlowers")
    public record StageFlowers(String stage, int flowers, double receptivity) {}

    /**
     * The cross that flowers belong to.
     *
     * @param crossId absent as long as it is only planned
     * @param crossRequestId absent where nobody requested it
     * @param label its number; absent as long as it is only planned
     */
    @Schema(name = "StopCross")
    public record Cross(
            @Schema(description = OPTIONAL) UUID crossId,
            @Schema(description = OPTIONAL) UUID crossRequestId,
            UUID fatherId,
            String father,
            @Schema(description = OPTIONAL) String label) {}

    /**
     * Flowers of one limb.
     *
     * @param diameterMm its thickness
     * @param fruits fruits that it carries
     * @param flowers of this stop's
     */
    @Schema(name = "LimbFlowers")
    record LimbFlowers(int diameterMm, int fruits, int flowers) {}
}
