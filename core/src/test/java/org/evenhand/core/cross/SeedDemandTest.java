package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.cross.SeedLotStock.Done;
import org.junit.jupiter.api.Test;

class SeedDemandTest {
    private static final LocalDate HARVEST = LocalDate.of(2026, 3, 20);
    private static final SeedTraits APPLE =
            CropSheets.shipped().find("apple").orElseThrow().seeds().orElseThrow();

    private static Done done(NurseryStep step, int day, int count) {
        return new Done(step, HARVEST.plusDays(day), count, Optional.empty());
    }

    private static SeedLotStock lot(int seeds, Done... done) {
        return SeedLotStock.of(seeds, HARVEST, List.of(done));
    }

    @Test
    void shares_are_learned_from_lots_whose_time_is_over() {
        Done died = new Done(NurseryStep.DIED, HARVEST.plusDays(300), 3, Optional.of(NurseryStage.UP));
        SeedLotStock over = lot(
                50,
                done(NurseryStep.SOWN, 160, 40),
                done(NurseryStep.CAME_UP, 200, 30),
                done(NurseryStep.POTTED, 280, 20),
                died);
        SeedLotStock fresh = lot(30, done(NurseryStep.SOWN, 390, 30), done(NurseryStep.CAME_UP, 395, 2));

        SeedDemand demand = SeedDemand.of(APPLE, List.of(over, fresh), HARVEST.plusDays(400));

        assertThat(demand.germinates().lived()).isEqualTo(30);
        assertThat(demand.germinates().seen()).isEqualTo(40);
        assertThat(demand.reachesPot().lived()).isEqualTo(20);
        assertThat(demand.reachesPot().seen()).isEqualTo(23);
        // (0.7 × 12 + 30) of (12 + 40): the sheet's share weighs a dozen seeds.
        assertThat(demand.germinates().belief().mean()).isCloseTo(38.4 / 52, within(1e-12));
    }

    /**
     * Oracle: 4 000 batches drawn one seed after another; the tolerance is three standard errors. That one seed fewer would not do is
     * asked of the chain from its other end.
     */
    @Test
    void the_fewest_seeds_are_told_that_are_enough_so_often() {
        SeedDemand demand = SeedDemand.of(APPLE, List.of(), HARVEST);
        SeedDemand.Seeds seeds = demand.forTrees(10);
        int sure = seeds.sure().getAsInt();
        int even = seeds.even().getAsInt();
        assertThat(fewest(demand, sure, SeedDemand.SURE)).isTrue();
        assertThat(fewest(demand, even, SeedDemand.EVEN)).isTrue();
        assertThat(enough(demand, sure, 10))
                .isCloseTo(demand.chain().survivors(sure).atLeast(10), within(0.015));
        assertThat(enough(demand, even, 10))
                .isCloseTo(demand.chain().survivors(even).atLeast(10), within(0.024));
        assertThat(seeds.expected()).hasSize(3).isSortedAccordingTo(java.util.Comparator.reverseOrder());
    }

    private static boolean fewest(SeedDemand demand, int seeds, double confidence) {
        return demand.chain().survivors(seeds).atLeast(10) >= confidence
                && demand.chain().survivors(seeds - 1).atLeast(10) < confidence;
    }

    private static double enough(SeedDemand demand, int seeds, int trees) {
        SplittableRandom random = new SplittableRandom(20261201);
        int batches = 4_000;
        int good = 0;
        for (int b = 0; b < batches; b++) {
            double alive = demand.chain().stages().stream()
                    .mapToDouble(s -> s.share().quantile(random.nextDouble()))
                    .reduce(1, (x, y) -> x * y);
            int judged = 0;
            for (int i = 0; i < seeds; i++) {
                judged += random.nextDouble() < alive ? 1 : 0;
            }
            good += judged >= trees ? 1 : 0;
        }
        return (double) good / batches;
    }

    @Test
    void own_lots_that_did_better_ask_for_fewer_seeds() {
        SeedLotStock good = lot(
                400,
                done(NurseryStep.SOWN, 160, 400),
                done(NurseryStep.CAME_UP, 200, 390),
                done(NurseryStep.POTTED, 280, 385));
        int before =
                SeedDemand.of(APPLE, List.of(), HARVEST).forTrees(10).sure().getAsInt();
        int after = SeedDemand.of(APPLE, List.of(good), HARVEST.plusDays(400))
                .forTrees(10)
                .sure()
                .getAsInt();
        assertThat(after).isLessThan(before);
        assertThatThrownBy(() -> SeedDemand.of(APPLE, List.of(), HARVEST).forTrees(0))
                .isInstanceOf(InvalidInputException.class);
    }

    @Test
    void grafting_brings_the_first_fruit_forward_where_the_sheet_says_so() {
        SeedTraits apple =
                CropSheets.shipped().find("apple").flatMap(CropSheet::seeds).orElseThrow();
        // Sown on 1 March 2027: five years on own roots. In the pot after 16 weeks, out six months later, fruit three
        // years after that.
        LocalDate sown = LocalDate.of(2027, 3, 1);
        assertThat(SeedDemand.judgedIn(apple, sown)).isEqualTo(2032);
        assertThat(SeedDemand.judgedGraftedIn(apple, sown)).contains(2030);
    }
}
