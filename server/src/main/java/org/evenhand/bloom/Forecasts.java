package org.evenhand.bloom;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.bloom.forecast.CropForecasts;
import org.evenhand.core.bloom.forecast.FlowerReading;
import org.evenhand.core.bloom.forecast.ForecastDoubt;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.RatePrior;
import org.evenhand.core.bloom.forecast.ReadingConventions;
import org.evenhand.core.bloom.forecast.Surprise;
import org.evenhand.core.bloom.forecast.TreeForecast;
import org.evenhand.core.bloom.forecast.WeatherDoubt;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Foresees the flowers of every tree that has been read lately. */
@Service
public class Forecasts {

    private static final Duration ONE_DAY = Duration.ofDays(1);
    /** How far trees are foreseen. */
    public static final Duration AHEAD = Duration.ofDays(12);

    private final ReadingRepository readings;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;
    private final BloomMemory memory;

    Forecasts(ReadingRepository readings, Orchards orchards, CropCatalogue crops, Weather weather, BloomMemory memory) {
        this.readings = readings;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
        this.memory = memory;
    }

    /**
     * Every tree of the orchard, foreseen from its readings up to {@code now}, for up to {@link #AHEAD}. Not within one transaction: whoever
     * waits for others' estimates holds no connection meanwhile.
     */
    public List<Foreseen> all(Caller caller, Instant now) {
        return new Answer(caller, now).all();
    }

    /** A tree's points over the moments of a board. */
    record Ribbon(Foreseen tree, List<ForecastPoint> points) {}

    /** Every tree's ribbon, and the air it was reckoned with. */
    record Board(List<Ribbon> ribbons, List<Instant> moments, WeatherSeries air) {}

    /**
     * The ribbons of a board, from the readings up to now.
     *
     * @param span of the board; it may begin a little before now
     */
    Board board(Caller caller, Instant now, BloomMemory.Span span) {
        return new Answer(caller, now).board(span);
    }

    /** What share of a tree's flowers is usually in each stage of a crop at this moment. */
    @Transactional(readOnly = true)
    public double[] usualShares(Caller caller, CropSheet sheet, Instant now) {
        Answer answer = new Answer(caller, now);
        synchronized (answer.held) {
            answer.window();
            return answer.supply(sheet, Places.ORCHARD).usualShares(now);
        }
    }

    /**
     * How a new reading fits what those before it let foresee.
     *
     * @param before readings of the same part of the same tree in rising order, at least one
     */
    @Transactional(readOnly = true)
    Optional<Surprise> surprise(Caller caller, TreeView tree, List<FlowerReading> before, FlowerReading reading) {
        Answer answer = new Answer(caller, orchards.now(caller));
        CropSheet sheet = crops.of(caller, tree.crop());
        RatePrior rate;
        CropForecasts forecasts;
        synchronized (answer.held) {
            answer.window();
            String place = answer.held.places().of(tree.block());
            BloomMemory.Variety known = answer.held.varieties.get(new BloomMemory.VarietyAt(tree.varietyId(), place));
            rate = known == null
                    ? RatePrior.usual()
                    : new RatePrior(known.foreseen().rate().factor(), 0);
            forecasts = answer.forecasts(sheet, place);
        }
        FlowerReading latest = before.get(before.size() - 1);
        TreeForecast forecast = forecasts
                .of(Map.of(0, new CropForecasts.Variety<>(rate, Map.of(0, List.of(before)))), latest.at())
                .get(0)
                .trees()
                .get(0);
        return Surprise.of(sheet, forecast, latest, reading);
    }

    /** One look at an orchard's bloom. */
    private final class Answer {
        private final Caller caller;
        private final Instant now;
        private final OrchardDetails orchard;
        private final BloomMemory.OfOrchard held;
        /** Development rates that somebody has set. */
        private final Map<UUID, RatePrior> rates = new HashMap<>();

        Answer(Caller caller, Instant now) {
            this.caller = caller;
            this.now = now;
            this.orchard = orchards.details(caller);
            this.held = memory.of(caller.orchardId());
            orchards.varieties(caller).forEach(v -> {
                if (v.numbers().developmentRate() != null) {
                    rates.put(v.id(), new RatePrior(v.numbers().developmentRate(), RatePrior.SET_SPREAD));
                }
            });
        }

