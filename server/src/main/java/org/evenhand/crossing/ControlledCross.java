package org.evenhand.crossing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Locale;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.Caller;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.envers.Audited;

/** Flowers of one tree that are crossed with one father together. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Audited
class ControlledCross extends OrchardRecord {
    private UUID treeId;
    private UUID fatherId;
    private UUID crossRequestId;
    private UUID walkId;
    private int year;
    private int number;
    private int planned;
    private boolean bag;

    @Enumerated(EnumType.STRING)
    private CrossProtocol.Visits visits;

    private boolean emasculate;

    private String note;

    ControlledCross(UUID id, Caller caller, Instant now, ZoneId zone, Made made) {
        super(id, caller, now, zone);
        this.treeId = made.treeId();
        this.fatherId = made.fatherId();
        this.crossRequestId = made.crossRequestId();
        this.walkId = made.walkId();
        this.year = made.year();
        this.number = made.number();
        change(made.planned(), made.method(), made.note());
    }

    /** Which tree and father, under which number, and how many flowers in which way. */
    record Made(
            UUID treeId,
            UUID fatherId,
            UUID crossRequestId,
            UUID walkId,
            int year,
            int number,
            int planned,
            CrossProtocol.Method method,
            String note) {}

    final void change(int newPlanned, CrossProtocol.Method method, String newNote) {
        this.planned = newPlanned;
        this.bag = method.bag();
        this.visits = method.visits();
        this.emasculate = method.emasculate();
        this.note = newNote;
    }

    void mergeFather(UUID into) {
        this.fatherId = into;
    }

    /** Flowers meant, until the first step says how many there are. */
    int planned() {
        return planned;
    }

    CrossProtocol.Method method() {
        return new CrossProtocol.Method(bag, visits, emasculate);
    }

    /** What a form would send to leave it as it is. */
    ControlledCrossRequests.Cross request() {
        return new ControlledCrossRequests.Cross(
                treeId, fatherId, crossRequestId, planned, bag, visits, emasculate, year, number, note, null);
    }

    /** Whether it was made in a year before it was written down: nothing is due with it. */
    boolean ofEarlierYear(ZoneId zone) {
        return year < recordedAt().atZone(zone).getYear();
    }

    String label() {
        return label(year, number);
    }

    /** What stands on its label: the year's last two digits and the number. */
    static String label(int year, int number) {
        return String.format(Locale.ROOT, "%02d-%d", year % 100, number);
    }
}
