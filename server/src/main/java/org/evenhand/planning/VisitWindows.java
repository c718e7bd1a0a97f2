package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Text;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.planning.ClockChange;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.planning.Rhythm;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.VisitTimes;
import org.evenhand.core.planning.WorkHours;
import org.evenhand.core.planning.WorkingHours;

/** The hours at which to walk, crop by crop; and what stands in the way of any. One use each. */
final class VisitWindows {
    private static final Duration GRAIN = Duration.ofMinutes(30);

    /** So many days, today's included, every plan looks ahead. */
    static final int DAYS = 10;

    private final PlanningContext ground;
    private final List<Instant> moments;
    private final Map<UUID, AnthesisForecast.PhaseShares> shares;
    private final double[] receptive;
    private final double[] shedding;
    private final List<WorkingHours.TimeWindow> free;
    private final List<VisitWindow> slots;
    private final List<Text> obstacles = new ArrayList<>();

    VisitWindows(PlanningContext ground) {
        this(ground, moments(ground.now()), null);
    }

    private VisitWindows(
            PlanningContext ground, List<Instant> moments, Map<UUID, AnthesisForecast.PhaseShares> shares) {
        this.ground = ground;
        this.moments = moments;
        this.shares = shares == null ? shares() : shares;
        this.receptive = sum(this.shares.values(), AnthesisForecast.PhaseShares::receptive, moments.size());
        this.shedding = sum(this.shares.values(), AnthesisForecast.PhaseShares::shedding, moments.size());
        this.free = ground.hours().from(ground.now(), DAYS, ground.zone());
        this.slots = overridden(
                VisitTimes.of(free, moments, crops()).stream().map(this::slot).toList());
        tellObstacles();
    }

    /** Of the same trees and hours with other overrides. */
    VisitWindows with(List<OverrideRequest> overrides) {
        return new VisitWindows(ground.with(overrides), moments, shares);
    }

    /** With one override more. */
    VisitWindows and(OverrideRequest override) {
        List<OverrideRequest> more = new ArrayList<>(ground.overrides());
        more.add(override);
        return with(more);
    }

    PlanningContext ground() {
        return ground;
    }

    /** Now, and then the full and half hours: so that hours to go do not creep with the clock. */
    private static List<Instant> moments(Instant now) {
        long grain = GRAIN.toSeconds();
        Instant next = Instant.ofEpochSecond((now.getEpochSecond() / grain + 1) * grain);
        Instant end = now.plus(Duration.ofDays(DAYS));
        return Stream.concat(Stream.of(now), Stream.iterate(next, at -> !at.isAfter(end), at -> at.plus(GRAIN)))
                .toList();
    }

    /** Moments of the first days. */
    List<Instant> moments(int days) {
        return moments.subList(0, until(days));
    }

    double[] receptive(int days) {
        return Arrays.copyOf(receptive, until(days));
    }

    double[] shedding(int days) {
        return Arrays.copyOf(shedding, until(days));
    }

    private int until(int days) {
        Instant end = ground.now().plus(Duration.ofDays(days));
        return (int) moments.stream().filter(m -> !m.isAfter(end)).count();
    }

    List<Text> obstacles() {
        return List.copyOf(obstacles);
    }

    private Map<UUID, AnthesisForecast.PhaseShares> shares() {
        AnthesisForecast all = AnthesisForecast.at(moments);
        Map<UUID, AnthesisForecast.PhaseShares> shares = new HashMap<>();
        ground.trees().forEach(t -> shares.put(t.tree().id(), all.shares(t.forecast())));
        return shares;
    }

    private static double[] sum(
            Collection<AnthesisForecast.PhaseShares> shares,
            Function<AnthesisForecast.PhaseShares, double[]> of,
            int size) {
        double[] sum = new double[size];
        shares.forEach(c -> {
            for (int i = 0; i < size; i++) {
                sum[i] += of.apply(c)[i];
            }
        });
        return sum;
    }

    /** The best hours of each crop in each free stretch, within the hours in which the crop is worked. */
    List<VisitWindow> slots() {
        return slots;
    }

    private List<VisitTimes.OfCrop> crops() {
        Instant last = moments.get(moments.size() - 1);
        Map<CropSheet, List<AnthesisForecast.PhaseShares>> byCrop = ground.trees().stream()
                .collect(Collectors.groupingBy(
                        Foreseen::sheet,
                        LinkedHashMap::new,
                        Collectors.mapping(t -> shares.get(t.tree().id()), Collectors.toList())));
        Map<String, double[]> shedding = ground.trees().stream()
                .collect(Collectors.groupingBy(
                        t -> t.sheet().pollenGroup(),
                        Collectors.collectingAndThen(
                                Collectors.mapping(t -> shares.get(t.tree().id()), Collectors.toList()),
                                of -> sum(of, AnthesisForecast.PhaseShares::shedding, moments.size()))));
        List<VisitTimes.OfCrop> crops = new ArrayList<>();
        byCrop.forEach((sheet, of) -> crops.add(whenGoing(
                sheet,
                new VisitTimes.OfCrop(
                        WorkHours.of(sheet, ground.site(), ground.now(), last),
                        sum(of, AnthesisForecast.PhaseShares::receptive, moments.size()),
                        shedding.get(sheet.pollenGroup()),
                        sheet.hand().flowerToFlower() || ground.onShelf().contains(sheet.pollenGroup())))));
        return crops;
    }

