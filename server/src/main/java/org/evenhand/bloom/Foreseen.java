package org.evenhand.bloom;

import java.time.Instant;
import java.util.function.Supplier;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.bloom.forecast.DevelopmentRateEstimate;
import org.evenhand.core.bloom.forecast.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.orchard.TreeView;

/**
 * A tree, and its forecast with its latest reading where it has been read.
 *
 * @param rate what its variety's readings say about its development rate, where there are readings
 * @param steady the steady supply of its crop, for what is asked of an average flower
 */
public record Foreseen(
        TreeView tree,
        CropSheet sheet,
        TreeForecast forecast,
        ReadingView reading,
        DevelopmentRateEstimate rate,
        Supplier<BudSupply> steady) {
    public boolean known() {
        return forecast != null;
    }

    /** The chance that a flower which was receptive at one moment still is at a later one. */
    public double stillReceptive(Instant then, Instant later) {
        return steady.get().stillReceptive(then, later);
    }

    /** Whether a crop that wants warmth has too little at a moment; never where its sheet does not say. */
    public boolean tooCold(Instant at) {
        return sheet.season()
                .warmEnoughC()
                .filter(least -> steady.get().celsius(at) < least.value())
                .isPresent();
    }

    /** The chance that a flower which shed pollen at one moment still does at a later one. */
    public double stillShedding(Instant then, Instant later) {
        return steady.get().stillShedding(then, later);
    }
}
