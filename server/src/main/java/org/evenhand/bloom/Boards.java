package org.evenhand.bloom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.ToDoubleFunction;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.season.BloomSynchrony;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.weather.SunDay;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LatestMade;
import org.evenhand.kit.OrchardChanges;
import org.evenhand.kit.ShownMeanwhile;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;

/** Puts the bloom board together, once for all who look at it. */
@Service
class Boards {
    /** Boards start on a multiple of this, so that all who look within it see the same one. */
    private static final long START_SECONDS = 300;

    private static final int MOST_KEPT = 64;

    private final Forecasts forecasts;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;
    private final ReadingRepository readings;
    private final OrchardChanges changes;
    private final ShownMeanwhile meanwhile;
    private final InstantSource clock;

    private record BoardOf(UUID orchard, int hours) {}

    private final Cache<BoardOf, LatestMade<BloomView>> kept = Caffeine.newBuilder()
            .maximumSize(MOST_KEPT)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    Boards(
            Forecasts forecasts,
            Orchards orchards,
            CropCatalogue crops,
            Weather weather,
            ReadingRepository readings,
            OrchardChanges changes,
            ShownMeanwhile meanwhile,
            InstantSource clock) {
        this.readings = readings;
        this.changes = changes;
        this.meanwhile = meanwhile;
        this.clock = clock;
        this.forecasts = forecasts;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
    }

    /** The board for who looks at it. */
    BloomView board(Caller caller, int hours) {
        LatestMade<BloomView> latest = kept.get(new BoardOf(caller.orchardId(), hours), b -> new LatestMade<>());
        ShownMeanwhile.Shown<BloomView> shown =
                meanwhile.shown(latest, caller, start(orchards.now(caller)), () -> latest(latest, caller, hours));
        return shown.age() == null ? shown.value() : shown.value().ofAge(shown.age());
    }

    private static Instant start(Instant now) {
        return Instant.ofEpochSecond(now.getEpochSecond() / START_SECONDS * START_SECONDS);
    }

    /** One that counts all that was written down by now; of many who ask at once, one makes it. */
    private BloomView latest(LatestMade<BloomView> latest, Caller caller, int hours) {
        long asked = changes.of(caller.orchardId());
        synchronized (latest) {
            long change = changes.of(caller.orchardId());
            Instant now = orchards.now(caller);
            LatestMade.Made<BloomView> made = latest.made();
            if (made != null && made.serves(asked, start(now))) {
                return made.value();
            }
            Instant at = clock.instant();
            BloomView board = made(caller, now, hours);
            latest.set(new LatestMade.Made<>(change, start(now), at, board));
            return board;
        }
    }

    private BloomView made(Caller caller, Instant now, int hours) {
        Instant from = start(now);
        int step = stepMinutes(hours);
        Forecasts.Board board =
                forecasts.board(caller, now, new BloomMemory.Span(from, step, Math.max(1, hours * 60 / step)));
        OrchardDetails orchard = orchards.details(caller);
        Instant until = board.moments().get(board.moments().size() - 1);
        List<BloomView.Row> rows = rows(board, evening(orchard, from));
        return new BloomView(
                from,
                until,
                step,
                total(board, p -> p.receptive().mean()),
                total(board, p -> p.shedding().mean()),
                rows.stream().anyMatch(r -> r.reading() != null)
                        || readings.existsByOrchardIdAndVoidedAtIsNull(caller.orchardId()),
                rows,
                meetings(
                        board,
                        dusks(orchard, from, until),
                        orchard.site().zone(),
                        MatingPartners.of(orchards.varieties(caller), crop -> crops.of(caller, crop))),
                Weather.stretches(board.air(), from, until).stream()
                        .map(BloomView.WeatherPeriod::of)
                        .toList(),
                null);
    }

    /** Fine enough to see an evening, coarse enough for ten days of many trees. */
    private static int stepMinutes(int hours) {
        return hours <= 12 ? 10 : hours <= 48 ? 30 : hours <= 96 ? 60 : 120;
    }

    private static double total(Forecasts.Board board, ToDoubleFunction<ForecastPoint> flowers) {
        return board.ribbons().stream()
                .filter(r -> !r.points().isEmpty())
                .mapToDouble(r -> flowers.applyAsDouble(r.points().get(0)))
                .sum();
    }

    /** The stretch that growers call this evening: from three hours before the next sunset to dusk. */
    private record Evening(Instant from, Instant until) {
        boolean holds(Instant at) {
            return !at.isBefore(from) && !at.isAfter(until);
        }
    }

    private Evening evening(OrchardDetails orchard, Instant from) {
        for (SunDay day : weather.suns(orchard.site(), from, from.plus(Duration.ofDays(1)))) {
            Instant dusk = day.civilDusk().moment().orElse(null);
            Instant sunset = day.sunset().moment().orElse(null);
            if (dusk != null && sunset != null && dusk.isAfter(from)) {
                return new Evening(sunset.minus(SunDay.EVENING_BEFORE_SUNSET), dusk);
            }
        }
        // Where the sun does not set, or never rises, the next half day has to do.
        return new Evening(from, from.plus(Duration.ofHours(12)));
    }

    private List<Instant> dusks(OrchardDetails orchard, Instant from, Instant until) {
        return weather.suns(orchard.site(), from, until).stream()
                .flatMap(day -> day.civilDusk().moment().stream())
                .toList();
    }

    private static List<BloomView.Row> rows(Forecasts.Board board, Evening evening) {
        return board.ribbons().stream()
                .map(r -> BloomView.Row.of(
                        r.tree(),
                        r.points(),
                        r.points().stream()
                                .filter(p -> evening.holds(p.at()))
                                .mapToDouble(p -> p.receptive().mean())
                                .max()
                                .orElse(0)))
                .toList();
    }

    /** One variety's flowers over all its trees. */
    private record OfVariety(UUID id, String name, CropSheet sheet, double[] receptive, double[] shedding) {}

    private static List<BloomView.VarietyOverlap> meetings(
            Forecasts.Board board, List<Instant> dusks, ZoneId zone, MatingPartners partners) {
        Map<UUID, OfVariety> varieties = new LinkedHashMap<>();
        int moments = board.moments().size();
        for (Forecasts.Ribbon ribbon : board.ribbons()) {
            OfVariety variety = varieties.computeIfAbsent(
                    ribbon.tree().tree().varietyId(),
                    id -> new OfVariety(
                            id,
                            ribbon.tree().tree().varietyName(),
                            ribbon.tree().sheet(),
                            new double[moments],
                            new double[moments]));
            for (int i = 0; i < ribbon.points().size(); i++) {
                variety.receptive[i] += ribbon.points().get(i).receptive().mean();
                variety.shedding[i] += ribbon.points().get(i).shedding().mean();
            }
        }
        List<BloomView.VarietyOverlap> meetings = new ArrayList<>();
        for (OfVariety taker : varieties.values()) {
            double[] serving = new double[moments];
            varieties.values().stream()
                    .filter(giver -> CrossCompatibility.of(partners.of(taker.id), partners.of(giver.id))
                            .serves())
                    .forEach(giver -> java.util.Arrays.setAll(serving, i -> serving[i] + giver.shedding[i]));
            BloomSynchrony meeting = BloomSynchrony.of(board.moments(), taker.receptive, serving, dusks, zone);
            meetings.add(BloomView.VarietyOverlap.of(taker.id, taker.name, taker.sheet.key(), meeting));
        }
        return meetings;
    }
}
