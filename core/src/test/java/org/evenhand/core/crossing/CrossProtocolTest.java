package org.evenhand.core.crossing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.evenhand.core.crop.CropSheets;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.cropload.FlowerBudget;
import org.evenhand.core.crossing.CrossProtocol.Done;
import org.evenhand.core.crossing.CrossProtocol.Due;
import org.evenhand.core.crossing.CrossProtocol.Step;
import org.evenhand.core.crossing.CrossProtocol.Visits;
import org.evenhand.core.statistics.BetaPosterior;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class CrossProtocolTest {
    private static final Instant MAY = Instant.parse("2027-05-04T08:00:00Z");
    /** Ripe after a day, past after six, own pollen to be taken away. */
    private static final CrossTraits APPLE = traits("apple");
    /** Female first: nothing to take away, nothing to be had at once. */
    private static final CrossTraits CHERIMOYA = traits("cherimoya");

    private static CrossTraits traits(String crop) {
        return CropSheets.shipped().find(crop).orElseThrow().cross().orElseThrow();
    }

    private static List<Step> steps(CrossTraits traits, boolean bag, Visits visits) {
        return new CrossProtocol(traits, new CrossProtocol.Method(bag, visits), List.of())
                .due(MAY).stream().map(Due::step).toList();
    }

    @Test
    void the_steps_follow_the_crop_and_the_school() {
        assertThat(steps(APPLE, true, Visits.TWICE))
                .containsExactly(
                        Step.THIN,
                        Step.EMASCULATE,
                        Step.POLLINATE,
                        Step.BAG,
                        Step.POLLINATE_AGAIN,
                        Step.REBAG,
                        Step.BAG_OFF);
        assertThat(steps(APPLE, true, Visits.WHEN_RIPE))
                .containsExactly(Step.THIN, Step.EMASCULATE, Step.BAG, Step.POLLINATE, Step.REBAG, Step.BAG_OFF);
        assertThat(steps(APPLE, false, Visits.AT_ONCE)).containsExactly(Step.THIN, Step.EMASCULATE, Step.POLLINATE);
        assertThat(steps(CHERIMOYA, true, Visits.AT_ONCE))
                .as("a shut flower takes nothing at once")
                .containsExactly(Step.BAG, Step.POLLINATE, Step.REBAG, Step.BAG_OFF);
    }

    @Test
    void each_step_has_its_day() {
        List<Due> due = new CrossProtocol(
                        APPLE,
                        new CrossProtocol.Method(true, Visits.TWICE),
                        List.of(
                                new Done(Step.THIN, 9, MAY),
                                new Done(Step.EMASCULATE, 9, MAY.plusSeconds(600)),
                                new Done(Step.POLLINATE, 8, MAY.plusSeconds(900))))
                .due(MAY.plusSeconds(1000));

        assertThat(due).extracting(Due::step).containsExactly(Step.BAG, Step.POLLINATE_AGAIN, Step.REBAG, Step.BAG_OFF);
        assertThat(due.get(1).from()).isEqualTo(MAY.plusSeconds(900).plus(Duration.ofDays(1)));
        assertThat(due.get(1).until()).contains(MAY.plus(Duration.ofDays(6)));
        assertThat(due.get(3).from()).isEqualTo(MAY.plusSeconds(900).plus(Duration.ofDays(30)));
    }

    @Test
    void a_second_visit_that_would_come_when_the_stigma_is_past_is_left_out() {
        List<Due> due = new CrossProtocol(
                        CHERIMOYA,
                        new CrossProtocol.Method(true, Visits.TWICE),
                        List.of(
                                new Done(Step.BAG, 3, MAY),
                                new Done(Step.POLLINATE, 3, MAY.plus(Duration.ofHours(50)))))
                .due(MAY);

        assertThat(due).extracting(Due::step).containsExactly(Step.REBAG, Step.BAG_OFF);
    }

    @Test
    void a_visit_that_was_missed_falls_away_with_its_cover() {
        List<Done> once = List.of(
                new Done(Step.THIN, 9, MAY),
                new Done(Step.EMASCULATE, 9, MAY),
                new Done(Step.POLLINATE, 8, MAY),
                new Done(Step.BAG, 8, MAY));
        CrossProtocol pollinated = new CrossProtocol(APPLE, new CrossProtocol.Method(true, Visits.TWICE), once);
        assertThat(pollinated.due(MAY.plus(Duration.ofDays(5))))
                .extracting(Due::step)
                .containsExactly(Step.POLLINATE_AGAIN, Step.REBAG, Step.BAG_OFF);
        assertThat(pollinated.due(MAY.plus(Duration.ofDays(7))))
                .extracting(Due::step)
                .containsExactly(Step.BAG_OFF);

        Instant late = MAY.plus(Duration.ofDays(9));
        CrossProtocol never = new CrossProtocol(
                APPLE,
                new CrossProtocol.Method(true, Visits.WHEN_RIPE),
                List.of(new Done(Step.EMASCULATE, 5, MAY), new Done(Step.BAG, 5, MAY)));
        assertThat(never.due(late)).containsExactly(new Due(Step.BAG_OFF, late, java.util.Optional.empty()));
        assertThat(new CrossProtocol(
                                APPLE,
                                new CrossProtocol.Method(false, Visits.AT_ONCE),
                                List.of(new Done(Step.EMASCULATE, 5, MAY)))
                        .due(late))
                .as("nothing hangs on it that would have to come off")
                .isEmpty();
    }

    @Test
    void a_step_that_is_skipped_is_not_asked_for_again_and_counts_as_no_visit() {
        CrossProtocol.Method way = new CrossProtocol.Method(true, Visits.TWICE);
        List<Done> ready = List.of(new Done(Step.THIN, 9, MAY), new Done(Step.EMASCULATE, 9, MAY));
        List<Done> second = new ArrayList<>(ready);
        second.add(new Done(Step.POLLINATE, 8, MAY));
        second.add(new Done(Step.BAG, 8, MAY));
        second.add(new Done(Step.POLLINATE_AGAIN, 8, MAY.plusSeconds(60), true));
        CrossProtocol once = new CrossProtocol(APPLE, way, second);
        assertThat(once.due(MAY.plusSeconds(90))).extracting(Due::step).containsExactly(Step.BAG_OFF);
        assertThat(once.pollinated()).isTrue();
        assertThat(once.secondVisit(List.of(MAY.plus(Duration.ofDays(1))), MAY, r -> true))
                .containsExactly(0.0);

        List<Done> given = new ArrayList<>(ready);
        given.add(new Done(Step.POLLINATE, 9, MAY, true));
        CrossProtocol waits = new CrossProtocol(APPLE, way, given);
        assertThat(waits.pollinated()).isFalse();
        assertThat(waits.due(MAY)).extracting(Due::step).contains(Step.POLLINATE_AGAIN);
        given.add(new Done(Step.BAG, 9, MAY));
        given.add(new Done(Step.POLLINATE_AGAIN, 9, MAY, true));
        assertThat(new CrossProtocol(APPLE, way, given).due(MAY))
                .as("no pollen will come: the cover goes")
                .extracting(Due::step)
                .containsExactly(Step.BAG_OFF);
    }

    @Test
    void a_bud_that_keeps_its_own_pollen_is_covered_before_it_opens_and_pollinated_when_ripe() {
        CrossProtocol work = new CrossProtocol(APPLE, new CrossProtocol.Method(true, Visits.AT_ONCE, false), List.of());
        assertThat(work.due(MAY))
                .extracting(Due::step)
                .containsExactly(Step.THIN, Step.BAG, Step.POLLINATE, Step.REBAG, Step.BAG_OFF);
        assertThat(work.receptivity(MAY, MAY)).isZero();
        assertThat(work.receptivity(MAY, MAY.plus(Duration.ofHours(24)))).isEqualTo(1);
    }

    @Test
    void steps_written_down_with_one_time_were_done_in_the_order_in_which_they_come() {
        Instant later = MAY.plus(Duration.ofHours(30));
        CrossProtocol ripe = new CrossProtocol(
                CHERIMOYA,
                new CrossProtocol.Method(true, Visits.TWICE),
                List.of(
                        new Done(Step.BAG, 3, MAY),
                        new Done(Step.REBAG, 3, later),
                        new Done(Step.POLLINATE, 3, later)));
        assertThat(ripe.due(later.plus(Duration.ofDays(3))))
                .extracting(Due::step)
                .containsExactly(Step.BAG_OFF);
        CrossProtocol atOnce = new CrossProtocol(
                APPLE,
                new CrossProtocol.Method(true, Visits.TWICE),
                List.of(
                        new Done(Step.BAG, 3, MAY),
                        new Done(Step.POLLINATE, 3, MAY),
                        new Done(Step.EMASCULATE, 3, MAY),
                        new Done(Step.THIN, 3, MAY)));
        assertThat(atOnce.due(MAY)).extracting(Due::step).startsWith(Step.POLLINATE_AGAIN);
    }

    @Test
    void who_makes_three_of_a_cluster_ready_takes_the_cluster() {
        assertThat(APPLE.flowersTaken(3)).isEqualTo(5);
        assertThat(APPLE.flowersTaken(4)).isEqualTo(10);
        assertThat(CHERIMOYA.flowersTaken(4)).isEqualTo(4);
    }

    @Test
    void a_step_passed_over_is_not_asked_for_again_and_nothing_once_all_flowers_are_lost() {
        CrossProtocol.Method way = new CrossProtocol.Method(true, Visits.TWICE);
        assertThat(new CrossProtocol(APPLE, way, List.of(new Done(Step.POLLINATE, 4, MAY))).due(MAY))
                .extracting(Due::step)
                .startsWith(Step.BAG);
        CrossProtocol lost =
                new CrossProtocol(APPLE, way, List.of(new Done(Step.THIN, 3, MAY), new Done(Step.BAG, 0, MAY)));
        assertThat(lost.due(MAY)).isEmpty();
        assertThat(lost.flowers()).isZero();
    }

    @Test
    void receptivity_rises_until_ripe_and_ends_when_past() {
        CrossProtocol soon = new CrossProtocol(APPLE, new CrossProtocol.Method(true, Visits.TWICE), List.of());
        CrossProtocol later = new CrossProtocol(APPLE, new CrossProtocol.Method(true, Visits.WHEN_RIPE), List.of());
        assertThat(soon.receptivity(MAY, MAY)).isEqualTo(0.6);
        assertThat(soon.receptivity(MAY, MAY.plus(Duration.ofHours(12)))).isCloseTo(0.8, within(1e-12));
        assertThat(later.receptivity(MAY, MAY.plus(Duration.ofHours(12)))).isZero();
        assertThat(later.receptivity(MAY, MAY.plus(Duration.ofHours(23))))
                .as("a round takes a while")
                .isEqualTo(1);
        assertThat(later.receptivity(MAY, MAY.plus(Duration.ofHours(24)))).isEqualTo(1);
        assertThat(soon.receptivity(MAY, MAY.plus(Duration.ofHours(145)))).isZero();
        assertThat(soon.receptivity(MAY, MAY.minusSeconds(60))).isZero();
    }

    /** Whatever is done in whatever order: the days never run backwards, and doing each step as it comes ends the work. */
    @ParameterizedTest
    @MethodSource("org.evenhand.core.Cases#seeds")
    void done_step_by_step_every_cross_comes_to_its_end(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        CrossTraits traits = random.nextBoolean() ? APPLE : CHERIMOYA;
        CrossProtocol.Method way = new CrossProtocol.Method(random.nextBoolean(), Visits.values()[random.nextInt(3)]);
        List<Done> done = new ArrayList<>();
        Instant at = MAY;
        int visits = 0;
        for (List<Due> due = new CrossProtocol(traits, way, done).due(at);
                !due.isEmpty();
                due = new CrossProtocol(traits, way, done).due(at)) {
            assertThat(due).isSortedAccordingTo((a, b) -> a.from().compareTo(b.from()));
            int before = due.size();
            Due next = due.get(0);
            at = next.from().isAfter(at) ? next.from() : at;
            done.add(new Done(next.step(), 3, at));
            visits += next.step() == Step.POLLINATE || next.step() == Step.POLLINATE_AGAIN ? 1 : 0;
            assertThat(new CrossProtocol(traits, way, done).due(at)).hasSize(before - 1);
        }
        assertThat(visits).isEqualTo(way.visits() == Visits.TWICE ? 2 : 1);
    }

    private static final List<Instant> EVENINGS = List.of(
            MAY, MAY.plus(Duration.ofHours(23)), MAY.plus(Duration.ofHours(48)), MAY.plus(Duration.ofHours(72)));

    @Test
    void in_the_rounds_to_come_it_is_visited_at_once_and_once_more_and_covered_each_time() {
        CrossProtocol work = new CrossProtocol(APPLE, new CrossProtocol.Method(true, Visits.TWICE), List.of());

        assertThat(work.firstVisit(EVENINGS, MAY, r -> true)).containsExactly(0.6, 0.0, 0.0, 0.0);
        assertThat(work.firstVisit(EVENINGS, MAY, r -> r >= 2))
                .as("no pollen yet")
                .containsExactly(0.0, 0.0, 1.0, 0.0);
        assertThat(work.secondVisit(EVENINGS, MAY, r -> true).subList(1, 4)).allMatch(w -> w > 0.9);
        assertThat(work.secondVisit(EVENINGS, MAY, r -> true).get(0)).isZero();
        assertThat(work.inRounds(EVENINGS, MAY, r -> r < 2))
                .containsExactly(
                        List.of(Step.THIN, Step.EMASCULATE, Step.POLLINATE, Step.BAG),
                        List.of(Step.POLLINATE_AGAIN, Step.REBAG),
                        List.of(),
                        List.of());
    }

    @Test
    void a_flower_that_must_open_first_is_covered_today_and_given_pollen_tomorrow() {
        CrossProtocol work = new CrossProtocol(CHERIMOYA, new CrossProtocol.Method(true, Visits.WHEN_RIPE), List.of());

        assertThat(work.firstVisit(EVENINGS, MAY, r -> true)).containsExactly(0.0, 1.0, 1.0, 0.0);
        assertThat(work.secondVisit(EVENINGS, MAY, r -> true)).containsOnly(0.0);
        assertThat(work.inRounds(EVENINGS, EVENINGS.get(1), r -> r == 2))
                .containsExactly(List.of(), List.of(Step.BAG), List.of(Step.POLLINATE, Step.REBAG), List.of());
    }

    @Test
    void flowers_for_seeds_agree_with_seasons_thrown_by_lot() {
        SplittableRandom random = new SplittableRandom(5);
        BetaPosterior certain = BetaPosterior.ofMean(0.3, 1e6);

        FlowerBudget budget = FlowerBudget.forSeeds(40, certain, 5, 10, 0.9);

        int enough = 0;
        for (int season = 0; season < 20_000; season++) {
            int seeds = 0;
            for (int f = 0; f < budget.flowers(); f++) {
                boolean set = random.nextDouble() < 0.3;
                for (int o = 0; set && o < 10; o++) {
                    seeds += random.nextDouble() < 0.5 ? 1 : 0;
                }
            }
            enough += seeds >= 40 ? 1 : 0;
        }
        assertThat(enough / 20_000.0).isCloseTo(budget.chance(), within(0.012));
        assertThat(budget.chance()).isGreaterThanOrEqualTo(0.9);
        assertThat(budget.chanceOfOneLess()).isLessThan(0.9);
        assertThat(FlowerBudget.forSeeds(7, certain, 1, 1, 0.8).chance())
                .as("one seed in each fruit: seeds are fruits")
                .isCloseTo(FlowerBudget.believed(7, certain, 0.8).chance(), within(1e-9));
        assertThat(FlowerBudget.forSeeds(40, BetaPosterior.ofMean(0.3, 10), 5, 10, 0.9)
                        .flowers())
                .isGreaterThan(budget.flowers());
    }
}
