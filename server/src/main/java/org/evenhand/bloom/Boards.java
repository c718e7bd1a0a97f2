package org.evenhand.bloom;

import java.time.Duration;
import java.time.Instant;
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
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;

/** Puts the bloom board together. */
@Service
class Boards {
    /** Boards start on a multiple of this, so that all who look within it see the same one. */
    private static final long START_SECONDS = 300;

    private final Forecasts forecasts;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;
    private final ReadingRepository readings;

    Boards(Forecasts forecasts, Orchards orchards, CropCatalogue crops, Weather weather, ReadingRepository readings) {
        this.readings = readings;
        this.forecasts = forecasts;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
    }

    BloomView board(Caller caller, int hours) {
        Instant now = orchards.now(caller);
        Instant from = Instant.ofEpochSecond(now.getEpochSecond() / START_SECONDS * START_SECONDS);
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
                        .toList());
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