    /** The same without flowers at moments on days on which nobody goes to the crop, or too cold for it. */
    private VisitTimes.OfCrop whenGoing(CropSheet sheet, VisitTimes.OfCrop crop) {
        Rhythm rhythm = ground.settings().days();
        boolean byWarmth =
                ground.settings().onlyWhenWarm() && sheet.season().warmEnoughC().isPresent();
        if (rhythm.kind() == Rhythm.Kind.EVERY_DAY && !byWarmth) {
            return crop;
        }
        Foreseen any = ground.trees().stream()
                .filter(t -> t.sheet().equals(sheet))
                .findFirst()
                .orElseThrow();
        Optional<LocalDate> first = VisitTimes.of(free, moments, List.of(crop)).stream()
                .findFirst()
                .map(v -> Rhythm.workday(v.at(), ground.zone()));
        double every = sheet.season().roundEveryDays().value();
        Optional<LocalDate> last = lastVisit(sheet);
        double[] receptive = crop.receptive().clone();
        for (int i = 0; i < receptive.length && first.isPresent(); i++) {
            LocalDate day = Rhythm.workday(moments.get(i), ground.zone());
            boolean goes = rhythm.goesOn(day, last, first.get(), every) && !(byWarmth && any.tooCold(moments.get(i)));
            receptive[i] = goes ? receptive[i] : 0;
        }
        return new VisitTimes.OfCrop(crop.windows(), receptive, crop.shedding(), crop.onShelf());
    }

    private Optional<LocalDate> lastVisit(CropSheet sheet) {
        Set<UUID> trees = ground.trees().stream()
                .filter(t -> t.sheet().equals(sheet))
                .map(t -> t.tree().id())
                .collect(Collectors.toSet());
        return ground.before().stream()
                .filter(p -> trees.contains(p.treeId()))
                .map(p -> Rhythm.workday(p.doneAt(), ground.zone()))
                .max(Comparator.naturalOrder());
    }

    /** Without the days and visits that are skipped, and with the hours that somebody chose. */
    private List<VisitWindow> overridden(List<VisitWindow> all) {
        List<VisitWindow> left = all.stream()
                .filter(s -> ground.overrides().stream()
                        .noneMatch(o -> o.kind() == PlanOverride.Kind.SKIP_DAYS && o.covers(s.at(), ground.zone())))
                .toList();
        for (OverrideRequest o : ground.overrides()) {
            left = switch (o.kind()) {
                case VISIT_AT -> instead(left, ownHour(left, o.visitAt()));
                case SKIP_VISIT -> without(left, o.visitAt());
                case SKIP_DAYS, SKIP_TREE -> left;
            };
        }
        return left;
    }

    private static List<VisitWindow> without(List<VisitWindow> hours, Instant visit) {
        Optional<VisitWindow> skipped =
                next(hours, visit).filter(s -> apart(s, visit).compareTo(PlanConventions.LEFT_OUT_WITHIN) <= 0);
        return hours.stream().filter(s -> skipped.filter(s::equals).isEmpty()).toList();
    }

    /** The hours with one of somebody's own in place of the visit next to it. */
    private static List<VisitWindow> instead(List<VisitWindow> hours, VisitWindow own) {
        Optional<VisitWindow> replaced = next(hours, own.at());
        List<VisitWindow> all = new ArrayList<>(hours);
        replaced.ifPresent(all::remove);
        all.add(own);
        all.sort(Comparator.comparing(VisitWindow::at));
        return all;
    }

    /** It lasts as long as the visit it replaces, but an hour at least. */
    private VisitWindow ownHour(List<VisitWindow> hours, Instant at) {
        Instant end = next(hours, at)
                .map(s -> s.free().until())
                .filter(until -> until.isAfter(at.plus(PlanConventions.OWN_VISIT)))
                .orElse(at.plus(PlanConventions.OWN_VISIT));
        WorkingHours.TimeWindow lasts = new WorkingHours.TimeWindow(at, end);
        int moment = (int) moments.stream().filter(m -> !m.isAfter(at)).count() - 1;
        return new VisitWindow(
                lasts,
                at,
                Stream.concat(Stream.of(Text.of("visit.chosen")), why(moment).stream())
                        .toList(),
                most(lasts),
                true);
    }

