package org.evenhand.core.pollen;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/** Whether a lot should be tested before one counts on it. */
public enum TestAdvice {
    FROM_ELSEWHERE("Nobody here has tested it: germinate a pinch before you count on it."),
    LAST_SEASON("It is older than half a year: germinate a pinch before you count on it."),
    MISHANDLED("Something happened to it that can harm pollen: germinate a pinch, or try it on spare flowers."),
    OLD("It has halved at least once since anyone knew better: germinate a pinch before you count on it.");

    private static final Duration HALF_A_YEAR = Duration.ofDays(183);
    /** Pollen for the next evening is used, not tested. */
    private static final Duration YOUNG = Duration.ofHours(20);

    private final String say;

    TestAdvice(String say) {
        this.say = say;
    }

    public String say() {
        return say;
    }

    /** The advice at a moment; none for a lot that is young, tested or mouldy. */
    public static Optional<TestAdvice> of(ViabilityCurve course, Instant at) {
        ViabilityCurve.Estimate now = course.at(at);
        if (course.untestedFromElsewhere()) {
            return now.spoiled() ? Optional.empty() : Optional.of(FROM_ELSEWHERE);
        }
        Instant known = course.testedAt().filter(t -> !t.isAfter(at)).orElse(now.fromAt());
        Duration since = Duration.between(known, at);
        if (now.spoiled() || since.compareTo(YOUNG) < 0) {
            return Optional.empty();
        }
        if (since.compareTo(HALF_A_YEAR) > 0) {
            return Optional.of(LAST_SEASON);
        }
        boolean mishandled = course.keeping().hazardsUntil(at).stream()
                .anyMatch(h -> !course.keeping().hazardsUntil(known).contains(h));
        if (mishandled) {
            return Optional.of(MISHANDLED);
        }
        return now.halvings() >= 1 ? Optional.of(OLD) : Optional.empty();
    }
}
