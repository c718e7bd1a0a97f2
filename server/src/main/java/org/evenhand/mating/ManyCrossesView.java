package org.evenhand.mating;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.LocalDate;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.mating.CrossCompatibility;

/**
 * Mothers against fathers: who fits, when, by which pollen, and what all of it takes.
 *
 * @param pairs all of them
 * @param fit those whose pollen serves, wholly or in part
 * @param meant those that are to be begun
 * @param rows those that fit or might, what is meant first
 * @param fathers what is meant takes of each father
 */
@Schema(name = "ManyCrosses")
record ManyCrossesView(int pairs, int fit, int meant, List<Row> rows, List<FatherSum> fathers) {

    /**
     * One cross.
     *
     * @param trees trees of the mother that stand
     * @param kind how the pollen gets there; absent where one of the two's bloom is not known
     * @param motherFrom the mother's first day in bloom
     * @param freshFrom first day on which both are in bloom
     * @param keepDays days for which the pollen is stored
     * @param doses doses the flowers take; absent where no storage carries it, or the bloom is not known
     * @param wanted flowers that are wanted of it already
     * @param possible whether it can be begun: it is not wanted already, there is a tree, and pollen gets there as far as is known
     * @param meant whether it is to be begun: it is possible, meets and was not left out, or was asked for
     */
    @Schema(name = "CrossOfTable")
    record Row(
            UUID motherId,
            String mother,
            int trees,
            UUID fatherId,
            String father,
            CrossCompatibility.Verdict verdict,
            String why,
            @Schema(description = OPTIONAL) Overlap.Kind kind,
            @Schema(description = OPTIONAL) LocalDate motherFrom,
            @Schema(description = OPTIONAL) LocalDate motherUntil,
            @Schema(description = OPTIONAL) LocalDate freshFrom,
            @Schema(description = OPTIONAL) LocalDate freshUntil,
            long keepDays,
            @Schema(description = OPTIONAL) Integer doses,
            @Schema(description = OPTIONAL) Integer wanted,
            boolean possible,
            boolean meant) {}

    /**
     * What the crosses of a father take together.
     *
     * @param stored doses of it on the shelf that are still good
     * @param maleFlowers flowers to collect for all doses, nine times in ten enough
     */
    @Schema(name = "FatherOfMany")
    record FatherSum(UUID fatherId, String father, int crosses, int flowers, int doses, int stored, int maleFlowers) {}
}