    /** The visit that somebody means who asks for another hour. */
    private static Optional<VisitWindow> next(List<VisitWindow> hours, Instant at) {
        return hours.stream()
                .filter(s -> !s.asked() && apart(s, at).compareTo(PlanConventions.SAME_VISIT) <= 0)
                .min(Comparator.comparing(s -> apart(s, at)));
    }

    private static Duration apart(VisitWindow slot, Instant at) {
        return Duration.between(slot.at(), at).abs();
    }

    private VisitWindow slot(VisitTimes.Visit visit) {
        WorkingHours.TimeWindow lasts = new WorkingHours.TimeWindow(visit.at(), visit.until());
        return new VisitWindow(lasts, visit.at(), why(visit.moment()), most(lasts), false);
    }

    /** Flowers that can be done; no end of them where nobody told any hours. */
    private int most(WorkingHours.TimeWindow lasts) {
        return ground.hours().isSpecified()
                ? (int) Math.max(1, Math.floor(lasts.hours() * ground.settings().flowersPerHour()))
                : RoundRequest.NO_LIMIT;
    }

    /** What each crop has to give and to take then; those with nothing are left out. */
    private List<Text> why(int moment) {
        Map<String, double[]> byCrop = new TreeMap<>();
        ground.trees().forEach(t -> {
            AnthesisForecast.PhaseShares share = shares.get(t.tree().id());
            double[] sums = byCrop.computeIfAbsent(t.sheet().name(), n -> new double[2]);
            sums[0] += share.receptive()[moment];
            sums[1] += share.shedding()[moment];
        });
        return byCrop.entrySet().stream()
                .filter(e -> e.getValue()[0] >= TreeOutlook.THERE)
                .map(e -> Text.of(
                        "visit.flowers",
                        "sheet",
                        e.getKey(),
                        "receptive",
                        Math.round(e.getValue()[0]),
                        "shedding",
                        e.getValue()[1] >= TreeOutlook.THERE ? Math.round(e.getValue()[1]) : 0))
                .toList();
    }

    private void tellObstacles() {
        if (ground.trees().isEmpty()) {
            obstacles.add(Text.of("obstacle.no-reading"));
        } else if (free.isEmpty()) {
            obstacles.add(Text.of("obstacle.no-hour"));
        } else if (Arrays.stream(receptive).max().orElse(0) < TreeOutlook.THERE) {
            obstacles.add(Text.of("obstacle.no-flower"));
        } else if (slots.isEmpty()) {
            obstacles.add(Text.of("obstacle.nobody-goes"));
        }
        tellWaiting();
        tellClocks();
        tellSunless();
        ground.budgets().values().stream()
                .filter(b -> b.target() != null && b.target().fruits() != null && b.carries() != null)
                .filter(b -> b.target().fruits() > b.carries())
                .forEach(b -> obstacles.add(Text.of(
                        "obstacle.too-many-fruits",
                        "tree",
                        b.tree(),
                        "fruits",
                        b.target().fruits(),
                        "carries",
                        b.carries())));
        ground.budgets().values().stream()
                .filter(b -> b.wanted() != null && b.wanted() > b.set() && b.flowers() == null)
                .forEach(b -> obstacles.add(Text.of("obstacle.out-of-reach", "tree", b.tree(), "fruits", b.wanted())));
    }

    /** Crops whose early flush is left alone. */
    private void tellWaiting() {
        record Wait(String crop, LocalDate begins) {}
        ground.trees().stream()
                .flatMap(t ->
                        ground.begins(t).stream().map(b -> new Wait(t.sheet().name(), b)))
                .filter(w -> w.begins().isAfter(Rhythm.workday(ground.now(), ground.zone())))
                .distinct()
                .forEach(w -> obstacles.add(Text.of("obstacle.leaf-out", "sheet", w.crop(), "day", w.begins())));
    }

    /** A visit during which the clocks change is longer or shorter than it looks. */
    private void tellClocks() {
        for (VisitWindow visit : slots) {
            ClockChange.within(ground.zone(), visit.at(), visit.free().until())
                    .ifPresent(change -> obstacles.add(Text.of(
                            "obstacle.clocks",
                            "back",
                            change.back() ? "yes" : "no",
                            "minutes",
                            change.by().abs().toMinutes(),
                            "at",
                            visit.at(),
                            "hours",
                            Math.round(visit.free().hours() * 10) / 10.0)));
        }
    }

    /** Where the sun does not set, nobody can go by it. */
    private void tellSunless() {
        Instant last = moments.get(moments.size() - 1);
        ground.trees().stream()
                .map(Foreseen::sheet)
                .distinct()
                .forEach(sheet -> WorkHours.byClockFrom(sheet, ground.site(), ground.now(), last)
                        .ifPresent(day -> obstacles.add(Text.of(
                                "obstacle.no-sun",
                                "sheet",
                                sheet.name(),
                                "day",
                                day,
                                "sunrise",
                                WorkHours.POLAR_SUNRISE.toString(),
                                "sunset",
                                WorkHours.POLAR_SUNSET.toString()))));
    }
}
