package org.evenhand.core.planning;

import java.math.BigDecimal;
import org.evenhand.core.Require;

/**
 * How long the work takes, in minutes; each 0 or more.
 *
 * @param perFlower to pollinate a flower
 * @param perCollectedFlower to take the pollen off a male flower
 * @param perFather to clean, and to take up the pollen of another father
 */
public record Pace(BigDecimal perFlower, BigDecimal perCollectedFlower, BigDecimal perFather) {
    public Pace {
        Require.notNegative("perFlower", perFlower);
        Require.notNegative("perCollectedFlower", perCollectedFlower);
        Require.notNegative("perFather", perFather);
    }
}
