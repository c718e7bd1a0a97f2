package org.evenhand.core;

/** A number with what it counts, as one would say it. */
public final class Plural {
    private Plural() {}

    /** 1 flower, 2 flowers. */
    public static String of(long count, String one) {
        return of(count, one, one + "s");
    }

    /** 1 person, 2 people. */
    public static String of(long count, String one, String several) {
        return count + " " + (count == 1 ? one : several);
    }
}
