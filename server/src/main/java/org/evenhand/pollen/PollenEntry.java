package org.evenhand.pollen;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.Getter;
import lombok.NoArgsConstructor;
import org.hibernate.annotations.Immutable;

/** A line of the ledger: doses that went into a jar or out of it. Added, never changed. */
@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Getter(AccessLevel.PACKAGE)
@Immutable
class PollenEntry {
    /** Why doses went in or out. */
    enum Kind {
        /** Put on flowers. */
        DRAWN,
        /** Of a pollination that was taken back. */
        RETURNED,
        /** Taken outside a round, as for a test. */
        TAKEN,
        /** Given away: to whom stands in the note. */
        GIVEN_AWAY,
        /** Brought back unused. */
        BROUGHT_BACK,
        SPILLED,
        DISCARDED,
        /** Into another jar. */
        POURED_OUT,
        /** Back from a jar that was taken back. */
        POURED_BACK,
        /** Answers a line that was wrong. */
        UNDONE;

        /** Whether a person may write such a line by hand. */
        boolean byHand() {
            return this == TAKEN || this == GIVEN_AWAY || this == BROUGHT_BACK || this == SPILLED || this == DISCARDED;
        }

        boolean in() {
            return this == RETURNED || this == BROUGHT_BACK || this == POURED_BACK;
        }
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    private Long id;

    private UUID key;
    private UUID lotId;
    private UUID pollinationId;
    private UUID partOfId;
    private Long undoes;

    @Enumerated(EnumType.STRING)
    private Kind kind;

    private int change;
    private Instant at;
    private String note;
    private UUID recordedBy;
    private Instant recordedAt;

    private PollenEntry(Line line, UUID recordedBy, Instant recordedAt) {
        this.key = line.key();
        this.lotId = line.lotId();
        this.kind = line.kind();
        this.change = line.change();
        this.at = line.at();
        this.note = line.note();
        this.recordedBy = recordedBy;
        this.recordedAt = recordedAt;
    }

    /** What every line says. */
    record Line(UUID key, UUID lotId, Kind kind, int change, Instant at, String note) {}

    static PollenEntry byHand(Line line, UUID recordedBy, Instant recordedAt) {
        return new PollenEntry(line, recordedBy, recordedAt);
    }

    static PollenEntry ofPollination(UUID pollinationId, Line line, UUID recordedBy, Instant recordedAt) {
        PollenEntry entry = new PollenEntry(line, recordedBy, recordedAt);
        entry.pollinationId = pollinationId;
        return entry;
    }

    static PollenEntry ofBlending(UUID pouredId, Line line, UUID recordedBy, Instant recordedAt) {
        PollenEntry entry = new PollenEntry(line, recordedBy, recordedAt);
        entry.partOfId = pouredId;
        return entry;
    }

    static PollenEntry undoing(PollenEntry wrong, Instant at, UUID recordedBy, Instant recordedAt) {
        Line line = new Line(null, wrong.lotId, Kind.UNDONE, -wrong.change, at, "");
        PollenEntry entry = new PollenEntry(line, recordedBy, recordedAt);
        entry.undoes = wrong.id;
        return entry;
    }
}
