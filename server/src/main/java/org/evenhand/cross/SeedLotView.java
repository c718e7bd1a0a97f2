package org.evenhand.cross;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.core.cross.NurseryTask;

/**
 * A lot of seeds, and where they are.
 *
 * @param mother variety of the tree that carried the fruits
 * @param crossId absent where nobody knows the father
 * @param father pollen parent; absent where nobody knows it
 * @param seeds full ones it began with
 * @param alive seeds and seedlings by stage, those with none left out
 * @param withoutNumber seedlings by stage that have no number of their own, stages with none left out
 * @param numbered how many ever got one
 * @param tasks what is due, the earliest first; none where the crop sheet says nothing of seeds
 * @param possible what can be done next with those that have no number
 * @param germination how many had come up, on each day on which somebody counted
 * @param keepsUntil until when most kept seeds stay alive; absent where none is kept any more, or nobody knows
 * @param keptMoist whether its seeds lose their life when they dry; absent where nobody knows
 */
@Schema(name = "SeedLot")
public record SeedLotView(
        UUID id,
        String label,
        UUID treeId,
        String tree,
        String mother,
        @Schema(description = OPTIONAL) UUID crossId,
        @Schema(description = OPTIONAL) String cross,
        @Schema(description = OPTIONAL) String father,
        String crop,
        LocalDate harvestedOn,
        int fruits,
        int seeds,
        int emptySeeds,
        String note,
        List<Alive> alive,
        int died,
        int givenAway,
        int discarded,
        List<Alive> withoutNumber,
        int numbered,
        List<Task> tasks,
        List<Possible> possible,
        List<Done> done,
        List<Germination> germination,
        @Schema(description = OPTIONAL) LocalDate keepsUntil,
        @Schema(description = OPTIONAL) Boolean keptMoist,
        long version) {

    /** How many are at a stage. */
    @Schema(name = "SeedsAlive")
    public record Alive(NurseryStage stage, int count) {}

    /**
     * What is due.
     *
     * @param due whether its day has come
     * @param step what is written down when it is done; absent where it is no step of a lot
     * @param at the stage that they leave from by that
     */
    @Schema(name = "NurseryTask")
    public record Task(
            NurseryTask.Kind kind,
            int count,
            LocalDate from,
            boolean due,
            @Schema(description = OPTIONAL) NurseryStep step,
            @Schema(description = OPTIONAL) NurseryStage at) {}

    /**
     * What can be done next.
     *
     * @param at where they would leave from; there exactly where they died or are given away
     * @param most seeds or seedlings that it can be done with
     */
    @Schema(name = "PossibleSeedStep")
    public record Possible(
            NurseryStep step,
            @Schema(description = OPTIONAL) NurseryStage at,
            int most) {}

    /** What was done. */
    @Schema(name = "SeedStep")
    public record Done(
            UUID id,
            NurseryStep step,
            LocalDate on,
            int count,
            @Schema(description = OPTIONAL) NurseryStage at,
            String note,
            UUID recordedBy,
            long version) {}

    /**
     * How many had come up by a day.
     *
     * @param share of those sown, with its 90 % interval
     */
    @Schema(name = "Germination")
    public record Germination(LocalDate on, int up, int sown, double share, double from, double until) {}

    /**
     * A lot over the years, to be drawn.
     *
     * @param days how many were alive at each stage from each day on on which that changed, the harvest in front
     * @param today the last day of it
     * @param fruitFrom the day from which first fruit is expected of what is alive; absent where the sheet does not say, or nothing is
     */
    @Schema(name = "SeedRiver")
    public record River(
            UUID id,
            String label,
            String mother,
            @Schema(description = OPTIONAL) String father,
            String crop,
            List<Day> days,
            LocalDate today,
            @Schema(description = OPTIONAL) LocalDate fruitFrom) {}

    /** From a day on. */
    @Schema(name = "SeedRiverDay")
    public record Day(LocalDate on, List<Alive> alive) {}

    /** All lots, the latest in front, and harvested seeds that are in none. */
    @Schema(name = "SeedLots")
    public record All(List<SeedLotView> lots, List<Source> sources) {}

    /**
     * Seeds of harvested fruits of one tree, less those that are in lots already.
     *
     * @param cross absent where nobody knows the father
     * @param pollenOf whose pollen was given outside a cross: bees may have brought other too
     * @param harvestedOn day of the last harvest
     */
    @Schema(name = "SeedSource")
    public record Source(
            UUID treeId,
            String tree,
            @Schema(description = OPTIONAL) UUID crossId,
            @Schema(description = OPTIONAL) String cross,
            @Schema(description = OPTIONAL) String father,
            @Schema(description = OPTIONAL) String pollenOf,
            LocalDate harvestedOn,
            int fruits,
            int seeds,
            int emptySeeds) {}
}
