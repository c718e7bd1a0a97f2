package org.evenhand.core.bloom;

import java.util.Optional;
import org.evenhand.core.crop.CropSheet;

/**
 * A reading that does not fit what was foreseen from the one before it.
 *
 * @param stage key of the stage that fits least
 * @param expected flowers foreseen there
 * @param counted flowers counted there, reckoned for the whole crown
 */
public record Surprise(String stage, double expected, double counted) {
    /** How many standard deviations, with one flower's slack, a count may be off. Our judgement. */
    static final double MOST_DEVIATIONS = 4;

    private static final double SLACK_FLOWERS = 1;

    /** The stage that fits least, where it does not fit; the first stage never counts, since uncounted buds come into it. */
    public static Optional<Surprise> of(BudSupply supply, FlowerReading before, FlowerReading reading) {
        CropSheet sheet = supply.sheet();
        double[] expected = RateLearning.expected(supply, supply, before, reading.at());
        double[] counted = reading.asFlowers(sheet);
        Surprise worst = null;
        double most = MOST_DEVIATIONS;
        for (int s = 1; s < counted.length; s++) {
            double off = Math.max(0, Math.abs(counted[s] - expected[s]) - SLACK_FLOWERS)
                    / Math.sqrt((expected[s] + 0.5) / Math.min(reading.share(), before.share()));
            if (off > most) {
                most = off;
                worst = new Surprise(sheet.stages().get(s).key(), expected[s], counted[s]);
            }
        }
        return Optional.ofNullable(worst);
    }
}
