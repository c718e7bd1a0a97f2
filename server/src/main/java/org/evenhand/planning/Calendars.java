package org.evenhand.planning;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.stream.Collectors;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStamp;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.Url;
import net.fortuna.ical4j.model.property.immutable.ImmutableCalScale;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;
import org.evenhand.core.Plural;
import org.evenhand.core.Text;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.permit.PermitStanding;
import org.evenhand.crossing.ControlledCrossView;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.crossing.CrossWords;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.ExportedFile;
import org.evenhand.kit.Given;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.MemberLeft;
import org.evenhand.kit.Messages;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.PublicAddress;
import org.evenhand.kit.SecretKeys;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.permit.PermitView;
import org.evenhand.permit.Permits;
import org.springframework.context.annotation.Lazy;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Rounds, visits to crosses, covers that come off and looks for fruit as an iCalendar feed. */
@Service
class Calendars implements ExportedFile.Of {
    /** Morning, midday, evening and night. */
    private static final int PART_OF_DAY_HOURS = 6;

    private static final Set<CrossProtocol.Step> IN_CALENDAR =
            EnumSet.of(CrossProtocol.Step.POLLINATE, CrossProtocol.Step.POLLINATE_AGAIN, CrossProtocol.Step.BAG_OFF);
    private static final Duration SHORTEST = Duration.ofMinutes(15);

    private final CalendarFeedRepository feeds;
    private final Plans plans;
    private final CheckDays checks;
    private final SeedDays seeds;
    private final ControlledCrosses controlledCrosses;
    private final Permits permits;
    private final Orchards orchards;
    private final IdempotentWriter once;
    private final PublicAddress address;
    private final InstantSource clock;

    Calendars(
            CalendarFeedRepository feeds,
            Plans plans,
            @Lazy CheckDays checks,
            @Lazy SeedDays seeds,
            ControlledCrosses controlledCrosses,
            Permits permits,
            Orchards orchards,
            IdempotentWriter once,
            PublicAddress address,
            InstantSource clock) {
        this.address = address;
        this.feeds = feeds;
        this.plans = plans;
        this.checks = checks;
        this.seeds = seeds;
        this.controlledCrosses = controlledCrosses;
        this.permits = permits;
        this.orchards = orchards;
        this.once = once;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<CalendarView> all(Caller caller) {
        return feeds.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId()).stream()
                .map(f -> new CalendarView(f.id(), f.name(), null, null, f.version()))
                .toList();
    }

    /** Makes a feed and tells its address, this once. */
    public CalendarView make(Caller caller, UUID id, CalendarRequest request) {
        String name = request.name().strip();
        String key = SecretKeys.newKey();
        return once.write(
                feeds,
                caller,
                id,
                found -> {
                    throw new ConflictException(Text.of("conflict.calendar-shown"));
                },
                () -> {
                    CalendarFeed made = feeds.saveAndFlush(new CalendarFeed(
                            id, caller, orchards.now(caller), zone(caller), name, SecretKeys.hash(key)));
                    String path = "/api/feeds/" + key + ".ics";
                    return new CalendarView(
                            made.id(),
                            name,
                            path,
                            address.given().map(a -> a + path).orElse(null),
                            made.version());
                });
    }

    @Transactional
    public void voidFeed(Caller caller, UUID id, VoidRequest request) {
        feeds.voidOnce(caller, id, request, orchards.now(caller));
    }

    /** Whoever no longer may come in reads no calendar either. */
    @EventListener
    void shut(MemberLeft left) {
        feeds
                .findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(
                        left.by().orchardId())
                .stream()
                .filter(f -> f.recordedBy().equals(left.accountId()))
                .forEach(f -> feeds.voidOnce(
                        left.by(),
                        f.id(),
                        new VoidRequest(f.version(), "its reader left the orchard"),
                        orchards.now(left.by())));
    }

