package org.evenhand.planning;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Text;
import org.evenhand.core.cross.NurseryTask;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.WrittenOnce;
import tools.jackson.databind.annotation.JsonSerialize;

/**
 * The coming rounds.
 *
 * @param moments axis of the curves
 * @param receptive expected flowers that can take pollen at each moment, all trees together
 * @param shedding expected flowers that give it
 * @param account what becomes of the flowers that can take pollen at the next visit; absent where there is no hour to go
 * @param readNext trees whose reading would change the next visit most, the most first
 * @param due what is due within a day beside the visits
 * @param obstacles what stands in the way
 * @param expectedFruits fruits that the plan lets expect
 * @param proven whether no better use of the pollen exists
 * @param gap by how much the plan could be worth less than the best, flowers
 * @param paces how fast the work goes, crop by crop, where one's own walks show it
 * @param overrides days and trees that are skipped, and visits at an hour of somebody's own
 * @param cost fruits that all choices of people cost together; absent where nobody chose anything
 * @param ageSeconds how long ago it was made, where a new one follows; else absent
 */
@Schema(name = "Plan")
public record PlanView(
        List<Instant> moments,
        double[] receptive,
        double[] shedding,
        @JsonSerialize(using = WrittenOnce.class) List<Round> rounds,
        @Schema(description = OPTIONAL) Account account,
        List<ReadNext> readNext,
        List<Due> due,
        @JsonSerialize(using = WrittenOnce.class) List<Left> left,
        List<Kept> kept,
        List<Spare> spare,
        List<Chosen> choices,
        List<AwayWords> away,
        List<Text> obstacles,
        double value,
        double expectedFruits,
        boolean proven,
        double gap,
        List<Pace> paces,
        List<OverrideView> overrides,
        @Schema(description = OPTIONAL) Double cost,
        @Schema(description = OPTIONAL) Long ageSeconds) {

    /** The same, made so long ago. */
    PlanView ofAge(Duration age) {
        return new PlanView(
                moments,
                receptive,
                shedding,
                rounds,
                account,
                readNext,
                due,
                left,
                kept,
                spare,
                choices,
                away,
                obstacles,
                value,
                expectedFruits,
                proven,
                gap,
                paces,
                overrides,
                cost,
                age.toSeconds());
    }

    /**
     * One round.
     *
     * @param day the day to which it belongs: a night's, that on which the night began
     * @param until when it ends at the latest: with the hours in which its crops are worked, or at the next round
     * @param why why at this hour
     * @param mostFlowers flowers that can be done until then
     * @param crops names of the crops it comes to
     * @param minutes about how long it takes, at the pace of the settings
     */
    @Schema(name = "PlannedRound")
    record Round(
            Instant at,
            LocalDate day,
            Instant until,
            List<Text> why,
            @Schema(description = OPTIONAL) Integer mostFlowers,
            int flowers,
            double expectedFruits,
            double minutes,
            List<String> crops,
            List<Collect> collect,
            List<RoundView.StopView> stops) {}

    /**
     * Pollen to collect before the females are done.
     *
     * @param flowers male flowers that give the doses
     * @param dosesPerFlower what one of them gives
     * @param later doses of it that wait for later rounds
     */
    @Schema(name = "PlannedCollecting")
    public record Collect(
            UUID varietyId,
            String variety,
            String crop,
            int doses,
            int flowers,
            double dosesPerFlower,
            int later,
            List<FromTree> trees) {}

    /** Where it is. */
    @Schema(name = "CollectFromTree")
    public record FromTree(UUID treeId, String tree, Text place, double flowers) {}

    /**
     * What becomes of the flowers that can take pollen at a visit. In this visit, later, kept for a cross, not wanted and lost add up to the
     * flowers.
     *
     * @param at the visit
     * @param receptive expected flowers that can take pollen then
     * @param havePollen of these, expected flowers that had pollen before, or were picked for theirs
     * @param flowers whole flowers that are accounted for: the others
     */
    @Schema(name = "FlowerAccount")
    record Account(
            Instant at,
            double receptive,
            double havePollen,
            int flowers,
            int inVisit,
            int later,
            int forCross,
            int notWanted,
            int lost,
            List<OfTree> trees) {}

    /**
     * The same of one tree.
     *
     * @param forCross kept for a cross whose pollen is not there yet
     * @param notWanted the tree has what it is wanted to bear, or is to bear nothing
     * @param notWantedAs why; absent where all are wanted
     * @param waitsUntil from which day flowers are wanted, where those before are left alone
     * @param reason why those that are lost get none; absent where none is lost
     * @param wouldServe what would save them
     */
    @Schema(name = "TreeFlowerAccount")
    record OfTree(
            UUID treeId,
            String tree,
            double receptive,
            double havePollen,
            int flowers,
            int inVisit,
            List<Later> later,
            int forCross,
            int notWanted,
            @Schema(description = OPTIONAL) NotWanted notWantedAs,
            @Schema(description = OPTIONAL) LocalDate waitsUntil,
            int lost,
            @Schema(description = OPTIONAL) String reason,
            @Schema(description = OPTIONAL) Text wouldServe) {}

    /** Why flowers are not wanted. */
    enum NotWanted {
        /** It has enough. */
        TARGET_REACHED,
        /** It is to bear nothing. */
        LEFT_ALONE,
        /** It can carry nothing yet, and nobody asked for fruit. */
        CANNOT_CARRY,
        /** They open too soon after leaf-out. */
        EARLY_FLUSH
    }

    /**
     * A tree that is better read again before the next visit.
     *
     * @param readAt its latest reading
     * @param sheds whether it is its pollen that is in doubt; else its flowers that take it
     * @param low fewest such flowers that are foreseen at the visit, eight times in ten
     * @param high most
     * @param decides flowers of the plan that rest on them
     * @param fruits fruits that the doubt costs on average
     */
    @Schema(name = "ReadNext")
    record ReadNext(
            UUID treeId,
            String tree,
            Instant readAt,
            Instant visit,
            boolean sheds,
            int low,
            int high,
            int decides,
            double fruits) {}

    /**
     * Something that is due within a day beside the visits.
     *
     * @param at from when, for a jar to be used until when; absent where any hour of the day will do
     * @param subject code of a jar, number of a cross or seed lot, or trees; empty for leaving
     * @param count doses, flowers, looks, trees, seeds or seedlings
     * @param id of the jar, the cross or the seed lot
     * @param step what is to be done on the cross
     * @param task what is to be done with the seed lot
     * @param back the last day away
     */
    @Schema(name = "DueWork")
    record Due(
            Kind kind,
            @Schema(description = OPTIONAL) Instant at,
            String subject,
            int count,
            @Schema(description = OPTIONAL) UUID id,
            @Schema(description = OPTIONAL) CrossProtocol.Step step,
            @Schema(description = OPTIONAL) NurseryTask.Kind task,
            @Schema(description = OPTIONAL) LocalDate back) {
        Due(Kind kind, Instant at, String subject, int count, UUID id) {
            this(kind, at, subject, count, id, null, null, null);
        }

        /** What it is. */
        enum Kind {
            LID,
            USE,
            TEST,
            THROW_AWAY,
            CHECK,
            NUMBER_FRUIT,
            CROSS_STEP,
            SEEDS,
            LEAVING
        }
    }

    /** Flowers that wait for a later visit. */
    @Schema(name = "LaterFlowers")
    record Later(Instant at, Text pollen, int flowers) {}

    /**
     * Flowers that get no pollen, why, and what would serve them.
     *
     * @param tree name of the tree, or of the requested cross
     */
    @Schema(name = "PlanLeft")
    record Left(UUID treeId, String tree, int flowers, String reason, Text wouldServe) {}

    /** Doses that wait for a later round. */
    @Schema(name = "PlanKept")
    record Kept(String lot, int doses, Instant at, String tree, String why) {}

    /**
     * Doses of a jar that no visit of the plan takes: other pollen is worth more there, or no flower is left that they would serve.
     *
     * @param viability share alive now, 0 to 1
     */
    @Schema(name = "PlanSpare")
    record Spare(UUID lotId, String lot, int doses, double viability) {}

    /** A choice of somebody. */
    @Schema(name = "PlanPollenOverride")
    record Chosen(
            UUID id,
            UUID treeId,
            String tree,
            UUID lotId,
            String lot,
            int flowers,
            @Schema(description = OPTIONAL) LocalDate onDay,
            @Schema(description = OPTIONAL) String problem,
            long version) {}

    /**
     * An override of somebody.
     *
     * @param problem why a visit cannot be made at its hour; absent where it can
     */
    @Schema(name = "PlanOverride")
    record OverrideView(
            UUID id,
            PlanOverride.Kind kind,
            @Schema(description = OPTIONAL) LocalDate firstDay,
            @Schema(description = OPTIONAL) LocalDate lastDay,
            @Schema(description = OPTIONAL) UUID treeId,
            @Schema(description = OPTIONAL) String tree,
            @Schema(description = OPTIONAL) Instant visitAt,
            @Schema(description = OPTIONAL) String problem,
            long version) {}

    /**
     * What an override would cost.
     *
     * @param now fruits that the plan as it stands lets expect
     * @param then fruits with the override
     * @param cost fruits lost by it, 0 where none is
     */
    @Schema(name = "PlanOverrideCost")
    record OverrideCost(double now, double then, double cost) {}

    /**
     * How fast one is.
     *
     * @param flowers from how many it was learned
     * @param walks in how many walks
     */
    @Schema(name = "PlanPace")
    record Pace(String crop, double flowersPerHour, int flowers, int walks) {}

    /** What being away means. */
    @Schema(name = "PlanAway")
    record AwayWords(LocalDate first, LocalDate last, String note, List<String> todo) {}
}
