package org.evenhand.cross;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.evenhand.core.crop.Basis;
import org.evenhand.core.cross.SeedDemand;

/**
 * From judged trees back to seeds, fruits and flowers. The lower number is as likely enough as not, the upper one is enough nine times of
 * ten.
 *
 * @param seeds absent where even the most that are worked out are not enough
 * @param fruits with {@code seedsPerFruit} seeds each
 * @param flowers by each opinion on how many flowers give a fruit
 * @param steps the shares it rests on
 * @param judgedIn year of the first fruit on own roots, sown in the season to come
 * @param judgedGraftedIn the same where each is grafted when it is planted out; absent where that gains nothing
 */
@Schema(name = "SeedDemand")
record SeedDemandView(
        String crop,
        int trees,
        @Schema(description = OPTIONAL) Range seeds,
        @Schema(description = OPTIONAL) Range fruits,
        double seedsPerFruit,
        Basis seedsBasis,
        List<Flowers> flowers,
        List<Share> steps,
        int judgedIn,
        @Schema(description = OPTIONAL) Integer judgedGraftedIn) {

    /** From as many as are as likely enough as not, to as many as are enough nine times of ten. */
    @Schema(name = "SeedRange")
    record Range(int from, int until) {
        static Range of(SeedDemand.Range r) {
            return new Range(r.from(), r.until());
        }
    }

    /**
     * @param by who says so, in the sheet's words
     * @param share of crossed flowers that give a fruit
     */
    @Schema(name = "FlowersForSeeds")
    record Flowers(String by, double share, Range flowers) {}

    /**
     * A share that lives on.
     *
     * @param step germinates, reachesPot or reachesFruit
     * @param sheet what the crop sheet says
     * @param lived of {@code seen} here
     * @param mean what is believed, with its 90 % interval
     * @param alive seeds and seedlings after it on average, of as many as are enough nine times of ten; absent where none are
     */
    @Schema(name = "SeedShare")
    record Share(
            String step,
            double sheet,
            Basis basis,
            int lived,
            int seen,
            double mean,
            double from,
            double until,
            @Schema(description = OPTIONAL) Double alive) {}
}