    /**
     * The feed behind a secret; "not found" for any other. Made once for each state of the orchard, however often calendar programs
     * ask.
     */
    public String read(String key, String origin) {
        CalendarFeed feed = feeds.findByKeyHashAndVoidedAtIsNull(SecretKeys.hash(key))
                .orElseThrow(() -> new NotFoundException("calendar at this address"));
        Caller reader = new Caller(feed.recordedBy(), feed.orchardId(), feed.name(), Caller.Role.VIEWER);
        PlanView plan = plans.plan(reader, VisitWindows.DAYS);
        return plans.once(reader, "calendar at " + origin, () -> calendar(reader, plan, origin));
    }

    @Override
    public List<ExportedFile> files(Caller caller) {
        String calendar = calendar(caller, plans.plan(caller, VisitWindows.DAYS), "");
        return List.of(new ExportedFile(
                "calendar.ics",
                "text/calendar",
                "Visits, steps on crosses, checks and work on seeds to come, as they were planned at that moment.",
                calendar.getBytes(StandardCharsets.UTF_8)));
    }

    private String calendar(Caller reader, PlanView plan, String origin) {
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Even Hand//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        Map<String, Integer> named = new HashMap<>();
        plan.rounds().stream()
                .filter(r -> r.flowers() > 0)
                .forEach(r -> calendar.add(round(reader, r, name(reader, r, named), origin)));
        crossSteps(reader).forEach((when, due) -> calendar.add(crossStep(reader, when, due, origin)));
        looks(reader).forEach((day, looks) -> calendar.add(look(reader, day, looks, origin)));
        seeds.of(reader).forEach(d -> calendar.add(ofSeeds(reader, d, origin)));
        permits.all(reader).permits().stream()
                .filter(p -> p.validUntil() != null)
                .flatMap(p -> permitEnds(reader, p, origin).stream())
                .forEach(calendar::add);
        return calendar.toString();
    }

    /** The same for a visit as long as it is on that day, in that part of it, to those crops: its hour may move, the event stays. */
    private String name(Caller reader, PlanView.Round r, Map<String, Integer> named) {
        int hour = r.at().atZone(zone(reader)).getHour();
        String crops = r.stops().stream()
                .map(RoundView.StopView::crop)
                .distinct()
                .sorted()
                .collect(Collectors.joining("-"));
        String name = "visit-" + day(reader, r.at()) + "-" + hour / PART_OF_DAY_HOURS + "-" + crops;
        int nth = named.merge(name, 1, Integer::sum);
        return nth == 1 ? name : name + "-" + nth;
    }

    private VEvent round(Caller reader, PlanView.Round r, String name, String origin) {
        Duration length = Duration.ofMinutes(Math.max(SHORTEST.toMinutes(), Math.round(r.minutes())));
        String trees = r.stops().stream().map(Calendars::line).collect(Collectors.joining("\n"));
        String collect = r.collect().stream()
                .map(c -> "First collect " + Plural.of(c.flowers(), "flower") + " of " + c.variety() + ".\n")
                .collect(Collectors.joining());
        VEvent event = new VEvent(r.at(), r.at().plus(length), "Visit: " + Plural.of(r.flowers(), "flower"));
        return complete(event, name, reader, collect + trees, origin + "/round/plan");
    }

    private static String line(RoundView.StopView s) {
        String cross = s.cross() == null || s.cross().label() == null
                ? ""
                : " (cross " + s.cross().label() + ")";
        return s.givesPollen()
                ? s.flowers() + " of " + s.treeName() + " with " + s.lotCode() + cross
                : CrossWords.name(s.kind()) + ": " + s.flowers() + " of " + s.treeName() + cross;
    }

    /** A day and what is to be done on crosses then. */
    private record CrossDay(LocalDate on, CrossProtocol.Step step) {}

    /** A cross and until when its step helps. */
    private record CrossDue(ControlledCrossView cross, ControlledCrossView.Due due) {}

