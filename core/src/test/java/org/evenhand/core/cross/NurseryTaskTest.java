package org.evenhand.core.cross;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.cross.NurseryCalendar.Hemisphere;
import org.evenhand.core.cross.SeedLotStock.Done;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class NurseryTaskTest {
    private static final LocalDate HARVEST = LocalDate.of(2026, 3, 20);
    private static final SeedTraits APPLE = traits("apple");
    private static final SeedTraits CHERIMOYA = traits("cherimoya");

    private static SeedTraits traits(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow().seeds().orElseThrow();
    }

    private static Done done(NurseryStep step, LocalDate on, int count) {
        return new Done(step, on, count, Optional.empty());
    }

    private static List<NurseryTask> due(SeedTraits traits, Hemisphere hemisphere, Done... done) {
        return NurseryTask.of(SeedLotStock.of(40, HARVEST, List.of(done)), HARVEST, traits, hemisphere);
    }

    private static NurseryTask task(NurseryTask.Kind kind, int count, String from) {
        return new NurseryTask(kind, count, LocalDate.parse(from));
    }

    /** Twelve weeks before the first of spring: 1 September in the south, 1 March in the north. */
    @Test
    void pips_lie_cold_so_that_they_can_be_sown_in_spring() {
        assertThat(due(APPLE, Hemisphere.SOUTH)).containsExactly(task(NurseryTask.Kind.COOL, 40, "2026-06-09"));
        assertThat(due(APPLE, Hemisphere.NORTH)).containsExactly(task(NurseryTask.Kind.COOL, 40, "2026-12-07"));

        LocalDate cold = LocalDate.of(2026, 6, 9);
        assertThat(due(APPLE, Hemisphere.SOUTH, done(NurseryStep.COOLED, cold, 40)))
                .containsExactly(
                        task(NurseryTask.Kind.LOOK, 40, "2026-06-23"), task(NurseryTask.Kind.SOW, 40, "2026-09-01"));
        assertThat(due(
                        APPLE,
                        Hemisphere.SOUTH,
                        done(NurseryStep.COOLED, cold, 40),
                        done(NurseryStep.SEEN, cold.plusDays(10), 0)))
                .contains(task(NurseryTask.Kind.LOOK, 40, "2026-07-03"));
        Done mould = new Done(NurseryStep.DIED, cold.plusDays(20), 3, Optional.of(NurseryStage.COLD));
        assertThat(due(APPLE, Hemisphere.SOUTH, done(NurseryStep.COOLED, cold, 40), mould))
                .contains(task(NurseryTask.Kind.LOOK, 37, "2026-07-13"));
    }

    @Test
    void seeds_that_must_not_dry_and_need_no_cold_are_sown_at_once() {
        assertThat(due(CHERIMOYA, Hemisphere.SOUTH)).containsExactly(task(NurseryTask.Kind.SOW, 40, "2026-03-20"));
    }

    @Test
    void a_tray_is_counted_until_nothing_more_comes_up_and_seedlings_go_on_to_pot_orchard_and_judging() {
        LocalDate sown = LocalDate.of(2026, 9, 1);
        Done sowing = done(NurseryStep.SOWN, sown, 40);
        assertThat(due(APPLE, Hemisphere.SOUTH, sowing))
                .containsExactly(task(NurseryTask.Kind.COUNT, 40, "2026-09-15"));

        Done up = done(NurseryStep.CAME_UP, sown.plusDays(50), 25);
        assertThat(due(APPLE, Hemisphere.SOUTH, sowing, up))
                .containsExactly(
                        task(NurseryTask.Kind.CLOSE, 15, "2026-10-27"), task(NurseryTask.Kind.POT, 25, "2026-12-16"));

        Done potted = done(NurseryStep.POTTED, LocalDate.of(2026, 12, 20), 24);
        Done planted = done(NurseryStep.PLANTED, LocalDate.of(2027, 9, 5), 20);
        assertThat(due(APPLE, Hemisphere.SOUTH, sowing, up, potted))
                .contains(task(NurseryTask.Kind.PLANT, 24, "2027-09-01"));
        assertThat(due(APPLE, Hemisphere.SOUTH, sowing, up, potted, planted))
                .contains(task(NurseryTask.Kind.JUDGE, 20, "2031-09-01"));
    }

    /** Whatever is alive has something due, what is not has nothing, and nothing is due before the harvest. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void what_is_alive_is_never_forgotten(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        List<SeedTraits> all = CropSheets.shipped().all().stream()
                .flatMap(s -> s.seeds().stream())
                .toList();
        SeedTraits traits = all.get(random.nextInt(all.size()));
        Hemisphere hemisphere = Hemisphere.values()[random.nextInt(2)];
        LocalDate harvest = LocalDate.of(2020, 1, 1).plusDays(random.nextInt(3000));
        int sown = random.nextInt(1, 30);
        int up = random.nextInt(0, sown + 1);
        List<Done> done = new java.util.ArrayList<>(List.of(done(NurseryStep.SOWN, harvest.plusDays(9), sown)));
        if (up > 0) {
            done.add(done(NurseryStep.CAME_UP, harvest.plusDays(70), up));
        }
        SeedLotStock stock = SeedLotStock.of(sown + random.nextInt(5), harvest, done);
        List<NurseryTask> due = NurseryTask.of(stock, harvest, traits, hemisphere);

        long stagesAlive = java.util.Arrays.stream(NurseryStage.values())
                .filter(s -> stock.at(s) > 0)
                .count();
        assertThat(due.stream().filter(t -> t.kind() != NurseryTask.Kind.LOOK)).hasSize((int) stagesAlive);
        assertThat(due).allSatisfy(t -> assertThat(t.from()).isAfterOrEqualTo(harvest));
        assertThat(due).isSortedAccordingTo(java.util.Comparator.comparing(NurseryTask::from));
    }
}
