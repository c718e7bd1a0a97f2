package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.pollen.JarCare;
import org.evenhand.crossing.ControlledCrossView;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.pollen.LotView;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Component;

/** What is due within a day beside the visits: jars, fruit, covers, and what to do before one leaves. */
@Component
class DueWork {
    private static final Duration A_DAY = Duration.ofDays(1);

    private final CheckDays checks;
    private final SeedDays seeds;
    private final ControlledCrosses controlledCrosses;

    DueWork(@Lazy CheckDays checks, @Lazy SeedDays seeds, ControlledCrosses controlledCrosses) {
        this.checks = checks;
        this.seeds = seeds;
        this.controlledCrosses = controlledCrosses;
    }

    /** What has an hour in order of time, then what can be done at any. */
    List<PlanView.Due> of(SolvedOrchard solved) {
        PlanningContext ground = solved.ground();
        List<RoundView.StopView> stops = solved.words().roundsUntil(ground.now().plus(A_DAY)).stream()
                .flatMap(r -> r.stops().stream())
                .toList();
        List<PlanView.Due> due = new ArrayList<>(ofJars(ground, stops));
        due.addAll(ofCrosses(
                ground, solved.words().roundsUntil(ground.now().plus(Duration.ofDays(VisitWindows.DAYS)))));
        due.addAll(ofFruit(ground));
        due.addAll(ofSeeds(ground));
        LocalDate tomorrow = ground.now().atZone(ground.zone()).toLocalDate().plusDays(1);
        ground.settings().away().stream()
                .filter(a -> a.first().equals(tomorrow))
                .forEach(a ->
                        due.add(new PlanView.Due(PlanView.Due.Kind.LEAVING, null, "", 1, null, null, null, a.last())));
        due.sort(Comparator.comparing(PlanView.Due::at, Comparator.nullsLast(Comparator.naturalOrder())));
        return due;
    }

    /** Only jars of tonight's visits are tested: others have time. */
    private static List<PlanView.Due> ofJars(PlanningContext ground, List<RoundView.StopView> stops) {
        Set<UUID> used = stops.stream()
                .filter(s -> s.lotId() != null)
                .map(RoundView.StopView::lotId)
                .collect(Collectors.toSet());
        return ground.jars().stream()
                .filter(j -> j.dosesLeft() > 0)
                .flatMap(j -> JarCare.of(jar(j), ground.now()).stream()
                        .filter(c -> c.kind() != JarCare.Kind.TEST || used.contains(j.id()))
                        .map(c -> new PlanView.Due(kind(c), c.at(), j.code(), j.dosesLeft(), j.id())))
                .toList();
    }

    private static JarCare.Jar jar(LotView j) {
        return new JarCare.Jar(
                j.open(),
                j.dry(),
                Optional.ofNullable(j.dryBy()),
                j.viability().spoiled(),
                Optional.ofNullable(j.viability().goodUntil()),
                j.viability().advice() != null);
    }

    private static PlanView.Due.Kind kind(JarCare care) {
        return switch (care.kind()) {
            case LID -> PlanView.Due.Kind.LID;
            case USE -> PlanView.Due.Kind.USE;
            case TEST -> PlanView.Due.Kind.TEST;
            case THROW_AWAY -> PlanView.Due.Kind.THROW_AWAY;
        };
    }

    /** Steps that no visit comes to in their time, as covers that come off a month later. */
    private List<PlanView.Due> ofCrosses(PlanningContext ground, List<PlanView.Round> visits) {
        Instant end = ground.now().plus(A_DAY);
        return controlledCrosses.all(ground.caller()).controlledCrosses().stream()
                .filter(c -> c.begun() && !c.over() && !c.due().isEmpty())
                .filter(c -> !c.due().get(0).from().isAfter(end))
                .filter(c -> !planned(visits, c, end))
                .map(c -> {
                    ControlledCrossView.Due step = c.due().get(0);
                    return new PlanView.Due(
                            PlanView.Due.Kind.CROSS_STEP,
                            step.from().isAfter(ground.now()) ? step.from() : null,
                            c.label(),
                            c.flowers(),
                            c.id(),
                            step.step(),
                            null,
                            null);
                })
                .toList();
    }

    /** Pollen may wait for a later visit as long as it helps; other steps are of the day. */
    private static boolean planned(List<PlanView.Round> visits, ControlledCrossView cross, Instant end) {
        ControlledCrossView.Due step = cross.due().get(0);
        Instant until = step.step().givesPollen() && step.until() != null ? step.until() : end;
        return visits.stream()
                .filter(v -> v.at().isBefore(until))
                .flatMap(v -> v.stops().stream())
                .anyMatch(s -> isOf(s, cross));
    }

    private static boolean isOf(RoundView.StopView stop, ControlledCrossView cross) {
        return stop.cross() != null && cross.id().equals(stop.cross().crossId());
    }

    /** What is written down when it is done; a first fruit to be judged stands with its lot and in the calendar. */
    private List<PlanView.Due> ofSeeds(PlanningContext ground) {
        LocalDate today = ground.now().atZone(ground.zone()).toLocalDate();
        return seeds.of(ground.caller()).stream()
                .filter(d -> !d.on().isAfter(today))
                .filter(d -> d.task().kind().step().isPresent())
                .map(d -> new PlanView.Due(
                        PlanView.Due.Kind.SEEDS,
                        null,
                        d.label(),
                        d.task().count(),
                        d.lotId(),
                        null,
                        d.task().kind(),
                        null))
                .toList();
    }

    private List<PlanView.Due> ofFruit(PlanningContext ground) {
        LocalDate today = ground.now().atZone(ground.zone()).toLocalDate();
        Map<CheckDays.Kind, List<CheckDays.Day>> byKind = checks.of(ground.caller()).stream()
                .filter(d -> !d.on().isAfter(today))
                .collect(Collectors.groupingBy(
                        CheckDays.Day::kind, () -> new EnumMap<>(CheckDays.Kind.class), Collectors.toList()));
        return byKind.entrySet().stream()
                .map(e -> new PlanView.Due(
                        e.getKey() == CheckDays.Kind.NUMBER ? PlanView.Due.Kind.NUMBER_FRUIT : PlanView.Due.Kind.CHECK,
                        null,
                        e.getValue().stream()
                                .map(CheckDays.Day::tree)
                                .distinct()
                                .collect(Collectors.joining(", ")),
                        e.getValue().size(),
                        null))
                .toList();
    }
}
