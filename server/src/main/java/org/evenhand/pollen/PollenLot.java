package org.evenhand.pollen;

import jakarta.persistence.CollectionTable;
import jakarta.persistence.Column;
import jakarta.persistence.ElementCollection;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.FetchType;
import jakarta.persistence.JoinColumn;
import jakarta.persistence.MapKeyColumn;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import lombok.AccessLevel;
import lombok.NoArgsConstructor;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.ReceivedPollen;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.OrchardRecord;
import org.hibernate.annotations.OptimisticLock;
import org.hibernate.envers.Audited;
import org.hibernate.envers.NotAudited;

@Entity
@NoArgsConstructor(access = AccessLevel.PROTECTED)
@Audited
class PollenLot extends OrchardRecord {
    private UUID varietyId;
    private String code;
    private Instant collectedAt;

    @Enumerated(EnumType.STRING)
    private Storage storage;

    /** How it came about. */
    enum Origin {
        COLLECTED,
        POURED,
        RECEIVED
    }

    @Enumerated(EnumType.STRING)
    private Origin origin;

    @Enumerated(EnumType.STRING)
    private CollectionMethod method;

    private int dosesCollected;

    /** Moved by the lines of the ledger alone, in the database. Its history is the ledger. */
    @NotAudited
    @Column(updatable = false)
    private int dosesLeft;

    private String note;

    /** The following are of pollen that came from elsewhere. */
    private Instant receivedAt;

    @Enumerated(EnumType.STRING)
    private Received.How receivedHow;

    private String receivedFrom;
    private Boolean receivedDry;

    @Enumerated(EnumType.STRING)
    private Storage keptBefore;

    private Boolean collectionKnown;
    private Double statedAlive;

    @NotAudited
    @OptimisticLock(excluded = true)
    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "pollen_lot_source", joinColumns = @JoinColumn(name = "lot_id"))
    @MapKeyColumn(name = "tree_id")
    @Column(name = "flowers")
    private Map<UUID, Integer> sources = new HashMap<>();

    @NotAudited
    @OptimisticLock(excluded = true)
    @ElementCollection(fetch = FetchType.EAGER)
    @CollectionTable(name = "pollen_lot_part", joinColumns = @JoinColumn(name = "lot_id"))
    @MapKeyColumn(name = "part_id")
    @Column(name = "doses")
    private Map<UUID, Integer> parts = new HashMap<>();

    PollenLot(UUID id, Caller caller, Instant now, ZoneId zone, String code, LotDetails details) {
        super(id, caller, now, zone);
        this.code = code;
        this.varietyId = details.varietyId();
        this.collectedAt = details.collectedAt();
        this.storage = details.storage();
        this.dosesCollected = details.doses();
        this.dosesLeft = details.doses();
        this.note = details.note();
        this.sources = new HashMap<>(details.sources());
        this.parts = new HashMap<>(details.parts());
        this.origin =
                details.poured() ? Origin.POURED : details.received() == null ? Origin.COLLECTED : Origin.RECEIVED;
        if (details.received() != null) {
            receive(details.received());
        }
        this.method = details.method();
    }

    private void receive(Received received) {
        ReceivedPollen pollen = received.pollen();
        this.receivedAt = pollen.receivedAt();
        this.receivedHow = received.how();
        this.receivedFrom = received.from();
        this.receivedDry = pollen.dry();
        this.keptBefore = pollen.keptBefore();
        this.collectionKnown = pollen.collectedAt() != null;
        this.statedAlive = pollen.statedAlive();
    }

    LotDetails details() {
        return new LotDetails(
                varietyId,
                collectedAt,
                storage,
                method,
                dosesCollected,
                note,
                Map.copyOf(sources),
                Map.copyOf(parts),
                origin == Origin.RECEIVED ? received() : null);
    }

    private Received received() {
        Instant collected = collectionKnown ? collectedAt : null;
        return new Received(
                receivedHow,
                receivedFrom,
                new ReceivedPollen(receivedAt, storage, receivedDry, collected, keptBefore, statedAlive));
    }

    /** Refuses a moment before it was filled, or came. */
    void refuseBefore(Instant at, ZoneId zone) {
        Instant since = details().hereSince();
        if (at.isBefore(since)) {
            String how = origin == Origin.RECEIVED ? " came on " : " was filled on ";
            throw new InvalidInputException(
                    "at", "is " + Given.say(at, zone) + ", before " + code + how + Given.say(since, zone) + ".");
        }
    }

    String code() {
        return code;
    }

    /** What is not known of its collection begins when it came. */
    void correct(Instant at, String note) {
        this.note = note;
        if (origin == Origin.RECEIVED) {
            this.receivedAt = at;
            this.collectedAt = collectionKnown ? collectedAt : at;
        } else {
            this.collectedAt = at;
        }
    }

    void mergeVariety(UUID into) {
        this.varietyId = into;
    }

    int dosesLeft() {
        return dosesLeft;
    }
}
