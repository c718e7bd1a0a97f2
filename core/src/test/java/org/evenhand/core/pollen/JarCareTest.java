package org.evenhand.core.pollen;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class JarCareTest {
    private static final Instant NOW = Instant.parse("2026-11-24T03:00:00Z");
    private static final Optional<Instant> LONG = Optional.of(NOW.plus(Duration.ofDays(9)));

    private static Instant in(int hours) {
        return NOW.plus(Duration.ofHours(hours));
    }

    @Test
    void an_open_jar_wants_its_lid_once_it_is_dry_and_a_jar_near_its_end_wants_to_be_used() {
        assertThat(JarCare.of(new JarCare.Jar(true, true, Optional.empty(), false, LONG, false), NOW))
                .containsExactly(new JarCare(JarCare.Kind.LID, NOW));
        assertThat(JarCare.of(new JarCare.Jar(true, false, Optional.of(in(3)), false, Optional.of(in(20)), false), NOW))
                .containsExactly(new JarCare(JarCare.Kind.LID, in(3)), new JarCare(JarCare.Kind.USE, in(20)));
        assertThat(JarCare.of(new JarCare.Jar(true, false, Optional.of(in(30)), false, LONG, false), NOW))
                .as("dry the day after tomorrow only")
                .isEmpty();
        assertThat(JarCare.of(new JarCare.Jar(false, true, Optional.empty(), false, LONG, true), NOW))
                .containsExactly(new JarCare(JarCare.Kind.TEST, NOW));
    }

    @Test
    void a_spoiled_jar_is_thrown_away_and_one_past_use_wants_nothing() {
        assertThat(JarCare.of(new JarCare.Jar(true, true, Optional.empty(), true, LONG, true), NOW))
                .containsExactly(new JarCare(JarCare.Kind.THROW_AWAY, NOW));
        assertThat(JarCare.of(new JarCare.Jar(true, true, Optional.empty(), false, Optional.empty(), true), NOW))
                .isEmpty();
    }
}
