package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.cross.SeedlingLife.Happened;
import org.evenhand.core.cross.SeedlingLife.State;
import org.junit.jupiter.api.Test;

class SeedlingLifeTest {
    private static final LocalDate NUMBERED = LocalDate.of(2024, 11, 2);

    private static Happened on(SeedlingEvent event, int daysAfter) {
        return new Happened(event, NUMBERED.plusDays(daysAfter));
    }

    private static SeedlingLife life(Happened... happened) {
        return SeedlingLife.of(NurseryStage.UP, NUMBERED, List.of(happened));
    }

    @Test
    void a_seedling_goes_from_the_tray_to_the_orchard_and_to_its_end() {
        SeedlingLife life =
                life(on(SeedlingEvent.PLANTED, 400), on(SeedlingEvent.POTTED, 30), on(SeedlingEvent.SELECTED, 1500));
        assertThat(life.stage()).isEqualTo(NurseryStage.PLANTED);
        assertThat(life.state()).isEqualTo(State.SELECTED);
        assertThat(life.taken())
                .extracting(t -> t.done().step())
                .containsExactly(NurseryStep.POTTED, NurseryStep.PLANTED);
        assertThat(life.possible())
                .contains(SeedlingEvent.GRAFTED, SeedlingEvent.MOVED, SeedlingEvent.DISCARDED)
                .doesNotContain(SeedlingEvent.POTTED, SeedlingEvent.PLANTED, SeedlingEvent.SELECTED);

        SeedlingLife dead = life(on(SeedlingEvent.DIED, 10));
        assertThat(dead.possible()).isEmpty();
        assertThat(dead.taken().get(0).done().at()).contains(NurseryStage.UP);
        assertThat(dead.endedOn()).contains(NUMBERED.plusDays(10));
    }

