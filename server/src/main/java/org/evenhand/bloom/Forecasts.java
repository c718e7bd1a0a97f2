package org.evenhand.bloom;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.BloomConditions;
import org.evenhand.core.bloom.BudSupply;
import org.evenhand.core.bloom.FlowerReading;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.core.bloom.PaceGrid;
import org.evenhand.core.bloom.PhaseChances;
import org.evenhand.core.bloom.RateLearning;
import org.evenhand.core.bloom.Surprise;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.weather.Air;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Foresees the flowers of every tree that has been read lately. */
@Service
public class Forecasts {
    /** Flowers read longer ago than this are over. */
    static final Duration LOOK_BACK = Duration.ofDays(14);

    private static final Duration LEARN_BACK = Duration.ofDays(30);
    private static final Duration ONE_DAY = Duration.ofDays(1);
    /** How far trees are foreseen. */
    public static final Duration AHEAD = Duration.ofDays(12);

    private static final Duration MOST_WARM_UP = Duration.ofDays(76);

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

    /** Every tree of the orchard, foreseen from its readings up to {@code now}, for up to {@link #AHEAD}. */
    @Transactional(readOnly = true)
    public List<Foreseen> all(Caller caller, Instant now) {
        return new Look(caller, now).all();
    }

    /** A tree's points over the moments of a board. */
    record Ribbon(Foreseen tree, List<ForecastPoint> points) {}

    /** Every tree's ribbon, and the air it was reckoned with. */
    record Board(List<Ribbon> ribbons, List<Instant> moments, Air air) {}

    /**
     * The ribbons of a board, from the readings up to now.
     *
     * @param span of the board; it may begin a little before now
     */
    @Transactional(readOnly = true)
    Board board(Caller caller, Instant now, BloomMemory.Span span) {
        return new Look(caller, now).board(span);
    }

    /** What share of a tree's flowers is usually in each stage of a crop at this moment. */
    @Transactional(readOnly = true)
    public double[] usualShares(Caller caller, CropSheet sheet, Instant now) {
        Look look = new Look(caller, now);
        synchronized (look.held) {
            return look.supply(sheet, 1).usualShares(now);
        }
    }

    /** How a new reading fits what the one before it let foresee. */
    @Transactional(readOnly = true)
    java.util.Optional<Surprise> surprise(Caller caller, TreeView tree, FlowerReading before, FlowerReading reading) {
        Instant now = orchards.now(caller);
        if (before.at().isBefore(now.minus(LOOK_BACK))) {
            return java.util.Optional.empty();
        }
        Look look = new Look(caller, now);
        synchronized (look.held) {
            return Surprise.of(look.supply(crops.of(caller, tree.crop()), 1), before, reading);
        }
    }

    /** One look at an orchard's bloom. */
    private final class Look {
        private final Caller caller;
        private final Instant now;
        private final OrchardDetails orchard;
        private final BloomMemory.OfOrchard held;

        Look(Caller caller, Instant now) {
            this.caller = caller;
            this.now = now;
            this.orchard = orchards.details(caller);
            this.held = memory.of(caller.orchardId());
        }

        List<Foreseen> all() {
            List<TreeView> trees = orchards.trees(caller);
            Map<UUID, String> fingerprints =
                    readings.fingerprints(caller.orchardId(), now.minus(LOOK_BACK), now).stream()
                            .collect(Collectors.toMap(
                                    ReadingRepository.Fingerprint::getTreeid,
                                    ReadingRepository.Fingerprint::getFingerprint));
            synchronized (held) {
                air();
                Map<UUID, RateLearning> paces = paces(trees, fingerprints);
                loadStale(trees, fingerprints, paces);
                return trees.stream().map(t -> foreseen(t, fingerprints, paces)).toList();
            }
        }

