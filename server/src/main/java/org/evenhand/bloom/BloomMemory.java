package org.evenhand.bloom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.core.bloom.BudSupply;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.core.bloom.PaceGrid;
import org.evenhand.core.bloom.PhaseChances;
import org.evenhand.core.bloom.RateLearning;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.Air;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Component;

/**
 * What was reckoned about an orchard's bloom and still holds. Every entry names what it was reckoned from, and is used only while
 * that is the same: losing all of it costs time, never a right answer.
 */
@Component
class BloomMemory {
    private static final int MOST_ORCHARDS = 64;

    private final Cache<UUID, OfOrchard> orchards = Caffeine.newBuilder()
            .maximumSize(MOST_ORCHARDS)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    OfOrchard of(UUID orchard) {
        return orchards.get(orchard, o -> new OfOrchard());
    }

    /** One orchard's memory; whoever uses it holds its lock. */
    static final class OfOrchard {
        private Weather.Version version;
        private LocalDate day;
        private Air air;
        final Map<String, Supply> supplies = new HashMap<>();
        final Map<UUID, Tree> trees = new HashMap<>();
        final Map<UUID, Pace> paces = new HashMap<>();
        final Map<String, Grid> grids = new HashMap<>();
        final Map<BudSupply, Chances> chances = new HashMap<>();

        /** The air of a day's window, loaded anew when the weather or the day has changed. */
        Air air(Weather.Version now, LocalDate today, java.util.function.Supplier<Air> load) {
            if (!now.equals(version) || !today.equals(day)) {
                version = now;
                day = today;
                air = load.get();
                supplies.clear();
                trees.clear();
                paces.clear();
                grids.clear();
                chances.clear();
            }
            return air;
        }
    }

    /** The supply of a crop at a pace. */
    record Supply(CropSheet sheet, BudSupply supply) {}

    /** A tree's forecast, and its ribbon once it was asked for. */
    record Tree(String fingerprint, BudSupply supply, TreeForecast forecast, ReadingView reading, Ribbon ribbon) {
        Tree with(Ribbon newRibbon) {
            return new Tree(fingerprint, supply, forecast, reading, newRibbon);
        }
    }

    /** A tree's points over the board's moments. */
    record Ribbon(Span span, List<ForecastPoint> points) {}

    /** The chances of a crop over the board's moments. */
    record Chances(Span span, PhaseChances chances) {}

    /** The moments of a board. */
    record Span(Instant from, int stepMinutes, int steps) {}

    /** The paces that readings of a crop are tried against. */
    record Grid(CropSheet sheet, PaceGrid paces) {}

    /** What a variety's readings said of its pace. */
    record Pace(CropSheet sheet, String fingerprint, RateLearning learned) {}
}
