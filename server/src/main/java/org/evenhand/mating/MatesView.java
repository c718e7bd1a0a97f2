package org.evenhand.mating;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.pollen.LotView;

/**
 * Seed parents against pollen parents, by kinds that serve each other.
 *
 * @param groups one matrix each
 */
@Schema(name = "Mates")
record MatesView(List<Group> groups) {

    /**
     * One matrix.
     *
     * @param doubts pedigrees that the alleles contradict, a sentence each
     * @param cells one text for each mother, one letter in it for each father: Y yes, P partly, N no, U unknown
     */
    @Schema(name = "MatesGroup")
    record Group(String name, List<Party> mothers, List<Party> fathers, List<String> cells, List<String> doubts) {}

    /**
     * A variety in the matrix.
     *
     * @param trees trees of it
     * @param doses doses of it on the shelf, blends left out
     */
    @Schema(name = "MatesParty")
    record Party(UUID varietyId, String name, String crop, int trees, int doses, String alleles) {}

    /**
     * One cross, and its reciprocal.
     *
     * @param inbreeding coefficient of inbreeding that seedlings would have, as far as the pedigree is known
     * @param kin that in words
     * @param flowers flowers of it whose outcome is known
     * @param taken of them, those that took
     */
    @Schema(name = "MatesPair")
    record Pair(
            UUID motherId,
            String mother,
            UUID fatherId,
            String father,
            Answer answer,
            Answer reciprocal,
            double inbreeding,
            String kin,
            @Schema(description = OPTIONAL) Bloom bloom,
            int flowers,
            int taken,
            List<LotView> jars) {}

    /** Whether a cross serves, and why. */
    @Schema(name = "MatesAnswer")
    record Answer(CrossCompatibility.Verdict verdict, double compatibilityFactor, String why) {
        static Answer of(CrossCompatibility c) {
            return new Answer(c.verdict(), c.compatibilityFactor(), c.why());
        }
    }

    /** Whether the father gives while the mother takes. */
    @Schema(name = "MatesBloom")
    record Bloom(
            Overlap.Kind kind,
            @Schema(description = OPTIONAL) LocalDate freshFrom,
            @Schema(description = OPTIONAL) LocalDate freshUntil,
            int keepDays) {}

    /**
     * A tree that a jar might serve.
     *
     * @param now flowers expected to take pollen now; absent for a tree that nobody has read
     * @param most most of them at any hour of the coming week
     */
    @Schema(name = "ServedTree")
    record Served(
            UUID treeId,
            String tree,
            String variety,
            Answer answer,
            @Schema(description = OPTIONAL) Double now,
            @Schema(description = OPTIONAL) Double most,
            @Schema(description = OPTIONAL) Instant mostAt) {}

    /** What could serve a tree this week. */
    @Schema(name = "Servers")
    record Servers(UUID treeId, String tree, String variety, List<JarServer> jars, List<TreeServer> trees) {}

    /** A jar that might serve it. */
    @Schema(name = "JarServer")
    record JarServer(LotView lot, Answer answer) {}

    /** A tree with flowers giving pollen in the coming week. */
    @Schema(name = "TreeServer")
    record TreeServer(UUID treeId, String tree, String variety, Answer answer, double most, Instant mostAt) {}

    /**
     * A requested cross and how its pollen gets there.
     *
     * @param flowers flowers to be crossed, as given or as the seeds ask for
     * @param flowersGiven absent where the seeds say it
     * @param why how the flowers come from the seeds; empty where they were given
     * @param priority 0 leave it, 1 as others, 2 before others, 3 first of all
     * @param bridge absent where one of the two's bloom is not known
     * @param jars pollen of this father on the shelf
     */
    @Schema(name = "CrossRequest")
    record CrossRequest(
            UUID id,
            UUID motherId,
            String mother,
            UUID fatherId,
            String father,
            int flowers,
            @Schema(description = OPTIONAL) Integer flowersGiven,
            @Schema(description = OPTIONAL) Integer seeds,
            String why,
            int priority,
            String note,
            Answer answer,
            @Schema(description = OPTIONAL) StoragePlan bridge,
            String missing,
            List<StoredJar> jars,
            long version) {}

    /** The plan that gets pollen from one season to another. */
    @Schema(name = "SeasonStoragePlan")
    record StoragePlan(
            Overlap.Kind kind,
            boolean nextSeason,
            @Schema(description = OPTIONAL) LocalDate freshFrom,
            @Schema(description = OPTIONAL) LocalDate freshUntil,
            @Schema(description = OPTIONAL) LocalDate collectFrom,
            @Schema(description = OPTIONAL) LocalDate collectUntil,
            @Schema(description = OPTIONAL) LocalDate useFrom,
            @Schema(description = OPTIONAL) LocalDate useUntil,
            long days,
            List<Keeping> choices) {}

    /** One way of keeping it, with what should be alive on the mother's first and last day. */
    @Schema(name = "StorageChoice")
    record Keeping(
            Storage storage,
            double first,
            double firstLow,
            double firstHigh,
            double last,
            double lastLow,
            double lastHigh,
            boolean useful,
            @Schema(description = OPTIONAL) Integer doses,
            @Schema(description = OPTIONAL) Integer flowersToCollect) {}

    /**
     * A jar of the father, and what should be left of it on the mother's first day, or now where that is not known.
     *
     * @param at that day
     */
    @Schema(name = "StoredJar")
    record StoredJar(LotView lot, Instant at, double share, double low, double high, boolean useful) {}
}
