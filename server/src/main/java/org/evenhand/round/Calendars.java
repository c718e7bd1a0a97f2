package org.evenhand.round;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
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
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Given;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.OnceWriter;
import org.evenhand.kit.SecretKeys;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.springframework.context.annotation.Lazy;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Rounds and looks for fruit as an iCalendar feed. */
@Service
class Calendars {
    private static final int DAYS = 10;
    private static final Duration SHORTEST = Duration.ofMinutes(15);

    private final CalendarFeedRepository feeds;
    private final Plans plans;
    private final Settings settings;
    private final CheckDays checks;
    private final Orchards orchards;
    private final OnceWriter once;
    private final InstantSource clock;

    Calendars(
            CalendarFeedRepository feeds,
            Plans plans,
            Settings settings,
            @Lazy CheckDays checks,
            Orchards orchards,
            OnceWriter once,
            InstantSource clock) {
        this.feeds = feeds;
        this.plans = plans;
        this.settings = settings;
        this.checks = checks;
        this.orchards = orchards;
        this.once = once;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<CalendarView> all(Caller caller) {
        return feeds.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAt(caller.orchardId()).stream()
                .map(f -> new CalendarView(f.id(), f.name(), null, f.version()))
                .toList();
    }

    /** Makes a feed and tells its address, this once. */
    public CalendarView make(Caller caller, UUID id, CalendarRequest request) {
        String name = Given.text("name", request.name(), 80);
        String key = SecretKeys.newKey();
        return once.write(
                "calendar_feed",
                id,
                () -> feeds.findByIdAndOrchardId(id, caller.orchardId()),
                found -> {
                    throw new ConflictException(
                            "This address was told already, and is told only once. Take it back and make another.");
                },
                () -> {
                    CalendarFeed made = feeds.saveAndFlush(
                            new CalendarFeed(id, caller, clock.instant(), zone(caller), name, SecretKeys.hash(key)));
                    return new CalendarView(made.id(), name, "/api/feeds/" + key + ".ics", made.version());
                });
    }

    @Transactional
    public void voidFeed(Caller caller, UUID id, VoidRequest request) {
        CalendarFeed feed = feeds.findByIdAndOrchardId(id, caller.orchardId())
                .orElseThrow(() -> new NotFoundException("calendar", id));
        if (!feed.voided()) {
            feed.requireVersion("calendar", request.version());
            feed.voidBecause(request.reason(), clock.instant());
        }
    }

    /** The feed behind a secret; "not found" for any other. */
    @Transactional(readOnly = true)
    public String read(String key, String origin) {
        CalendarFeed feed = feeds.findByKeyHashAndVoidedAtIsNull(SecretKeys.hash(key))
                .orElseThrow(() -> new NotFoundException("calendar at this address"));
        Caller reader = new Caller(feed.recordedBy(), feed.orchardId(), feed.name(), Caller.Role.HELPER);
        Calendar calendar = new Calendar();
        calendar.add(new ProdId("-//Even Hand//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        calendar.add(ImmutableCalScale.GREGORIAN);
        plans.plan(reader, DAYS).rounds().stream()
                .filter(r -> r.flowers() > 0)
                .forEach(r -> calendar.add(round(reader, r, origin)));
        looks(reader).forEach((day, looks) -> calendar.add(look(reader, day, looks, origin)));
        return calendar.toString();
    }

    private VEvent round(Caller reader, PlanView.Round r, String origin) {
        long minutes = Math.round(60.0 * r.flowers() / settings.of(reader).flowersPerHour());
        Duration length = Duration.ofMinutes(Math.max(SHORTEST.toMinutes(), minutes));
        String trees = r.stops().stream()
                .map(s -> s.flowers() + " of " + s.tree() + " with " + s.lot())
                .collect(Collectors.joining("\n"));
        String collect = r.collect().stream()
                .map(c -> "First gather " + c.flowers() + " flowers of " + c.variety() + ".\n")
                .collect(Collectors.joining());
        VEvent event = new VEvent(
                r.at(), r.at().plus(length), "Round: " + r.flowers() + (r.flowers() == 1 ? " flower" : " flowers"));
        return complete(
                event,
                "round-" + day(reader, r.at()) + "-" + r.at().getEpochSecond(),
                reader,
                collect + trees,
                origin + "/round/plan");
    }

    private Map<LocalDate, List<CheckDays.Day>> looks(Caller reader) {
        return checks.of(reader).stream()
                .collect(Collectors.groupingBy(CheckDays.Day::on, TreeMap::new, Collectors.toList()));
    }

    private VEvent look(Caller reader, LocalDate day, List<CheckDays.Day> looks, String origin) {
        String what =
                looks.stream().map(l -> l.tree() + ": " + l.look()).distinct().collect(Collectors.joining("\n"));
        VEvent event = new VEvent(day, "Look for fruit: " + looks.size() + (looks.size() == 1 ? " look" : " looks"));
        return complete(event, "look-" + day, reader, what, origin + "/fruit-set");
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
