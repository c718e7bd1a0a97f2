package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Overrides of the plan: days and trees that are skipped, visits at an hour of one's own. */
@Service
class PlanOverrides {
    private static final Duration FARTHEST = Duration.ofDays(VisitWindows.DAYS);
    /** A year of skipping is a target of none. Our convention. */
    private static final int MOST_DAYS = 366;

    private final PlanOverrideRepository overrides;
    private final Orchards orchards;
    private final IdempotentWriter once;

    PlanOverrides(PlanOverrideRepository overrides, Orchards orchards, IdempotentWriter once) {
        this.overrides = overrides;
        this.orchards = orchards;
        this.once = once;
    }

    /** Those that still mean something, in the order in which they were made. */
    List<PlanOverride> of(Caller caller, Instant now, ZoneId zone) {
        return overrides.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId()).stream()
                .filter(o -> !o.request().past(now, zone))
                .toList();
    }

    PlanView.OverrideView put(Caller caller, UUID id, OverrideRequest request) {
        OverrideRequest checked = checked(caller, request);
        PlanOverride made = once.write(
                overrides,
                caller,
                id,
                found -> same(found, checked),
                () -> overrides.saveAndFlush(new PlanOverride(
                        id,
                        caller,
                        orchards.now(caller),
                        orchards.details(caller).site().zone(),
                        checked)));
        return view(made, names(caller), null);
    }

    /** Those of {@link #of}, with what keeps each from being kept to. */
    List<PlanView.OverrideView> views(Caller caller, Instant now, ZoneId zone, Function<PlanOverride, String> problem) {
        Map<UUID, String> names = names(caller);
        return of(caller, now, zone).stream()
                .map(o -> view(o, names, problem.apply(o)))
                .toList();
    }

    private Map<UUID, String> names(Caller caller) {
        return orchards.trees(caller).stream().collect(Collectors.toMap(TreeView::id, TreeView::name));
    }

    private static PlanView.OverrideView view(PlanOverride of, Map<UUID, String> names, String problem) {
        return new PlanView.OverrideView(
                of.id(),
                of.kind(),
                of.firstDay(),
                of.lastDay(),
                of.treeId(),
                of.treeId() == null ? null : names.getOrDefault(of.treeId(), "(removed tree)"),
                of.visitAt(),
                problem,
                of.version());
    }

    /** With nothing that its kind does not need. */
    OverrideRequest checked(Caller caller, OverrideRequest r) {
        Instant now = orchards.now(caller);
        ZoneId zone = orchards.details(caller).site().zone();
        return switch (r.kind()) {
            case SKIP_DAYS -> days(r, null, orchards.today(caller));
            case SKIP_TREE ->
                days(
                        r,
                        orchards.tree(caller, Given.required("treeId", r.treeId()))
                                .id(),
                        orchards.today(caller));
            case SKIP_VISIT, VISIT_AT -> {
                Instant at = Given.required("visitAt", r.visitAt());
                if (at.isBefore(now) || at.isAfter(now.plus(FARTHEST))) {
                    throw new InvalidInputException(
                            "visitAt",
                            "is " + Given.say(at, zone) + "; a visit can be set or left out from now, "
                                    + Given.say(now, zone) + ", up to " + VisitWindows.DAYS + " days ahead.");
                }
                yield OverrideRequest.ofHour(r.kind(), at);
            }
        };
    }

    private static OverrideRequest days(OverrideRequest r, UUID tree, LocalDate today) {
        LocalDate first = Given.required("firstDay", r.firstDay());
        LocalDate last = r.lastDay() == null ? first : r.lastDay();
        if (last.isBefore(first)) {
            throw new InvalidInputException("lastDay", "is " + last + ", before the first day, " + first + ".");
        }
        if (last.isBefore(today) || last.isAfter(today.plusDays(MOST_DAYS))) {
            throw new InvalidInputException(
                    "lastDay", "is " + last + "; days can be skipped from today, " + today + ", for a year.");
        }
        return new OverrideRequest(r.kind(), first, last, tree, null);
    }

    private static PlanOverride same(PlanOverride found, OverrideRequest request) {
        if (!found.request().equals(request)) {
            throw ConflictException.otherwise("choice");
        }
        return found;
    }

    @Transactional
    public void voidOverride(Caller caller, UUID id, VoidRequest request) {
        overrides.voidOnce(caller, id, request, orchards.now(caller));
    }
}
