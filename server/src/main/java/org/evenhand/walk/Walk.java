package org.evenhand.walk;

import jakarta.persistence.Entity;
import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import java.util.stream.IntStream;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.evenhand.planning.RoundView;
import org.hibernate.annotations.JdbcTypeCode;
import org.hibernate.envers.Audited;
import org.hibernate.type.SqlTypes;

/** A round that is walked: its stops as they were planned, so that everybody on it walks the same. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class Walk extends OrchardRecord {
    private Instant plannedFor;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<RoundView.StopView> stops;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<WalkView.Collecting> collects;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<String> cautions;

    @JdbcTypeCode(SqlTypes.JSON)
    private List<Integer> replaced = List.of();

    private Instant closedAt;

    Walk(
            UUID id,
            Caller caller,
            Instant now,
            ZoneId zone,
            Instant plannedFor,
            List<WalkView.Collecting> collects,
            List<RoundView.StopView> stops,
            List<String> cautions) {
        super(id, caller, now, zone);
        this.plannedFor = plannedFor;
        this.collects = List.copyOf(collects);
        this.stops = List.copyOf(stops);
        this.cautions = List.copyOf(cautions);
    }

    /** Gives the crosses among its stops their numbers. */
    void change(List<RoundView.StopView> newStops) {
        this.stops = List.copyOf(newStops);
    }

    /** Places of stops that were planned anew since, in order. */
    List<Integer> replaced() {
        return replaced;
    }

    /** Stops that are walked. */
    List<RoundView.StopView> live() {
        return IntStream.range(0, stops.size())
                .filter(i -> !replaced.contains(i))
                .mapToObj(stops::get)
                .toList();
    }

    void change(RestOfWalk rest) {
        this.collects = List.copyOf(rest.collects());
        this.stops = List.copyOf(rest.stops());
        this.replaced = rest.replaced().stream().sorted().toList();
    }

    void close(Instant at) {
        this.closedAt = at;
    }
}
