package org.evenhand.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import java.util.function.Function;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.core.weather.WeatherSource;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ChangedElsewhere;
import org.evenhand.kit.OrchardChanges;
import org.evenhand.kit.RecordsArrived;
import org.evenhand.orchard.BlockChanged;
import org.evenhand.orchard.BlockNotes;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;

/** What the air and the sun do at an orchard. */
@Service
public class Weather {

    private final Orchards orchards;
    private final BlockNotes blocks;
    private final WeatherRows rows;
    private final OrchardChanges orchardChanges;

    /** Counts changes of an orchard's weather, so that others know when what they reckoned with it is old. */
    private final Map<UUID, Long> changes = new ConcurrentHashMap<>();
    /** Times after which that of any orchard may have. */
    private final AtomicLong anywhere = new AtomicLong();

    private final ApplicationEventPublisher events;
    private final InstantSource clock;

    Weather(
            Orchards orchards,
            BlockNotes blocks,
            WeatherRows rows,
            OrchardChanges orchardChanges,
            ApplicationEventPublisher events,
            InstantSource clock) {
        this.orchardChanges = orchardChanges;
        this.orchards = orchards;
        this.blocks = blocks;
        this.clock = clock;
        this.rows = rows;
        this.events = events;
    }

    /** What the weather of a stretch rests on; equal as long as nothing of it has changed. */
    public record Version(OrchardDetails orchard, long changes) {}

    public Version version(Caller caller, OrchardDetails orchard) {
        return new Version(orchard, changes.getOrDefault(caller.orchardId(), 0L) + anywhere.get());
    }

    /** Told of a change of the air in a stretch of time, both ends included; see {@link #changed(UUID)}. */
    void changed(UUID orchardId, Instant first, Instant last) {
        changed(orchardId);
        events.publishEvent(new WeatherChanged(
                orchardId, first.minus(WeatherSeries.SHAPED_WITHIN), last.plus(WeatherSeries.SHAPED_WITHIN)));
    }

    /** Told of a change; it counts once it can be read, so that nobody keeps the weather before it under the new count. */
    private void changed(UUID orchardId) {
        if (!TransactionSynchronizationManager.isSynchronizationActive()) {
            count(orchardId);
            return;
        }
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                count(orchardId);
            }
        });
    }

    private void count(UUID orchardId) {
        changes.merge(orchardId, 1L, Long::sum);
        // A station is nobody who is signed in: what it sends would be a change of no orchard.
        orchardChanges.changed(orchardId);
    }

    @EventListener
    void elsewhere(ChangedElsewhere change) {
        if (change.anything()) {
            anywhere.incrementAndGet();
        } else if (change.mayBeIn("weather") || change.mayBeIn("block")) {
            changes.merge(change.orchardId(), 1L, Long::sum);
        }
    }

    @EventListener
    void recordsArrived(RecordsArrived event) {
        changed(event.orchardId());
    }

    @EventListener
    void aBlockChanged(BlockChanged event) {
        changed(event.orchardId(), Instant.EPOCH.plus(WeatherSeries.SHAPED_WITHIN), clock.instant());
    }

    /** Which blocks have an air of their own. */
    public Places places(Caller caller) {
        return new Places(blocks.of(caller), rows.blocks(caller.orchardId()));
    }

    /** The orchard's air over a stretch of time, hour by hour, starting on a whole hour. */
    public WeatherSeries air(Caller caller, Instant from, Instant until) {
        return air(caller, Places.ORCHARD, from, until);
    }

    /**
     * The air of a place over a stretch of time, hour by hour, starting on a whole hour.
     *
     * @param place of {@link Places#of}
     */
    public WeatherSeries air(Caller caller, String place, Instant from, Instant until) {
        OrchardDetails orchard = orchards.details(caller);
        Instant start = from.truncatedTo(ChronoUnit.HOURS);
        int hours = (int) Duration.between(start, until).toHours() + 2;
        // Neighbours lend a night its morning, and a gap its other side.
        Instant early = start.minus(Duration.ofHours(12));
        Instant late = until.plus(Duration.ofHours(12));
        LocalDate first = early.atZone(orchard.site().zone()).toLocalDate().minusDays(1);
        LocalDate last = late.atZone(orchard.site().zone()).toLocalDate().plusDays(1);
        Function<String, WeatherSeries.Known> known = block -> new WeatherSeries.Known(
                orchard.typicalYear(),
                rows.hours(caller.orchardId(), block, early, late),
                rows.days(caller.orchardId(), block, WeatherKind.DAYS, first, last),
                rows.days(caller.orchardId(), block, WeatherKind.FORECAST, first, last));
        WeatherSeries.Known ofOrchard = known.apply(null);
        if (place.equals(Places.ORCHARD)) {
            return WeatherSeries.of(orchard.site(), ofOrchard, start, hours);
        }
        Places places = places(caller);
        WeatherSeries.Known ofPart =
                ofOrchard.ofPart(places.underCover(place), places.usual(place), known.apply(place));
        return WeatherSeries.of(orchard.site(), ofPart, start, hours);
    }

    /** A stretch of time whose air has one kind of source. */
    public record TimeWindow(Instant from, Instant until, WeatherSource source) {}

    /** The stretches of one source each, in order. */
    public static List<TimeWindow> stretches(WeatherSeries air, Instant from, Instant until) {
        List<TimeWindow> stretches = new ArrayList<>();
        Instant at = from;
        while (at.isBefore(until)) {
            WeatherSource source = air.sourceAt(at);
            Instant end = at;
            while (end.isBefore(until) && air.sourceAt(end) == source) {
                end = end.truncatedTo(ChronoUnit.HOURS).plus(Duration.ofHours(1));
            }
            stretches.add(new TimeWindow(at, end.isAfter(until) ? until : end, source));
            at = end;
        }
        return stretches;
    }

    /** The sun's days that touch a stretch of time. */
    public List<SunDay> suns(Site site, Instant from, Instant until) {
        List<SunDay> days = new ArrayList<>();
        LocalDate last = until.atZone(site.zone()).toLocalDate();
        for (LocalDate date = from.atZone(site.zone()).toLocalDate(); !date.isAfter(last); date = date.plusDays(1)) {
            days.add(SunDay.of(site, date));
        }
        return days;
    }
}
