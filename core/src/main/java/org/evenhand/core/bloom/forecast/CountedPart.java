package org.evenhand.core.bloom.forecast;

import java.util.Arrays;
import java.util.List;
import org.evenhand.core.InvalidInputException;

/**
 * The counts of what was read together on one tree: the whole crown, or one limb.
 *
 * @param tree which tree it belongs to
 * @param hours of the readings, in rising order
 * @param counts for each reading the flowers counted in each stage
 * @param shares for each reading the share of the part's flowers that was seen, more than 0, up to 1
 */
record CountedPart(int tree, double[] hours, List<double[]> counts, double[] shares) {
    CountedPart {
        counts = List.copyOf(counts);
        if (hours.length == 0 || counts.size() != hours.length || shares.length != hours.length) {
            throw new InvalidInputException("readings", "are none; a forecast starts from a reading.");
        }
    }

    int readings() {
        return hours.length;
    }

    double last() {
        return hours[hours.length - 1];
    }

    /** Flowers counted in all, the part not seen made up for. */
    double flowers() {
        double sum = 0;
        for (int r = 0; r < hours.length; r++) {
            for (double n : counts.get(r)) {
                sum += n / shares[r];
            }
        }
        return sum;
    }

    /** Only the latest readings. */
    CountedPart latest(int most) {
        int from = Math.max(0, hours.length - most);
        return from == 0
                ? this
                : new CountedPart(
                        tree,
                        Arrays.copyOfRange(hours, from, hours.length),
                        counts.subList(from, counts.size()),
                        Arrays.copyOfRange(shares, from, shares.length));
    }
}
