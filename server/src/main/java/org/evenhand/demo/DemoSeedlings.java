package org.evenhand.demo;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.Supplier;
import org.evenhand.core.cross.NurseryStage;
import org.evenhand.core.cross.NurseryStep;
import org.evenhand.core.cross.SeedlingEvent;
import org.evenhand.core.judging.TraitScale;
import org.evenhand.cross.SeedLotRequests;
import org.evenhand.cross.SeedLots;
import org.evenhand.cross.SeedlingRequests;
import org.evenhand.cross.Seedlings;
import org.evenhand.crossing.ControlledCrossRequests;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.judging.Scores;
import org.evenhand.judging.ScoresRequest;
import org.evenhand.judging.TraitRequest;
import org.evenhand.kit.Caller;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** Apple crosses of earlier years: their seedlings have numbers and bear, the best was selected, one has a name. */
@Component
@ConditionalOnProperty("even-hand.demo")
class DemoSeedlings {
    /** By how much a seedling's taste lies above or below that of its cross. */
    private static final double[] TASTES = {0.5, -1, 0, 1, -0.5, 1.5, -1.5, 0, 0.5};

    /** The same for weeks that it keeps. */
    private static final int[] WEEKS = {2, -5, 6, -1, 4, -3, 0, 7, -6};

    private final ControlledCrosses crosses;
    private final SeedLots lots;
    private final Seedlings seedlings;
    private final Scores scores;

    DemoSeedlings(ControlledCrosses crosses, SeedLots lots, Seedlings seedlings, Scores scores) {
        this.crosses = crosses;
        this.lots = lots;
        this.seedlings = seedlings;
        this.scores = scores;
    }

    /** A variety with a tree that carries fruit of crosses. */
    record Parent(UUID variety, UUID tree) {}

    /** @param today in late November; everything happened before */
    void fill(Caller caller, Supplier<UUID> ids, LocalDate today, Parent harrow, Parent ember, UUID tollgate) {
        Filling filling = new Filling(caller, ids, today.getYear());
        filling.traits();
        filling.parent(harrow.variety(), 6, 30, 1);
        filling.parent(ember.variety(), 8, 12, 2);
        filling.parent(tollgate, 5, 22, 0);
        List<UUID> first = filling.family(harrow.tree(), ember.variety(), 7, 9, new Means(7, 23));
        filling.family(harrow.tree(), tollgate, 7, 6, new Means(5.5, 25));
        filling.family(ember.tree(), tollgate, 6, 7, new Means(6.5, 18));
        filling.happens(first.get(1), SeedlingEvent.DISCARDED, LocalDate.of(today.getYear(), 6, 2), null);
        filling.happens(first.get(5), SeedlingEvent.SELECTED, LocalDate.of(today.getYear() - 1, 6, 14), null);
        filling.happens(first.get(3), SeedlingEvent.SELECTED, LocalDate.of(today.getYear(), 6, 3), null);
        seedlings.name(caller, first.get(5), new SeedlingRequests.Name(ids.get(), "Watchlight"));
    }

    /** Taste and weeks of keeping of a cross's seedlings, on average. */
    private record Means(double taste, int weeks) {}

    private final class Filling {
        private final Caller caller;
        private final Supplier<UUID> ids;
        private final int year;
        private UUID taste;
        private UUID keeping;
        private UUID scab;

        Filling(Caller caller, Supplier<UUID> ids, int year) {
            this.caller = caller;
            this.ids = ids;
            this.year = year;
        }

        void traits() {
            taste = trait("Taste", "", 1, 9, TraitScale.Better.HIGH, 3);
            keeping = trait("Keeping", "weeks", 0, 52, TraitScale.Better.HIGH, 2);
            scab = trait("Scab", "", 0, 5, TraitScale.Better.LOW, 1);
        }

        private UUID trait(String name, String unit, double low, double high, TraitScale.Better better, double weight) {
            UUID id = ids.get();
            scores.put(caller, id, new TraitRequest("apple", name, unit, low, high, better, weight, null));
            return id;
        }

