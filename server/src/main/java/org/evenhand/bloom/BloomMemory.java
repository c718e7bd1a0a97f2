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
import java.util.function.Supplier;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.bloom.forecast.CropForecasts;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.weather.Places;
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

    /** One orchard's memory; whoever uses it holds its lock, for a moment only. */
    static final class OfOrchard {
        /** Held by who estimates, before the memory's own lock is taken: two at once would do the same work. */
        final Object estimating = new Object();

        private long windows;
        private Weather.Version version;
        private LocalDate day;
        private Places places;
        private final Map<String, WeatherSeries> airs = new HashMap<>();
        final Map<CropAt, Supply> supplies = new HashMap<>();
        final Map<VarietyAt, Variety> varieties = new HashMap<>();
        final Map<UUID, Ribbon> ribbons = new HashMap<>();

        /** Forgets what rests on another weather, or on another day's window. */
        void keepOnly(Weather.Version now, LocalDate today, Supplier<Places> load) {
            if (!now.equals(version) || !today.equals(day)) {
                windows++;
                version = now;
                day = today;
                places = load.get();
                airs.clear();
                supplies.clear();
                varieties.clear();
                ribbons.clear();
            }
        }

        /** Changes with what is forgotten. */
        long window() {
            return windows;
        }

        Places places() {
            return places;
        }

        /** The air of a place over the day's window. */
        WeatherSeries air(String place, Supplier<WeatherSeries> load) {
            return airs.computeIfAbsent(place, p -> load.get());
        }
    }

    /** A crop under the air of a place. */
    record CropAt(String crop, String place) {}

    /** The trees of a variety under the air of a place. */
    record VarietyAt(UUID variety, String place) {}

    /** The steady supply of a crop. */
    record Supply(CropSheet sheet, BudSupply supply) {}

    /**
     * A variety, estimated from its readings.
     *
     * @param fingerprint changes whenever a reading of one of its trees comes or goes
     * @param latest each tree's latest reading
     */
    record Variety(
            CropSheet sheet,
            String fingerprint,
            CropForecasts.Foreseen<UUID> foreseen,
            Map<UUID, ReadingView> latest) {}

    /** A tree's points over the board's moments. */
    record Ribbon(TreeForecast forecast, Span span, List<ForecastPoint> points) {}

    /** The moments of a board. */
    record Span(Instant from, int stepMinutes, int steps) {}
}
