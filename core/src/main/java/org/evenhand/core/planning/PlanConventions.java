package org.evenhand.core.planning;

import java.time.Duration;

/** Numbers that decide what a plan looks at and says, all of them our conventions: no source states them. */
public final class PlanConventions {
    /** Who asks for another hour as close as this to a visit means that visit. */
    public static final Duration SAME_VISIT = Duration.ofHours(6);

    /** A visit that is left out is found again as close as this, though flowers shift its hour a little. */
    public static final Duration LEFT_OUT_WITHIN = Duration.ofHours(2);

    /** A visit at an hour of the grower's own lasts at least so long. */
    public static final Duration OWN_VISIT = Duration.ofHours(1);

    /** A flower pollinated longer ago than this takes no more pollen. */
    public static final Duration NO_POLLEN_AFTER = Duration.ofDays(4);

    /** No stigma of the crops here stays receptive longer; so far back flowers are looked for that may have pollen once more. */
    public static final Duration LONGEST_STIGMA = Duration.ofDays(5);

    /** When a smaller share of the flowers than this is still receptive a day later, it is now or never. */
    public static final double NOW_OR_NEVER = 0.1;

    /** A jar with a smaller share alive than this is not worth a word. */
    public static final double POLLEN_PAST_USE = 0.05;

    /** Fruits that the doubt about a tree must cost before reading it is worth the walk. */
    public static final double WORTH_A_READING = 0.1;

    /** How far ahead pollen to collect is looked for. */
    public static final Duration COLLECT_AHEAD = Duration.ofHours(36);

    /** Of two flowers alike the one of a wanted cross goes first. */
    private static final double CROSS_WEIGHT = 2;

    private PlanConventions() {}

    /**
     * Weight of a flower of a wanted cross against one for fruit: each step of priority doubles it.
     *
     * @param priority 0 to 3; 0 where the cross is to be left alone
     */
    public static double crossWeight(int priority) {
        return priority == 0 ? 0 : CROSS_WEIGHT * Math.pow(2, priority - 1.0);
    }
}
