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
import org.evenhand.core.Require;
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
            Optional<List<Foreseen>> known = known(trees, fingerprints());
            if (known.isPresent()) {
                return known.get();
            }
            synchronized (held.estimating) {
                // Again, as others may have estimated meanwhile what was read since; once for these readings, however
                // many come meanwhile.
                Map<UUID, String> fingerprints = fingerprints();
                for (known = known(trees, fingerprints); known.isEmpty(); known = known(trees, fingerprints)) {
                    estimate(trees, fingerprints);
                }
                return known.get();
            }
        }

        private Map<UUID, String> fingerprints() {
            return readings.fingerprints(caller.orchardId(), now.minus(ReadingConventions.OVER_AFTER), now).stream()
                    .collect(Collectors.toMap(
                            ReadingRepository.Fingerprint::getTreeid, ReadingRepository.Fingerprint::getFingerprint));
        }

        /** The trees, where no reading of them has come or gone since their varieties were estimated. */
        private Optional<List<Foreseen>> known(List<TreeView> trees, Map<UUID, String> fingerprints) {
            synchronized (held) {
                window();
                return stale(trees, fingerprints).isEmpty()
                        ? Optional.of(trees.stream()
                                .map(t -> foreseen(t, fingerprints))
                                .toList())
                        : Optional.empty();
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
            List<Ribbon> ribbons = all.stream()
                    .map(t -> new Ribbon(t, points(t, span, moments)))
                    .toList();
            synchronized (held) {
                return new Board(ribbons, moments, air(Places.ORCHARD));
            }
        }

        private List<ForecastPoint> points(Foreseen tree, BloomMemory.Span span, List<Instant> moments) {
            if (!tree.known()) {
                return List.of();
            }
            UUID id = tree.tree().id();
            BloomMemory.Ribbon known;
            synchronized (held) {
                known = held.ribbons.get(id);
            }
            if (known == null
                    || known.forecast() != tree.forecast()
                    || !known.span().equals(span)) {
                known = new BloomMemory.Ribbon(
                        tree.forecast(), span, tree.forecast().at(moments));
                synchronized (held) {
                    held.ribbons.put(id, known);
                }
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

        /** The trees of a crop at a place whose varieties have to be estimated: together, as they share the work. */
        private record Work(CropSheet sheet, String place) {}

        /** The trees of each variety of which a reading came or went since it was estimated. */
        private Map<Work, Map<UUID, List<TreeView>>> stale(List<TreeView> trees, Map<UUID, String> fingerprints) {
            Map<BloomMemory.VarietyAt, List<TreeView>> byStand = trees.stream()
                    .filter(t -> fingerprints.containsKey(t.id()))
                    .collect(Collectors.groupingBy(this::stand, LinkedHashMap::new, Collectors.toList()));
            held.varieties.keySet().retainAll(byStand.keySet());
            held.ribbons.keySet().retainAll(fingerprints.keySet());
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
            return stale;
        }

        /** Estimates anew what has to be, outside of the memory's lock. */
        private void estimate(List<TreeView> trees, Map<UUID, String> fingerprints) {
            Map<Work, Map<UUID, List<TreeView>>> stale;
            Map<Work, CropForecasts> forecasts = new HashMap<>();
            long window;
            synchronized (held) {
                window();
                window = held.window();
                stale = stale(trees, fingerprints);
                stale.keySet().forEach(w -> forecasts.put(w, forecasts(w.sheet(), w.place())));
            }
            stale.forEach((work, varieties) -> {
                Map<BloomMemory.VarietyAt, BloomMemory.Variety> estimated =
                        estimated(work, varieties, fingerprints, Require.present(forecasts, work));
                synchronized (held) {
                    if (held.window() == window) {
                        held.varieties.putAll(estimated);
                    }
                }
            });
        }

        private Map<BloomMemory.VarietyAt, BloomMemory.Variety> estimated(
                Work work,
                Map<UUID, List<TreeView>> varieties,
                Map<UUID, String> fingerprints,
                CropForecasts forecasts) {
            Set<UUID> asked = varieties.values().stream()
                    .flatMap(List::stream)
                    .map(TreeView::id)
                    .collect(Collectors.toSet());
            Map<UUID, List<Reading>> looks = read(asked);
            // What was removed a moment ago is not read any more.
            fingerprints.keySet().removeIf(t -> asked.contains(t) && !looks.containsKey(t));
            Map<UUID, List<TreeView>> read = new LinkedHashMap<>();
            varieties.forEach((variety, its) -> {
                List<TreeView> left =
                        its.stream().filter(t -> looks.containsKey(t.id())).toList();
                if (!left.isEmpty()) {
                    read.put(variety, left);
                }
            });
            return read.isEmpty() ? Map.of() : estimated(work, read, looks, fingerprints, forecasts);
        }

        private Map<BloomMemory.VarietyAt, BloomMemory.Variety> estimated(
                Work work,
                Map<UUID, List<TreeView>> varieties,
                Map<UUID, List<Reading>> looks,
                Map<UUID, String> fingerprints,
                CropForecasts forecasts) {
            Map<UUID, CropForecasts.Variety<UUID>> read = new LinkedHashMap<>();
            varieties.forEach((variety, its) -> read.put(
                    variety,
                    new CropForecasts.Variety<>(
                            rates.getOrDefault(variety, RatePrior.usual()),
                            its.stream()
                                    .collect(Collectors.toMap(
                                            TreeView::id, t -> limbs(looks.get(t.id()), work.sheet()))))));
            Map<BloomMemory.VarietyAt, BloomMemory.Variety> estimated = new HashMap<>();
            forecasts.of(read, now.truncatedTo(ChronoUnit.HOURS)).forEach((variety, foreseen) -> {
                List<TreeView> its = varieties.get(variety);
                Map<UUID, ReadingView> latest = its.stream()
                        .map(t -> looks.get(t.id()))
                        .map(r -> r.get(r.size() - 1))
                        .collect(Collectors.toMap(Reading::treeId, r -> Readings.view(r, work.sheet())));
                estimated.put(
                        new BloomMemory.VarietyAt(variety, work.place()),
                        new BloomMemory.Variety(work.sheet(), joined(its, fingerprints), foreseen, latest));
            });
            return estimated;
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
