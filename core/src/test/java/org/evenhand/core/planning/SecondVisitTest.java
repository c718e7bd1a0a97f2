package org.evenhand.core.planning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.SplittableRandom;
import org.evenhand.core.InvalidInputException;
import org.junit.jupiter.api.Test;

class SecondVisitTest {
    private static final Instant EVENING = Instant.parse("2026-11-23T05:00:00Z");
    private static final Instant MORNING = EVENING.plus(Duration.ofHours(13));

    @Test
    void as_many_as_there_is_pollen_for_and_no_more_than_were_done() {
        assertThat(SecondVisit.of(8, EVENING, MORNING, 0.7, 5)).contains(new SecondVisit(5, 0.7));
        assertThat(SecondVisit.of(8, EVENING, MORNING, 0.7, 50)).contains(new SecondVisit(8, 0.7));
        assertThat(SecondVisit.of(8, EVENING, MORNING, 0.7, 0)).isEmpty();
    }

    @Test
    void neither_right_after_the_first_nor_when_most_stigmas_are_past_it() {
        assertThat(SecondVisit.of(8, EVENING, EVENING.plus(Duration.ofHours(2)), 1, 50))
                .isEmpty();
        assertThat(SecondVisit.of(8, EVENING, MORNING, 0.49, 50)).isEmpty();
        assertThatThrownBy(() -> SecondVisit.of(8, EVENING, MORNING, 1, -1)).isInstanceOf(InvalidInputException.class);
    }

    @Test
    void less_time_fewer_stigmas_or_fewer_doses_never_offer_more() {
        SplittableRandom random = new SplittableRandom(20261126);
        for (int run = 0; run < 2000; run++) {
            int flowers = 1 + random.nextInt(40);
            int doses = random.nextInt(60);
            double taking = random.nextDouble();
            Instant at = EVENING.plus(Duration.ofMinutes(random.nextInt(60 * 48)));
            int offered = offered(SecondVisit.of(flowers, EVENING, at, taking, doses));
            assertThat(offered).isBetween(0, Math.min(flowers, doses));
            assertThat(offered(SecondVisit.of(flowers, EVENING, at, taking * random.nextDouble(), doses)))
                    .isLessThanOrEqualTo(offered);
            assertThat(offered(SecondVisit.of(flowers, EVENING, at, taking, random.nextInt(doses + 1))))
                    .isLessThanOrEqualTo(offered);
            assertThat(offered(SecondVisit.of(
                            flowers, EVENING.plus(Duration.ofMinutes(random.nextInt(600))), at, taking, doses)))
                    .isLessThanOrEqualTo(offered);
        }
    }

    private static int offered(Optional<SecondVisit> visit) {
        return visit.map(SecondVisit::flowers).orElse(0);
    }
}
