package org.evenhand.findings;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.evenhand.availability.Strokes;
import org.evenhand.core.findings.TrialAnalysis;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.kit.Within;

/**
 * Flowers treated in arms that were drawn by lot, and how far it has come.
 *
 * @param seed what the lot was drawn with, as text since it can be larger than a page can count
 * @param done places of which something was done
 * @param decided places whose flower took or failed, or can no longer be known
 * @param complete whether all are decided; only then is it judged
 * @param result absent until it is complete
 */
@Schema(name = "Comparison")
public record ComparisonView(
        UUID id,
        String label,
        Question question,
        String asks,
        List<Arm> arms,
        String seed,
        @Schema(description = OPTIONAL) Expected expected,
        String note,
        int done,
        int decided,
        boolean complete,
        @Schema(description = OPTIONAL) Result result,
        List<Place> places,
        long version) {

    /** What is asked. */
    public enum Question {
        NATURE,
        DESICCANT,
        SECOND_VISIT,
        FULL_COVER,
        STAGE,
        TOOL,
        OWN
    }

    /**
     * One arm: how its flowers are treated.
     *
     * @param name what stands on the tag
     * @param strokes how the stigma is covered, where that is what is compared
     * @param tool which brush, where that is what is compared
     * @param stage key of the flower's stage, where that is what is compared
     */
    @Schema(name = "ComparisonWay")
    public record Arm(
            String name,
            Treatment treatment,
            @Schema(description = OPTIONAL) Strokes strokes,
            @Schema(description = OPTIONAL) String tool,
            @Schema(description = OPTIONAL) String stage) {}

    /**
     * What somebody expected beforehand.
     *
     * @param one share of the first way
     * @param other share of the second
     * @param power chance to see that difference with so many flowers
     */
    @Schema(name = "ComparisonExpected")
    public record Expected(double one, double other, double power) {}

    /**
     * A place on a tree.
     *
     * @param slot counted from 0
     * @param tag what stands on the tag
     * @param way index into the ways
     * @param pollinationId absent until it is done
     * @param outcome absent until it is done
     */
    @Schema(name = "ComparisonPlace")
    public record Place(
            int slot,
            String tag,
            UUID treeId,
            String tree,
            int arm,
            @Schema(description = OPTIONAL) UUID pollinationId,
            @Schema(description = OPTIONAL) TrialAnalysis.FlowerOutcome outcome) {}

    /**
     * What came out: each arm, and each against the first.
     *
     * @param differences of each further arm less the first, with the interval at 95 %
     * @param lesson what it says of the crop's sheet; absent where it says nothing
     */
    @Schema(name = "ComparisonResult")
    public record Result(
            List<FindingsView.LevelView> arms,
            List<FindingsView.EstimateView> differences,
            String sentence,
            @Schema(description = OPTIONAL) Lesson lesson) {}

    /**
     * What the trial says of the crop's sheet.
     *
     * @param note where the numbers come from, kept in the sheet's history
     * @param applied whether the sheet says so already
     */
    @Schema(name = "ComparisonLesson")
    public record Lesson(String crop, String cropName, List<Change> changes, String note, boolean applied) {}

    /**
     * One number of a sheet.
     *
     * @param now as the sheet has it
     * @param trial as the trial has it
     */
    @Schema(name = "ComparisonLessonChange")
    public record Change(String path, String what, double now, double trial) {}

    /**
     * A comparison to be drawn; which arms it compares follows from its question.
     *
     * @param names the arms of a question of one's own, the tools, or the keys of the stages; the usual one first
     * @param bagged whether beside nature some are bagged and not pollinated
     * @param trees the trees it is spread over
     * @param flowersEach flowers of each arm, over all trees
     * @param expected absent where nobody reckoned its size
     */
    @Schema(name = "ComparisonRequest")
    public record Request(
            @NotNull Question question,
            @Schema(description = OPTIONAL) List<String> names,
            @Schema(description = OPTIONAL) Boolean bagged,

            @NotNull @jakarta.validation.constraints.Size(min = 1, max = 100)
            List<UUID> trees,

            @NotNull @Within(min = 1, max = 2000) Integer flowersEach,
            @Schema(description = OPTIONAL) @Valid Expected expected,

            @Schema(description = OPTIONAL) @jakarta.validation.constraints.Size(max = 2000)
            String note) {}

    /**
     * How large a trial must be.
     *
     * @param flowersEach flowers of each way
     * @param power chance to see the difference
     * @param falseAlarm chance to see one where there is none
     * @param say the same in a sentence
     */
    @Schema(name = "TrialSize")
    public record Size(int flowersEach, double power, double falseAlarm, String say) {}
}
