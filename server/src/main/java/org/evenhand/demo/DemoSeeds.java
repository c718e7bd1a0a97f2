package org.evenhand.demo;

import java.time.LocalDate;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.cross.SeedLotRequests;
import org.evenhand.cross.SeedLots;
import org.evenhand.kit.Caller;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Seeds of earlier harvests: some up in their tray, some in pots, some planted out. */
@Component
@ConditionalOnProperty("even-hand.demo")
class DemoSeeds {
    private final SeedLots lots;

    DemoSeeds(SeedLots lots) {
        this.lots = lots;
    }

    /** @param today in late November; everything happened before */
    void fill(Caller caller, Supplier<UUID> ids, LocalDate today, UUID apple, UUID ridge, UUID lantern) {
        int year = today.getYear();
        Raised pips =
                lot(caller, ids, apple, LocalDate.of(year, 4, 12), 6, 34, 3, "Open pollinated: the mother is known.");
        pips.step(NurseryStep.COOLED, LocalDate.of(year, 6, 9), 34);
        pips.left(NurseryStep.DIED, LocalDate.of(year, 7, 1), 2, NurseryStage.COLD, "mould");
        pips.step(NurseryStep.SOWN, LocalDate.of(year, 9, 2), 32);
        pips.step(NurseryStep.CAME_UP, LocalDate.of(year, 10, 6), 11);
        pips.step(NurseryStep.CAME_UP, LocalDate.of(year, 10, 27), 9);

        Raised potted = lot(caller, ids, ridge, LocalDate.of(year, 5, 3), 1, 48, 2, null);
        potted.step(NurseryStep.SOWN, LocalDate.of(year, 5, 10), 48);
        potted.step(NurseryStep.CAME_UP, LocalDate.of(year, 6, 20), 29);
        potted.left(NurseryStep.DIED, LocalDate.of(year, 7, 5), 19, NurseryStage.SOWN, null);
        potted.left(NurseryStep.DIED, LocalDate.of(year, 8, 11), 3, NurseryStage.UP, "snails");
        potted.step(NurseryStep.POTTED, LocalDate.of(year, 8, 28), 26);

        Raised planted = lot(caller, ids, lantern, LocalDate.of(year - 2, 5, 1), 1, 30, 0, null);
        planted.step(NurseryStep.SOWN, LocalDate.of(year - 2, 5, 8), 30);
        planted.step(NurseryStep.CAME_UP, LocalDate.of(year - 2, 6, 19), 22);
        planted.left(NurseryStep.DIED, LocalDate.of(year - 2, 7, 3), 8, NurseryStage.SOWN, null);
        planted.left(NurseryStep.DIED, LocalDate.of(year - 2, 8, 2), 2, NurseryStage.UP, null);
        planted.step(NurseryStep.POTTED, LocalDate.of(year - 2, 8, 20), 20);
        planted.left(NurseryStep.DIED, LocalDate.of(year - 1, 7, 11), 3, NurseryStage.POTTED, "a dry week");
        planted.left(
                NurseryStep.GIVEN_AWAY, LocalDate.of(year - 1, 3, 2), 6, NurseryStage.POTTED, "to the school garden");
        planted.step(NurseryStep.PLANTED, LocalDate.of(year - 1, 9, 14), 11);
    }

    private Raised lot(
            Caller caller,
            Supplier<UUID> ids,
            UUID tree,
            LocalDate harvestedOn,
            int fruits,
            int seeds,
            int emptySeeds,
            String note) {
        UUID id = ids.get();
        lots.put(
                caller,
                id,
                new SeedLotRequests.Lot(tree, null, harvestedOn, fruits, seeds, emptySeeds, note, null, null));
        return new Raised(caller, ids, id);
    }

    private final class Raised {
        private final Caller caller;
        private final Supplier<UUID> ids;
        private final UUID lot;

        Raised(Caller caller, Supplier<UUID> ids, UUID lot) {
            this.caller = caller;
            this.ids = ids;
            this.lot = lot;
        }

        void step(NurseryStep step, LocalDate on, int count) {
            lots.putStep(caller, lot, ids.get(), new SeedLotRequests.Step(step, on, count, null, null, null));
        }

        void left(NurseryStep step, LocalDate on, int count, NurseryStage at, String note) {
            lots.putStep(caller, lot, ids.get(), new SeedLotRequests.Step(step, on, count, at, note, null));
        }
    }
}