    /** Visits to crosses and covers that come off; what is done in between needs no day of its own. */
    private Map<CrossDay, List<CrossDue>> crossSteps(Caller reader) {
        Map<CrossDay, List<CrossDue>> days =
                new TreeMap<>(Comparator.comparing(CrossDay::on).thenComparing(CrossDay::step));
        for (ControlledCrossView cross : controlledCrosses.all(reader).controlledCrosses()) {
            cross.due().stream()
                    .filter(d -> cross.begun() && IN_CALENDAR.contains(d.step()))
                    .forEach(d -> days.computeIfAbsent(
                                    new CrossDay(day(reader, d.from()), d.step()), k -> new ArrayList<>())
                            .add(new CrossDue(cross, d)));
        }
        return days;
    }

    private VEvent crossStep(Caller reader, CrossDay when, List<CrossDue> due, String origin) {
        String what = due.stream()
                .map(d -> d.cross().label() + ", " + d.cross().tree() + " × "
                        + d.cross().father() + ": "
                        + Plural.of(d.cross().flowers(), "flower")
                        + (d.due().until() == null
                                ? ""
                                : ", until " + Given.say(d.due().until(), zone(reader))))
                .collect(Collectors.joining("\n"));
        String name = switch (when.step()) {
            case POLLINATE -> "Pollinate crosses";
            case POLLINATE_AGAIN -> "Second visit to crosses";
            default -> "Bags off";
        };
        VEvent event = new VEvent(when.on(), name + ": " + due.size());
        return complete(event, "cross-" + when.on() + "-" + when.step(), reader, what, origin + "/round/crosses");
    }

    private Map<LocalDate, List<CheckDays.Day>> looks(Caller reader) {
        return checks.of(reader).stream()
                .collect(Collectors.groupingBy(CheckDays.Day::on, TreeMap::new, Collectors.toList()));
    }

    private VEvent look(Caller reader, LocalDate day, List<CheckDays.Day> looks, String origin) {
        String what =
                looks.stream().map(l -> l.tree() + ": " + l.look()).distinct().collect(Collectors.joining("\n"));
        VEvent event = new VEvent(day, "Check fruit: " + Plural.of(looks.size(), "check"));
        return complete(event, "look-" + day, reader, what, origin + "/fruit-set");
    }

    private VEvent ofSeeds(Caller reader, SeedDays.Day day, String origin) {
        String what = Messages.english(zone(reader)).say(day.say());
        VEvent event = new VEvent(day.on(), "Seed lot " + day.label() + ": " + what);
        String id = "seeds-" + day.lotId() + "-" + day.task().kind();
        return complete(event, id, reader, what, origin + "/fruit-set/seeds/" + day.lotId());
    }

    /** Some weeks before a permit ends, and on its last day. */
    private List<VEvent> permitEnds(Caller reader, PermitView p, String origin) {
        String what = "Permit " + p.number() + " of " + p.authority() + ". Ask there whether a new one is needed.";
        LocalDate last = p.validUntil();
        VEvent soon = new VEvent(
                last.minusDays(PermitStanding.NOTICE_DAYS),
                "Permit " + p.number() + " ends in " + PermitStanding.NOTICE_DAYS + " days");
        VEvent end = new VEvent(last, "Last day of permit " + p.number());
        String id = "permit-" + p.id();
        String link = origin + "/orchard/permits";
        return List.of(
                complete(soon, id + "-soon", reader, what, link), complete(end, id + "-end", reader, what, link));
    }

    private VEvent complete(VEvent event, String id, Caller reader, String description, String link) {
        event.getProperty(net.fortuna.ical4j.model.Property.DTSTAMP).ifPresent(event::remove);
        event.add(new DtStamp(clock.instant()));
        event.add(new Uid(id + "@" + reader.orchardId()));
        event.add(new Description(description));
        event.add(new Url(URI.create(link)));
        return event;
    }

    private LocalDate day(Caller caller, Instant at) {
        return at.atZone(zone(caller)).toLocalDate();
    }

    private ZoneId zone(Caller caller) {
        return orchards.details(caller).site().zone();
    }
}
