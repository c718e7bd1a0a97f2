package org.evenhand.core.bloom.forecast;

import java.util.Optional;
import org.evenhand.core.crop.CropSheet;

/**
 * A reading that does not fit what was foreseen from those before it.
 *
 * @param stage key of the stage that fits least
 * @param expected flowers foreseen there
 * @param counted flowers counted there, scaled up to the whole crown
 */
public record Surprise(String stage, double expected, double counted) {
    /** How many standard deviations, with one flower's slack, a count may be off. Our convention. */
    static final double MOST_DEVIATIONS = 4;

    private static final double SLACK_FLOWERS = 1;

    /**
     * The stage that fits least, where it does not fit; the first stage never counts, since buds come into it that nobody foresees
     * exactly.
     *
     * @param before the tree's forecast from its earlier readings
     * @param latest the last of these
     */
    public static Optional<Surprise> of(
            CropSheet sheet, TreeForecast before, FlowerReading latest, FlowerReading reading) {
        double[] expected = before.stagesAt(reading.at());
        double[] counted = reading.asFlowers(sheet);
        double share = Math.min(reading.share(), latest.share());
        Surprise worst = null;
        double most = MOST_DEVIATIONS;
        for (int s = 1; s < counted.length; s++) {
            double off = Math.max(0, Math.abs(counted[s] - expected[s]) - SLACK_FLOWERS)
                    / Math.sqrt((expected[s] + 0.5) / share);
            if (off > most) {
                most = off;
                worst = new Surprise(sheet.stages().get(s).key(), expected[s], counted[s]);
            }
        }
        return Optional.ofNullable(worst);
    }
}
