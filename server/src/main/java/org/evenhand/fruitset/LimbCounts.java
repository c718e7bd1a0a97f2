package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.bloom.season.SeasonConventions;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.fruitset.LimbTally;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Whole limbs counted, for who does not tag flowers. */
@Service
public class LimbCounts {

    private final LimbCountRepository counts;
    private final FlowerOutcomes outcomes;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final IdempotentWriter once;

    LimbCounts(
            LimbCountRepository counts,
            FlowerOutcomes outcomes,
            Orchards orchards,
            CropCatalogue crops,
            IdempotentWriter once) {
        this.counts = counts;
        this.outcomes = outcomes;
        this.orchards = orchards;
        this.crops = crops;
        this.once = once;
    }

    private record Limb(UUID tree, String name) {}

    /** The limbs counted this season. */
    public List<LimbView> all(Caller caller) {
        Instant since = orchards.now(caller).minus(SeasonConventions.WORKING_SEASON);
        return limbs(
                caller,
                counts.findByOrchardIdAndCountedAtAfterAndVoidedAtIsNullOrderByCountedAtAscIdAsc(
                        caller.orchardId(), since),
                since);
    }

    private List<LimbView> limbs(Caller caller, List<LimbCount> of, Instant since) {
        Map<Limb, List<LimbCount>> byLimb = new LinkedHashMap<>();
        of.forEach(c -> byLimb.computeIfAbsent(
                        new Limb(c.treeId(), c.limb().toLowerCase(Locale.ROOT)), l -> new ArrayList<>())
                .add(c));
        outcomes.refresh(caller);
        ZoneId zone = orchards.details(caller).site().zone();
        Map<UUID, NavigableMap<LocalDate, Integer>> done = outcomes.flowersByDay(
                caller,
                byLimb.keySet().stream().map(Limb::tree).distinct().toList(),
                since.atZone(zone).toLocalDate());
        Map<UUID, TreeView> trees =
                orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, Function.identity()));
        return byLimb.values().stream()
                .map(counts -> limb(
                        caller,
                        trees.computeIfAbsent(counts.get(0).treeId(), removed -> orchards.tree(caller, removed)),
                        counts,
                        done.getOrDefault(counts.get(0).treeId(), new TreeMap<>()),
                        zone))
                .toList();
    }

    private LimbView limb(
            Caller caller, TreeView tree, List<LimbCount> of, NavigableMap<LocalDate, Integer> done, ZoneId zone) {
        // Flowers show as fruit from the crop's first check on.
        int days = crops.of(caller, tree.crop()).checks().stream()
                .findFirst()
                .map(CheckDay::days)
                .orElse(0);
        List<LimbView.Count> counts = new ArrayList<>();
        LimbCount before = null;
        for (LimbCount count : of) {
            counts.add(count(count, before, done, days, zone));
            before = count;
        }
        Collections.reverse(counts);
        LimbCount last = of.get(of.size() - 1);
        return new LimbView(tree.id(), tree.name(), last.limb(), last.fruits(), counts);
    }

    private static LimbView.Count count(
            LimbCount count, LimbCount before, NavigableMap<LocalDate, Integer> done, int untilItShows, ZoneId zone) {
        LocalDate until = count.countedAt().atZone(zone).toLocalDate().minusDays(untilItShows);
        LocalDate from = before == null
                ? LocalDate.MIN
                : before.countedAt().atZone(zone).toLocalDate().minusDays(untilItShows);
        int flowers = from.isAfter(until)
                ? 0
                : done.subMap(from, false, until, true).values().stream()
                        .mapToInt(f -> f)
                        .sum();
        LimbTally tally = new LimbTally(
                Optional.ofNullable(before).map(LimbCount::fruits), count.fruits(), count.takenOff(), flowers);
        return new LimbView.Count(
                count.id(),
                count.countedAt(),
                count.fruits(),
                count.takenOff(),
                before == null ? null : before.fruits(),
                flowers,
                tally.kind(),
                tally.say(),
                count.note(),
                count.version());
    }

    /** Writes a count down; answers with its limb. */
    public LimbView put(Caller caller, UUID id, LimbRequest request) {
        LimbCount written =
                once.write(counts, caller, id, found -> again(found, request), () -> insert(caller, id, request));
        return limbOf(caller, written);
    }

    private LimbView limbOf(Caller caller, LimbCount count) {
        Instant since = count.countedAt().minus(SeasonConventions.WORKING_SEASON);
        return limbs(caller, counts.ofLimb(caller.orchardId(), count.treeId(), count.limb(), since), since).stream()
                .findFirst()
                .orElseThrow(() -> new NotFoundException("count", count.id()));
    }

    private static LimbCount again(LimbCount found, LimbRequest request) {
        if (!found.treeId().equals(request.treeId()) || !Objects.equals(found.fruits(), request.fruits())) {
            throw ConflictException.otherwise("count");
        }
        return found;
    }

    /** Corrects a count; answers with its limb. */
    @Transactional
    public LimbView correct(Caller caller, UUID id, LimbRequest request, Long version) {
        LimbCount corrected =
                counts.correct(caller, id, version, count -> count.correct(counted(caller, count.id(), request)));
        return limbOf(caller, corrected);
    }

    private LimbCount insert(Caller caller, UUID id, LimbRequest request) {
        return counts.saveAndFlush(new LimbCount(
                id,
                caller,
                orchards.now(caller),
                orchards.details(caller).site().zone(),
                counted(caller, id, request)));
    }

    /** What was counted, looked through. */
    private LimbRequest counted(Caller caller, UUID id, LimbRequest request) {
        TreeView tree = orchards.tree(caller, request.treeId());
        ZoneId zone = orchards.details(caller).site().zone();
        Instant at = Given.notInFuture("countedAt", request.countedAt(), orchards.now(caller), zone);
        String limb = request.limb().strip();
        int fruits = request.fruits();
        int off = request.takenOff() == null ? 0 : request.takenOff();
        new LimbTally(Optional.empty(), fruits, off, 0);
        counts.latest(caller.orchardId(), tree.id(), limb).ifPresent(last -> {
            if (!last.id().equals(id) && at.isBefore(last.countedAt())) {
                throw new InvalidInputException(
                        "countedAt",
                        "is " + Given.say(at, zone) + ", before the limb's latest count on "
                                + Given.say(last.countedAt(), zone) + ". Remove that one first, if this one is right.");
            }
        });
        return new LimbRequest(tree.id(), limb, at, fruits, off, Given.stripped(request.note()));
    }

    @Transactional
    public void voidCount(Caller caller, UUID id, VoidRequest request) {
        counts.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Puts a removed count back, where its tree still stands. */
    @Transactional
    void restore(Caller caller, UUID id, Long version) {
        counts.restoreOnce(caller, id, version, count -> orchards.requireStanding(caller, count.treeId()));
    }
}
