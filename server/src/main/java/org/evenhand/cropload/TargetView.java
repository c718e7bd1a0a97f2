package org.evenhand.cropload;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.planning.RoundRequest;

/**
 * What is wanted of a tree, or of each tree of a variety.
 *
 * @param fruits fruits wanted; absent when the trunk says it
 * @param girthCm girth of the trunk, cm
 * @param limbsMm diameters of the limbs that may carry, mm; none where they are not measured
 * @param confidence how sure one wants to be, percent
 * @param priority 0 leave it, 1 as others, 2 before others, 3 first of all
 */
@Schema(name = "FruitTarget")
public record TargetView(
        UUID id,
        @Schema(description = OPTIONAL) UUID treeId,
        @Schema(description = OPTIONAL) UUID varietyId,
        @Schema(description = OPTIONAL) Integer fruits,
        @Schema(description = OPTIONAL) Double girthCm,
        List<Integer> limbsMm,
        int confidence,
        int priority,
        String note,
        long version) {

    /** One step of an answer that says how a number came about. */
    @Schema(name = "TargetBudget")
    public record Budget(
            UUID treeId,
            String tree,
            UUID varietyId,
            String variety,
            String crop,
            @Schema(description = OPTIONAL) TargetView target,
            boolean ofVariety,
            @Schema(description = OPTIONAL) TargetView varietyTarget,
            @Schema(description = OPTIONAL) Integer wanted,
            @Schema(description = OPTIONAL) Integer carries,
            boolean young,
            int set,
            int pending,
            double share,
            double shareLow,
            double shareHigh,
            int learnedFrom,
            @Schema(description = OPTIONAL) Integer flowers,
            @Schema(description = OPTIONAL) Integer more,
            List<Sure> sure,
            String why) {

        /** What a fruit of this tree is worth against others: each step of priority doubles it; 0 where it is to be left alone. */
        public double weight() {
            return target == null ? 1 : target.priority() == 0 ? 0 : Math.pow(2, target.priority() - 1.0);
        }

        /** Flowers to be done at most. */
        public int flowersWanted() {
            if (more != null) {
                return more;
            }
            return wanted != null && wanted == 0 ? 0 : RoundRequest.NO_LIMIT;
        }
    }

    /** So many flowers to be so sure. */
    @Schema(name = "SureFlowers")
    record Sure(int confidence, int flowers) {}
}