        List<Foreseen> all() {
            List<TreeView> trees = orchards.standing(caller);
            Map<UUID, String> fingerprints =
                    readings.fingerprints(caller.orchardId(), now.minus(ReadingConventions.OVER_AFTER), now).stream()
                            .collect(Collectors.toMap(
                                    ReadingRepository.Fingerprint::getTreeid,
                                    ReadingRepository.Fingerprint::getFingerprint));
            synchronized (held) {
                window();
                estimateStale(trees, fingerprints);
                return trees.stream().map(t -> foreseen(t, fingerprints)).toList();
            }
        }

        private Foreseen foreseen(TreeView tree, Map<UUID, String> fingerprints) {
            CropSheet sheet = crops.of(caller, tree.crop());
            BloomMemory.VarietyAt stand = stand(tree);
            BloomMemory.Variety variety = held.varieties.get(stand);
            boolean known = variety != null && fingerprints.containsKey(tree.id());
            return new Foreseen(
                    tree,
                    sheet,
                    known ? variety.foreseen().trees().get(tree.id()) : null,
                    known ? variety.latest().get(tree.id()) : null,
                    variety == null ? null : variety.foreseen().rate(),
                    () -> {
                        synchronized (held) {
                            return supply(sheet, stand.place());
                        }
                    });
        }

        private BloomMemory.VarietyAt stand(TreeView tree) {
            return new BloomMemory.VarietyAt(tree.varietyId(), held.places().of(tree.block()));
        }

        Board board(BloomMemory.Span span) {
            List<Foreseen> all = all();
            List<Instant> moments = IntStream.rangeClosed(0, span.steps())
                    .mapToObj(i -> span.from().plus(Duration.ofMinutes((long) i * span.stepMinutes())))
                    .toList();
            synchronized (held) {
                return new Board(
                        all.stream()
                                .map(t -> new Ribbon(t, points(t, span, moments)))
                                .toList(),
                        moments,
                        air(Places.ORCHARD));
            }
        }

        private List<ForecastPoint> points(Foreseen tree, BloomMemory.Span span, List<Instant> moments) {
            if (!tree.known()) {
                return List.of();
            }
            BloomMemory.Ribbon known = held.ribbons.get(tree.tree().id());
            if (known == null
                    || known.forecast() != tree.forecast()
                    || !known.span().equals(span)) {
                known = new BloomMemory.Ribbon(
                        tree.forecast(), span, tree.forecast().at(moments));
                held.ribbons.put(tree.tree().id(), known);
            }
            return known.points();
        }

        /** Forgets what no longer holds; before anything is taken from what is held. */
        void window() {
            LocalDate today = now.atZone(orchard.site().zone()).toLocalDate();
            held.keepOnly(weather.version(caller, orchard), today, () -> weather.places(caller));
        }

        private WeatherSeries air(String place) {
            Instant from = now.minus(ReadingConventions.OVER_AFTER)
                    .minus(BudSupply.MOST_WARM_UP)
                    .minus(ONE_DAY);
            return held.air(place, () -> weather.air(caller, place, from, now.plus(AHEAD)));
        }

        /** The steady supply of a crop, at its sheet's rate. */
        BudSupply supply(CropSheet sheet, String place) {
            BloomMemory.CropAt key = new BloomMemory.CropAt(sheet.key(), place);
            BloomMemory.Supply known = held.supplies.get(key);
            if (known == null || known.sheet() != sheet) {
                known = new BloomMemory.Supply(sheet, BudSupply.of(sheet, conditions(sheet, place), now.plus(ONE_DAY)));
                held.supplies.put(key, known);
            }
            return known.supply();
        }

        private BloomConditions conditions(CropSheet sheet, String place) {
            Instant from = now.minus(ReadingConventions.OVER_AFTER)
                    .minus(BudSupply.warmUp(sheet))
                    .minus(Duration.ofDays(1));
            return BloomConditions.of(
                    sheet, orchard.site(), air(place).temperatures().startingAt(from), now.plus(AHEAD));
        }

        CropForecasts forecasts(CropSheet sheet, String place) {
            return new CropForecasts(
                    sheet,
                    conditions(sheet, place),
                    new ForecastDoubt(
                            ForecastDoubt.USUAL_COUNTING_ERROR,
                            WeatherDoubt.of(air(place).sourceAt(now.plus(ONE_DAY))),
                            now),
                    AHEAD);
        }

