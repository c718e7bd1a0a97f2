package org.evenhand.verify;

import java.util.List;
import java.util.Locale;

/** Holds figures against bounds, both ends included, and notes those outside. */
record Bounds(String where, List<String> misses) {
    void within(String figure, double got, double low, double high) {
        if (!(got >= low && got <= high)) {
            misses.add(
                    String.format(Locale.ROOT, "%s%s: expected %.4g to %.4g, got %.4g", where, figure, low, high, got));
        }
    }

    void equal(String figure, int got, int wanted) {
        if (got != wanted) {
            misses.add(where + figure + ": expected " + wanted + ", got " + got);
        }
    }
}