        private Foreseen foreseen(TreeView tree, Map<UUID, String> fingerprints, Map<UUID, RateLearning> paces) {
            CropSheet sheet = crops.of(caller, tree.crop());
            RateLearning pace = paces.get(tree.varietyId());
            BloomMemory.Tree known = fingerprints.containsKey(tree.id()) ? held.trees.get(tree.id()) : null;
            return known == null
                    ? new Foreseen(tree, sheet, null, null, pace)
                    : new Foreseen(tree, sheet, known.forecast(), known.reading(), pace);
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
                        air());
            }
        }

        private List<ForecastPoint> points(Foreseen tree, BloomMemory.Span span, List<Instant> moments) {
            if (!tree.known()) {
                return List.of();
            }
            BloomMemory.Tree known = held.trees.get(tree.tree().id());
            if (known.ribbon() != null && known.ribbon().span().equals(span)) {
                return known.ribbon().points();
            }
            BloomMemory.Chances chances = held.chances.get(known.supply());
            if (chances == null || !chances.span().equals(span)) {
                chances = new BloomMemory.Chances(span, PhaseChances.of(known.supply(), span.from(), moments));
                held.chances.put(known.supply(), chances);
            }
            List<ForecastPoint> points = known.forecast().at(chances.chances());
            held.trees.put(tree.tree().id(), known.with(new BloomMemory.Ribbon(span, points)));
            return points;
        }

        private Air air() {
            LocalDate today = now.atZone(orchard.site().zone()).toLocalDate();
            Instant from = now.minus(LEARN_BACK).minus(MOST_WARM_UP);
            return held.air(weather.version(caller, orchard), today, () -> weather.air(caller, from, now.plus(AHEAD)));
        }

        /** The supply of a crop for varieties of one pace. */
        BudSupply supply(CropSheet sheet, double pace) {
            Air air = air();
            String key = sheet.key() + " " + pace;
            BloomMemory.Supply known = held.supplies.get(key);
            if (known == null || known.sheet() != sheet) {
                known = new BloomMemory.Supply(
                        sheet, BudSupply.of(sheet, pace, conditions(sheet, air, LOOK_BACK), now.plus(ONE_DAY)));
                held.supplies.put(key, known);
            }
            return known.supply();
        }

        private BloomConditions conditions(CropSheet sheet, Air air, Duration back) {
            Instant from = now.minus(back).minus(BudSupply.warmUp(sheet)).minus(Duration.ofDays(1));
            return BloomConditions.of(sheet, orchard.site(), air.temperatures().startingAt(from), now.plus(AHEAD));
        }

        private void loadStale(List<TreeView> trees, Map<UUID, String> fingerprints, Map<UUID, RateLearning> paces) {
            Map<UUID, TreeView> stale = new LinkedHashMap<>();
            Map<UUID, BudSupply> supplies = new HashMap<>();
            for (TreeView tree : trees) {
                if (fingerprints.containsKey(tree.id())) {
                    RateLearning pace = paces.get(tree.varietyId());
                    BudSupply supply = supply(crops.of(caller, tree.crop()), used(pace));
                    supplies.put(tree.id(), supply);
                    BloomMemory.Tree known = held.trees.get(tree.id());
                    if (known == null
                            || known.supply() != supply
                            || !known.fingerprint().equals(fingerprints.get(tree.id()))) {
                        stale.put(tree.id(), tree);
                    }
                }
            }
            held.chances.keySet().retainAll(Set.copyOf(supplies.values()));
            read(stale.keySet(), LOOK_BACK).forEach((id, looks) -> {
                CropSheet sheet = crops.of(caller, stale.get(id).crop());
                held.trees.put(
                        id,
                        new BloomMemory.Tree(
                                fingerprints.get(id),
                                supplies.get(id),
                                TreeForecast.ofLimbs(supplies.get(id), limbs(looks, sheet)),
                                Readings.view(looks.get(looks.size() - 1), sheet),
                                null));
            });
        }

        /** The pace to reckon with; rounded a little, so that varieties of like pace share their reckoning. */
        private static double used(RateLearning pace) {
            return pace != null && pace.enough() ? Math.round(pace.factor() * 20) / 20.0 : 1;
        }

        private Map<UUID, List<Reading>> read(Set<UUID> trees, Duration back) {
            if (trees.isEmpty()) {
                return Map.of();
            }
            return readings.withCounts(caller.orchardId(), trees, now.minus(back), now).stream()
                    .collect(Collectors.groupingBy(Reading::treeId));
        }

        private Map<UUID, RateLearning> paces(List<TreeView> trees, Map<UUID, String> fingerprints) {
            Map<UUID, List<TreeView>> byVariety = trees.stream()
                    .filter(t -> fingerprints.containsKey(t.id()))
                    .collect(Collectors.groupingBy(TreeView::varietyId));
            Map<UUID, List<TreeView>> stale = new HashMap<>();
            byVariety.forEach((variety, itsTrees) -> {
                BloomMemory.Pace known = held.paces.get(variety);
                CropSheet sheet = crops.of(caller, itsTrees.get(0).crop());
                if (known == null
                        || known.sheet() != sheet
                        || !known.fingerprint().equals(joined(itsTrees, fingerprints))) {
                    stale.put(variety, itsTrees);
                }
            });
            learn(stale, fingerprints);
            return byVariety.keySet().stream()
                    .filter(v -> held.paces.get(v).learned().pairs() > 0)
                    .collect(Collectors.toMap(
                            Function.identity(), v -> held.paces.get(v).learned()));
        }

        private void learn(Map<UUID, List<TreeView>> stale, Map<UUID, String> fingerprints) {
            Set<UUID> trees = stale.values().stream()
                    .flatMap(List::stream)
                    .map(TreeView::id)
                    .collect(Collectors.toSet());
            Map<UUID, List<Reading>> byTree = read(trees, LEARN_BACK);
            stale.forEach((variety, itsTrees) -> {
                CropSheet sheet = crops.of(caller, itsTrees.get(0).crop());
                List<RateLearning.Pair> pairs = new ArrayList<>();
                itsTrees.forEach(t -> pairs.addAll(RateLearning.pairs(byTree.getOrDefault(t.id(), List.of()).stream()
                        .filter(r -> r.limb().isEmpty())
                        .map(r -> r.asCore(sheet))
                        .toList())));
                held.paces.put(
                        variety,
                        new BloomMemory.Pace(sheet, joined(itsTrees, fingerprints), learned(variety, sheet, pairs)));
            });
        }

        /** Learning anew takes its time, so small news wait until there is a tenth more of it. */
        private RateLearning learned(UUID variety, CropSheet sheet, List<RateLearning.Pair> pairs) {
            BloomMemory.Pace before = held.paces.get(variety);
            if (before != null
                    && before.sheet() == sheet
                    && pairs.size() >= before.learned().pairs()
                    && pairs.size() < 1.1 * before.learned().pairs()) {
                return before.learned();
            }
            return pairs.size() < RateLearning.ENOUGH_PAIRS
                    ? new RateLearning(1, 1, 1, pairs.size(), false)
                    : RateLearning.of(grid(sheet), pairs);
        }

        private PaceGrid grid(CropSheet sheet) {
            BloomMemory.Grid known = held.grids.get(sheet.key());
            if (known == null || known.sheet() != sheet) {
                known = new BloomMemory.Grid(
                        sheet, PaceGrid.of(sheet, conditions(sheet, air(), LEARN_BACK), now.plus(ONE_DAY)));
                held.grids.put(sheet.key(), known);
            }
            return known.paces();
        }

        private static String joined(List<TreeView> trees, Map<UUID, String> fingerprints) {
            return trees.stream().map(t -> fingerprints.get(t.id())).sorted().collect(Collectors.joining());
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