        /** Scored in two years by two people. */
        void parent(UUID variety, double tastes, double weeks, double scabby) {
            score(null, variety, year - 1, "Ines", tastes, weeks, scabby);
            score(null, variety, year, "Tomas", tastes + 0.5, weeks + 2, scabby);
        }

        private void score(
                UUID seedling, UUID variety, int in, String taster, double tastes, double weeks, double scabby) {
            scores.write(
                    caller,
                    new ScoresRequest(
                            seedling,
                            variety,
                            LocalDate.of(in, 5, 28),
                            taster,
                            null,
                            List.of(
                                    new ScoresRequest.One(ids.get(), taste, Math.min(9, Math.max(1, tastes))),
                                    new ScoresRequest.One(ids.get(), keeping, weeks),
                                    new ScoresRequest.One(ids.get(), scab, scabby))));
        }

        /** A cross some years ago, its seeds, and its seedlings with numbers, grafted and bearing. */
        List<UUID> family(UUID tree, UUID father, int yearsAgo, int size, Means means) {
            UUID cross = ids.get();
            int made = year - yearsAgo;
            crosses.put(
                    caller,
                    cross,
                    new ControlledCrossRequests.Cross(tree, father, null, 8, null, null, null, made, null, null, null));
            LocalDate harvest = LocalDate.of(made + 1, 4, 20);
            UUID lot = ids.get();
            lots.put(caller, lot, new SeedLotRequests.Lot(tree, cross, harvest, 3, size + 8, 1, null, null, null));
            step(lot, NurseryStep.COOLED, LocalDate.of(made + 1, 6, 8), size + 8, null);
            step(lot, NurseryStep.SOWN, LocalDate.of(made + 1, 9, 1), size + 8, null);
            step(lot, NurseryStep.CAME_UP, LocalDate.of(made + 1, 10, 12), size + 2, null);
            step(lot, NurseryStep.DIED, LocalDate.of(made + 1, 11, 20), 6, NurseryStage.SOWN);
            step(lot, NurseryStep.DIED, LocalDate.of(made + 1, 12, 1), 2, NurseryStage.UP);
            List<UUID> numbered = new ArrayList<>();
            for (int i = 0; i < size; i++) {
                numbered.add(ids.get());
            }
            seedlings.number(
                    caller,
                    lot,
                    new SeedlingRequests.Numbers(
                            numbered, NurseryStage.UP, LocalDate.of(made + 1, 12, 5), "frame by the wall", null));
            for (int i = 0; i < size; i++) {
                raise(numbered.get(i), i, made, means);
            }
            return numbered;
        }

        private void raise(UUID seedling, int i, int made, Means means) {
            happens(seedling, SeedlingEvent.POTTED, LocalDate.of(made + 2, 2, 10), null);
            happens(seedling, SeedlingEvent.GRAFTED, LocalDate.of(made + 3, 8, 20), "dwarf stock");
            happens(seedling, SeedlingEvent.PLANTED, LocalDate.of(made + 4, 7, 3), null);
            happens(seedling, SeedlingEvent.FRUITED, LocalDate.of(made + 5, 4, 25), null);
            for (int in = made + 5; in <= year; in++) {
                // Years and tasters differ, as they do.
                int luck = (7 * i + 3 * in) % 5 - 2;
                double tastes = means.taste() + TASTES[i] + luck * 0.5;
                double weeks = means.weeks() + WEEKS[i] + luck * 1.5;
                score(seedling, null, in, in % 2 == 0 ? "Ines" : "Tomas", tastes, weeks, (i + in % 2) % 4);
            }
        }

        void happens(UUID seedling, SeedlingEvent event, LocalDate on, String rootstock) {
            String place = event == SeedlingEvent.PLANTED ? "Top field, row 3" : null;
            seedlings.putStep(
                    caller, seedling, ids.get(), new SeedlingRequests.Step(event, on, place, rootstock, null, null));
        }

        private void step(UUID lot, NurseryStep step, LocalDate on, int count, NurseryStage at) {
            lots.putStep(caller, lot, ids.get(), new SeedLotRequests.Step(step, on, count, at, null, null));
        }
    }
}
