package org.evenhand.core.judging;

import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.statistics.Proportion;

/**
 * What one scores a plant by.
 *
 * @param low least number of its scale, in its own unit
 * @param high greatest, above {@code low}
 * @param better which end is wanted
 */
public record TraitScale(double low, double high, Better better) {
    /** Numbers of a scale lie within this, either side of nothing. */
    public static final double FARTHEST = 1_000_000;

    /** Which end of a scale is wanted. */
    public enum Better {
        HIGH,
        LOW,
        /** Neither: it is only written down. */
        NEITHER;

        /** 1 where more is better, −1 where less is, 0 where neither is. */
        int direction() {
            return switch (this) {
                case HIGH -> 1;
                case LOW -> -1;
                case NEITHER -> 0;
            };
        }
    }

    /** @throws InvalidInputException at {@code low} or {@code high} where they make no scale */
    public TraitScale {
        Require.within("low", low, -FARTHEST, FARTHEST);
        Require.within("high", high, -FARTHEST, FARTHEST);
        if (low >= high) {
            throw new InvalidInputException("high", "must be above the least number, " + low + ".");
        }
    }

    /** The part of an interval that lies on the scale: nothing is scored beyond its ends. */
    public Proportion.Interval onScale(Proportion.Interval interval) {
        return new Proportion.Interval(clamped(interval.lower()), clamped(interval.upper()));
    }

    private double clamped(double value) {
        return Math.min(high, Math.max(low, value));
    }

    /**
     * Returns the score where it is on the scale.
     *
     * @throws InvalidInputException at {@code field} where it is not
     */
    public double scored(String field, double value) {
        return Require.within(field, value, low, high);
    }
}