    @Test
    void what_cannot_be_is_refused() {
        assertThatThrownBy(() -> life(on(SeedlingEvent.DISCARDED, 10), on(SeedlingEvent.FLOWERED, 11)))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("discarded on 2024-11-12");
        assertThatThrownBy(() -> life(on(SeedlingEvent.POTTED, 10), on(SeedlingEvent.POTTED, 11)))
                .isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> life(on(SeedlingEvent.SEEN, -1)))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("before it got its number");
        assertThatThrownBy(() -> SeedlingLife.of(NurseryStage.SOWN, NUMBERED, List.of()))
                .isInstanceOf(InvalidInputException.class);
        assertThatThrownBy(() -> SeedlingLife.requireOtherRoots("26-1-07", " 26-1-07 "))
                .isInstanceOf(InvalidInputException.class);
        SeedlingLife.requireOtherRoots("26-1-07", "26-1-08");
    }

    @Test
    void first_fruit_comes_sooner_on_a_rootstock() {
        var apple = CropSheets.shipped().find("apple").flatMap(CropSheet::seeds).orElseThrow();
        LocalDate sown = LocalDate.of(2024, 9, 1);
        assertThat(life().fruitFrom(apple, sown)).contains(SeedDemand.firstFruit(apple, sown));
        LocalDate grafted = NUMBERED.plusDays(30);
        long months = Math.round(12 * apple.graftedFruitYears().orElseThrow().value());
        assertThat(life(on(SeedlingEvent.GRAFTED, 30)).fruitFrom(apple, sown)).contains(grafted.plusMonths(months));
        assertThat(life(on(SeedlingEvent.FRUITED, 900)).fruitFrom(apple, sown)).isEmpty();
    }

    @Test
    void first_fruit_is_waited_for_until_it_is_written_down() {
        var apple = CropSheets.shipped().find("apple").flatMap(CropSheet::seeds).orElseThrow();
        LocalDate harvest = NUMBERED.minusDays(100);
        List<SeedLotStock.Done> up = List.of(
                new SeedLotStock.Done(NurseryStep.SOWN, harvest, 2, Optional.empty()),
                new SeedLotStock.Done(NurseryStep.CAME_UP, harvest.plusDays(20), 2, Optional.empty()));
        SeedlingLife waits = life(on(SeedlingEvent.PLANTED, 20));
        SeedlingLife bears = life(on(SeedlingEvent.PLANTED, 20), on(SeedlingEvent.FRUITED, 900));
        SeedLotStock stock = SeedLotStock.of(2, harvest, up, List.of(waits, bears));
        assertThat(NurseryTask.of(stock, harvest, apple, NurseryCalendar.Hemisphere.SOUTH))
                .extracting(NurseryTask::kind, NurseryTask::count)
                .containsExactly(tuple(NurseryTask.Kind.JUDGE, 1));
        SeedLotStock borne = SeedLotStock.of(2, harvest, up, List.of(bears, bears));
        assertThat(NurseryTask.of(borne, harvest, apple, NurseryCalendar.Hemisphere.SOUTH))
                .isEmpty();
    }

    /** Whatever happens to those with and without a number, the lot holds as many as were sown less those that left. */
    @Test
    void a_lot_counts_its_numbered_seedlings_among_the_others() {
        Random random = new Random(4);
        for (int round = 0; round < 300; round++) {
            int seeds = 5 + random.nextInt(30);
            LocalDate harvest = NUMBERED.minusDays(100);
            List<SeedLotStock.Done> done = new ArrayList<>(List.of(
                    new SeedLotStock.Done(NurseryStep.SOWN, harvest, seeds, Optional.empty()),
                    new SeedLotStock.Done(NurseryStep.CAME_UP, harvest.plusDays(20), seeds, Optional.empty())));
            int numbered = 1 + random.nextInt(seeds);
            List<SeedlingLife> lives = new ArrayList<>();
            int gone = 0;
            for (int i = 0; i < numbered; i++) {
                List<Happened> happened = new ArrayList<>();
                SeedlingLife life = life();
                for (int d = 0; d < random.nextInt(6) && life.alive(); d++) {
                    List<SeedlingEvent> can = life.possible();
                    happened.add(on(can.get(random.nextInt(can.size())), d));
                    life = SeedlingLife.of(NurseryStage.UP, NUMBERED, happened);
                }
                gone += life.alive() ? 0 : 1;
                lives.add(life);
            }
            int others = seeds - numbered;
            if (others > 0) {
                done.add(new SeedLotStock.Done(NurseryStep.DIED, NUMBERED, others, Optional.of(NurseryStage.UP)));
            }
            SeedLotStock stock = SeedLotStock.of(seeds, harvest, done, lives);
            assertThat(stock.left()).isEqualTo(numbered - gone);
            assertThat(stock.course())
                    .extracting(SeedLotStock.Alive::on)
                    .isSorted()
                    .doesNotHaveDuplicates();
            assertThat(stock.course().get(0).at()).isEqualTo(Map.of(NurseryStage.SOWN, seeds));
            assertThat(alive(stock.course().get(stock.course().size() - 1))).isEqualTo(stock.left());
            assertThat(stock.possible()).isEmpty();
            assertThat(stock.died() + stock.discarded() + stock.givenAway() + stock.left())
                    .isEqualTo(seeds);

            List<SeedLotStock.Done> tooMany = new ArrayList<>(done);
            tooMany.add(new SeedLotStock.Done(NurseryStep.DIED, NUMBERED.plusDays(9), 1, Optional.of(NurseryStage.UP)));
            if (lives.stream().anyMatch(l -> l.alive() && l.stage() == NurseryStage.UP)) {
                assertThatThrownBy(() -> SeedLotStock.of(seeds, harvest, tooMany, lives))
                        .isInstanceOf(InvalidInputException.class)
                        .hasMessageContaining("number");
            }
        }
    }

    private static int alive(SeedLotStock.Alive day) {
        return day.at().values().stream().mapToInt(Integer::intValue).sum();
    }

    @Test
    void numbers_sort_and_count_on() {
        assertThat(new SeedlingNumber("26-1", 7)).hasToString("26-1-07");
        assertThat(new SeedlingNumber("S26-3", 112)).hasToString("S26-3-112");
        assertThatThrownBy(() -> new SeedlingNumber("26-1", 0)).isInstanceOf(InvalidInputException.class);
    }
}