        /** Estimates each variety anew of which a reading came or went; those of one crop and place together, as they share the work. */
        private void estimateStale(List<TreeView> trees, Map<UUID, String> fingerprints) {
            Map<BloomMemory.VarietyAt, List<TreeView>> byStand = trees.stream()
                    .filter(t -> fingerprints.containsKey(t.id()))
                    .collect(Collectors.groupingBy(this::stand, LinkedHashMap::new, Collectors.toList()));
            held.varieties.keySet().retainAll(byStand.keySet());
            held.ribbons.keySet().retainAll(fingerprints.keySet());
            record Work(CropSheet sheet, String place) {}
            Map<Work, Map<UUID, List<TreeView>>> stale = new LinkedHashMap<>();
            byStand.forEach((stand, its) -> {
                CropSheet sheet = crops.of(caller, its.get(0).crop());
                BloomMemory.Variety known = held.varieties.get(stand);
                if (known == null
                        || known.sheet() != sheet
                        || !known.fingerprint().equals(joined(its, fingerprints))) {
                    stale.computeIfAbsent(new Work(sheet, stand.place()), w -> new LinkedHashMap<>())
                            .put(stand.variety(), its);
                }
            });
            stale.forEach((work, varieties) -> estimate(work.sheet(), work.place(), varieties, fingerprints));
        }

        private void estimate(
                CropSheet sheet, String place, Map<UUID, List<TreeView>> varieties, Map<UUID, String> fingerprints) {
            Map<UUID, List<Reading>> looks = read(varieties.values().stream()
                    .flatMap(List::stream)
                    .map(TreeView::id)
                    .collect(Collectors.toSet()));
            Map<UUID, CropForecasts.Variety<UUID>> read = new LinkedHashMap<>();
            varieties.forEach((variety, its) -> read.put(
                    variety,
                    new CropForecasts.Variety<>(
                            rates.getOrDefault(variety, RatePrior.usual()),
                            its.stream()
                                    .collect(Collectors.toMap(TreeView::id, t -> limbs(looks.get(t.id()), sheet))))));
            forecasts(sheet, place).of(read, now.truncatedTo(ChronoUnit.HOURS)).forEach((variety, foreseen) -> {
                Map<UUID, ReadingView> latest = new HashMap<>();
                varieties.get(variety).forEach(t -> {
                    List<Reading> its = looks.get(t.id());
                    latest.put(t.id(), Readings.view(its.get(its.size() - 1), sheet));
                });
                held.varieties.put(
                        new BloomMemory.VarietyAt(variety, place),
                        new BloomMemory.Variety(sheet, joined(varieties.get(variety), fingerprints), foreseen, latest));
            });
        }

        private Map<UUID, List<Reading>> read(Set<UUID> trees) {
            return readings
                    .withCounts(caller.orchardId(), trees, now.minus(ReadingConventions.OVER_AFTER), now)
                    .stream()
                    .collect(Collectors.groupingBy(Reading::treeId));
        }

        /** Changes with the readings of a variety's trees and with its own rate. */
        private String joined(List<TreeView> trees, Map<UUID, String> fingerprints) {
            return trees.stream()
                    .map(t -> t.id() + fingerprints.get(t.id()))
                    .sorted()
                    .collect(Collectors.joining(
                            "", rates.getOrDefault(trees.get(0).varietyId(), RatePrior.usual()) + ":", ""));
        }
    }

    /**
     * The readings that count, by what was read together: the limbs, where some were read since the whole tree was, otherwise the
     * whole tree.
     */
    static List<List<FlowerReading>> limbs(List<Reading> inOrder, CropSheet sheet) {
        int lastWhole = -1;
        for (int i = 0; i < inOrder.size(); i++) {
            lastWhole = inOrder.get(i).limb().isEmpty() ? i : lastWhole;
        }
        Set<String> since = inOrder.subList(lastWhole + 1, inOrder.size()).stream()
                .map(Reading::limb)
                .collect(Collectors.toSet());
        Set<String> counting = since.isEmpty() ? Set.of("") : since;
        return inOrder.stream()
                .filter(r -> counting.contains(r.limb()))
                .collect(Collectors.groupingBy(Reading::limb, TreeMap::new, Collectors.toList()))
                .values()
                .stream()
                .map(looks -> looks.stream().map(r -> r.asCore(sheet)).toList())
                .toList();
    }
}
