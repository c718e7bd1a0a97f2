package org.evenhand.core.permit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.permit.PermitStanding.State;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class PermitStandingTest {
    private static final LocalDate DAY = LocalDate.parse("2028-02-10");

    private static PermitTerm permit(int from, @Nullable Integer until) {
        return new PermitTerm(
                Set.of(PermitScope.FLOWERS),
                Optional.of("rare"),
                DAY.plusDays(from),
                Optional.ofNullable(until).map(DAY::plusDays));
    }

    private static PermitStanding standing(PermitTerm... permits) {
        return PermitStanding.of(List.of(permits), PermitScope.FLOWERS, "rare", DAY);
    }

    private static PermitStanding is(State state, int days) {
        return new PermitStanding(state, Optional.of(DAY.plusDays(days)));
    }

    @Test
    void both_ends_are_days_of_the_permit() {
        assertThat(standing(permit(0, 400))).isEqualTo(is(State.HOLDS, 400));
        assertThat(standing(permit(-9, 0))).isEqualTo(is(State.ENDS_SOON, 0));
        assertThat(standing(permit(1, 9))).isEqualTo(is(State.NOT_YET, 1));
        assertThat(standing(permit(-9, -1))).isEqualTo(is(State.ENDED, -1));
        assertThat(standing(permit(-9, null))).isEqualTo(new PermitStanding(State.HOLDS, Optional.empty()));
        assertThat(standing()).isEqualTo(new PermitStanding(State.MISSING, Optional.empty()));
        // From 10 February 2028, a leap year: 30 days on is 11 March.
        assertThat(standing(permit(0, 30)).state()).isEqualTo(State.ENDS_SOON);
        assertThat(standing(permit(0, 31)).state()).isEqualTo(State.HOLDS);
    }

    @Test
    void one_that_follows_without_a_gap_goes_on_and_one_day_between_ends_it() {
        assertThat(standing(permit(-5, 3), permit(4, 90))).isEqualTo(is(State.HOLDS, 90));
        assertThat(standing(permit(-5, 3), permit(5, 90))).isEqualTo(is(State.ENDS_SOON, 3));
        assertThat(standing(permit(-5, 3), permit(2, null)).day()).isEmpty();
    }

    @Test
    void another_crop_or_other_work_is_not_covered_and_one_without_a_crop_covers_all() {
        PermitTerm pollen =
                new PermitTerm(Set.of(PermitScope.POLLEN_IN), Optional.empty(), DAY.minusDays(1), Optional.empty());

        assertThat(standing(pollen).state()).isEqualTo(State.MISSING);
        assertThat(PermitStanding.of(List.of(permit(0, 9)), PermitScope.FLOWERS, "apple", DAY)
                        .state())
                .isEqualTo(State.MISSING);
        assertThat(PermitStanding.of(List.of(pollen), PermitScope.POLLEN_IN, "apple", DAY)
                        .holds())
                .isTrue();
    }

    @Test
    void a_permit_that_allows_nothing_or_ends_before_it_begins_is_refused() {
        assertThatThrownBy(() -> permit(0, -1))
                .isInstanceOf(InvalidInputException.class)
                .hasMessageContaining("before the permit begins");
        assertThatThrownBy(() -> new PermitTerm(Set.of(), Optional.empty(), DAY, Optional.empty()))
                .isInstanceOf(InvalidInputException.class);
    }

    /** Day by day: a day is covered where any permit holds on it, and the last day without a gap is followed by one that is not. */
    @Test
    void the_last_day_is_what_counting_day_by_day_gives() {
        for (long seed = 0; seed < 300; seed++) {
            Random random = new Random(seed);
            List<PermitTerm> permits = new ArrayList<>();
            for (int i = random.nextInt(6); i > 0; i--) {
                int from = random.nextInt(80) - 40;
                permits.add(permit(from, from + random.nextInt(30)));
            }
            PermitStanding found = PermitStanding.of(permits, PermitScope.FLOWERS, "rare", DAY);
            LocalDate day = DAY;
            while (covered(permits, day)) {
                day = day.plusDays(1);
            }
            assertThat(found.holds()).as("seed %d", seed).isEqualTo(day.isAfter(DAY));
            if (found.holds()) {
                assertThat(found.day()).as("seed %d", seed).contains(day.minusDays(1));
            }
        }
    }

    private static boolean covered(List<PermitTerm> permits, LocalDate day) {
        return permits.stream().anyMatch(p -> p.holdsOn(day));
    }
}
