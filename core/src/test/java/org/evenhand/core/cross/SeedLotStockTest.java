package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.cross.SeedLotStock.Done;
import org.evenhand.core.cross.SeedLotStock.Germination;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class SeedLotStockTest {
    private static final LocalDate HARVEST = LocalDate.of(2026, 3, 20);

    private static Done done(NurseryStep step, int day, int count) {
        return new Done(step, HARVEST.plusDays(day), count, Optional.empty());
    }

    private static Done left(NurseryStep step, int day, int count, NurseryStage at) {
        return new Done(step, HARVEST.plusDays(day), count, Optional.of(at));
    }

    /** Oracle: every seed by itself, each with the stage it is at. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void no_seed_is_lost_doubled_or_made_up(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int seeds = random.nextInt(1, 60);
        List<NurseryStage> each = new ArrayList<>();
        for (int i = 0; i < seeds; i++) {
            each.add(NurseryStage.KEPT);
        }
        List<Done> history = new ArrayList<>();
        int died = 0;
        for (int day = 1; day < 30; day++) {
            NurseryStep step = NurseryStep.values()[random.nextInt(NurseryStep.values().length)];
            if (step == NurseryStep.SEEN) {
                continue;
            }
            NurseryStage at = NurseryStage.values()[random.nextInt(NurseryStage.values().length)];
            int count = random.nextInt(1, 1 + seeds);
            SeedLotStock before = SeedLotStock.of(seeds, HARVEST, history);
            List<NurseryStage> from = step.leaves() ? List.of(at) : step.from();
            long there = each.stream().filter(from::contains).count();
            Done next = step.leaves() ? left(step, day, count, at) : done(step, day, count);
            assertThat(before.possible().stream()
                            .filter(p -> p.step() == step && p.at().equals(next.at()))
                            .mapToInt(SeedLotStock.Possible::most)
                            .sum())
                    .isEqualTo((int) there);
            history.add(next);
            if (count > there) {
                assertThatThrownBy(() -> SeedLotStock.of(seeds, HARVEST, history))
                        .isInstanceOfSatisfying(
                                InvalidInputException.class,
                                e -> assertThat(e.problems().get(0).field()).isEqualTo("count"));
                history.remove(next);
                continue;
            }
            for (int i = 0; i < count; i++) {
                NurseryStage first =
                        from.stream().filter(each::contains).findFirst().orElseThrow();
                each.remove(first);
                step.to().ifPresent(each::add);
            }
            died += step == NurseryStep.DIED ? count : 0;
        }

        SeedLotStock stock = SeedLotStock.of(seeds, HARVEST, history);

        for (NurseryStage stage : NurseryStage.values()) {
            assertThat(stock.at(stage)).as(stage.name()).isEqualTo((int)
                    each.stream().filter(stage::equals).count());
        }
        assertThat(stock.died()).isEqualTo(died);
        assertThat(stock.left() + stock.died() + stock.givenAway() + stock.discarded())
                .isEqualTo(seeds);
    }

    @Test
    void days_before_the_harvest_and_more_than_are_there_are_refused_with_what_to_do() {
        assertThatThrownBy(() -> SeedLotStock.of(10, HARVEST, List.of(done(NurseryStep.SOWN, -1, 3))))
                .hasMessageContaining("before the harvest on 2026-03-20");
        assertThatThrownBy(() -> SeedLotStock.of(
                        10, HARVEST, List.of(done(NurseryStep.SOWN, 3, 8), done(NurseryStep.POTTED, 90, 2))))
                .hasMessageContaining("only 0 were there to be potted")
                .hasMessageContaining("write down first what came before");
        assertThatThrownBy(() -> left(NurseryStep.SOWN, 1, 1, NurseryStage.KEPT))
                .hasMessageContaining("does not belong");
        assertThatThrownBy(() -> done(NurseryStep.DIED, 1, 1)).hasMessageContaining("say where they were");
        assertThatThrownBy(() -> done(NurseryStep.SEEN, 1, 1)).hasMessageContaining("only seen to");
    }

    /** Oracle of the interval: SciPy 1, beta.ppf(0.05, 7, 14) and beta.ppf(0.95, 8, 13). */
    @Test
    void germination_is_told_of_all_that_were_sown_with_its_interval() {
        SeedLotStock stock = SeedLotStock.of(
                24,
                HARVEST,
                List.of(
                        done(NurseryStep.CAME_UP, 60, 5),
                        done(NurseryStep.SOWN, 30, 20),
                        done(NurseryStep.CAME_UP, 74, 2),
                        left(NurseryStep.DIED, 80, 1, NurseryStage.UP)));

        assertThat(stock.germination()).extracting(Germination::up).containsExactly(5, 7);
        Germination last = stock.germination().get(1);
        assertThat(last.sown()).isEqualTo(20);
        assertThat(last.share()).isEqualTo(0.35);
        assertThat(last.from()).isCloseTo(0.177311, within(1e-5));
        assertThat(last.until()).isCloseTo(0.558035, within(1e-5));
        assertThat(stock.at(NurseryStage.UP)).isEqualTo(6);
        assertThat(stock.at(NurseryStage.KEPT)).isEqualTo(4);
    }
}
