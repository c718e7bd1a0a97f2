package org.evenhand.pollen;

import jakarta.persistence.EntityManager;
import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Refusal;
import org.evenhand.orchard.Orchards;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * What goes into jars and out of them. Each line locks its jar first: of two people at once the second waits and then sees what is
 * left. The database moves the balance by the lines, and refuses one that would take it below nothing or above what went in.
 */
@Component
@Transactional(propagation = Propagation.MANDATORY)
class Ledger {
    private final PollenLotRepository lots;
    private final PollenEntryRepository entries;
    private final EntityManager database;
    private final Orchards orchards;

    Ledger(PollenLotRepository lots, PollenEntryRepository entries, EntityManager database, Orchards orchards) {
        this.lots = lots;
        this.entries = entries;
        this.database = database;
        this.orchards = orchards;
    }

    /** Doses put on flowers. */
    void draw(Caller caller, UUID lotId, UUID pollinationId, int doses, Instant at) {
        PollenLot lot = lock(caller, lotId);
        refuseMoreThanLeft(lot, "flowers", doses);
        write(lot, ofPollination(caller, lot, pollinationId, PollenEntry.Kind.DRAWN, -doses, at));
    }

    /** Doses that a pollination has of a jar. */
    @Transactional(propagation = Propagation.SUPPORTS)
    int drawn(UUID lotId, UUID pollinationId) {
        return entries.drawn(lotId, pollinationId);
    }

    @Transactional(propagation = Propagation.SUPPORTS)
    boolean drewFrom(UUID lotId, UUID pollinationId) {
        return entries.existsByLotIdAndPollinationId(lotId, pollinationId);
    }

    /** What a pollination that is removed or corrected had drawn of a jar; nothing where a file brought it with its jar used up. */
    void giveBack(Caller caller, UUID lotId, UUID pollinationId) {
        PollenLot lot = lock(caller, lotId);
        int drawn = entries.drawn(lotId, pollinationId);
        if (drawn > 0) {
            write(
                    lot,
                    ofPollination(caller, lot, pollinationId, PollenEntry.Kind.RETURNED, drawn, orchards.now(caller)));
        }
    }

    private PollenEntry ofPollination(
            Caller caller, PollenLot lot, UUID pollinationId, PollenEntry.Kind kind, int change, Instant at) {
        return PollenEntry.ofPollination(
                pollinationId,
                new PollenEntry.Line(null, lot.id(), kind, change, at, ""),
                caller.accountId(),
                orchards.now(caller));
    }

    /** A line written by hand. */
    void byHand(Caller caller, PollenEntry.Line line) {
        PollenLot lot = lock(caller, line.lotId());
        if (line.change() < 0) {
            refuseMoreThanLeft(lot, "doses", -line.change());
        } else if (line.change() > out(lot)) {
            throw new InvalidInputException(
                    "doses", "are " + line.change() + ", but only " + out(lot) + " went out of " + lot.code() + ".");
        }
        write(lot, PollenEntry.byHand(line, caller.accountId(), orchards.now(caller)));
    }

    /** Answers a line that was wrong; once. */
    void undo(Caller caller, PollenEntry wrong) {
        PollenLot lot = lock(caller, wrong.lotId());
        if (entries.existsByUndoes(wrong.id())) {
            return;
        }
        if (wrong.change() > lot.dosesLeft()) {
            throw new InvalidInputException(
                    "doses", "were used in the meantime: only " + lot.dosesLeft() + " left in " + lot.code() + ".");
        }
        if (-wrong.change() > out(lot)) {
            throw new InvalidInputException(
                    "doses", "were brought back in the meantime: " + lot.code() + " would hold more than went in.");
        }
        write(lot, PollenEntry.undoing(wrong, orchards.now(caller), caller.accountId(), orchards.now(caller)));
    }

    /** Pours parts into a new jar; jars are locked in one order everywhere, so that two people never wait for each other. */
    void pour(Caller caller, UUID poured, Map<UUID, Integer> parts, Instant at) {
        new TreeMap<>(parts).forEach((part, doses) -> {
            PollenLot lot = lock(caller, part);
            refuseMoreThanLeft(lot, "parts", doses);
            write(lot, ofBlending(caller, lot, poured, PollenEntry.Kind.POURED_OUT, -doses, at));
        });
    }

    /** Pours them back, when the new jar is taken back untouched. */
    void pourBack(Caller caller, UUID poured, Map<UUID, Integer> parts) {
        new TreeMap<>(parts).forEach((part, doses) -> {
            PollenLot lot = lock(caller, part);
            write(lot, ofBlending(caller, lot, poured, PollenEntry.Kind.POURED_BACK, doses, orchards.now(caller)));
        });
    }

    private PollenEntry ofBlending(
            Caller caller, PollenLot lot, UUID poured, PollenEntry.Kind kind, int change, Instant at) {
        return PollenEntry.ofBlending(
                poured,
                new PollenEntry.Line(null, lot.id(), kind, change, at, ""),
                caller.accountId(),
                orchards.now(caller));
    }

    /** Doses that went out and did not come back. */
    private static int out(PollenLot lot) {
        return lot.details().doses() - lot.dosesLeft();
    }

    private PollenLot lock(Caller caller, UUID lotId) {
        PollenLot lot = lots.require(caller, lotId);
        database.refresh(lot, LockModeType.PESSIMISTIC_WRITE);
        if (lot.voided()) {
            throw Refusal.of("lotId", Text.of("refused.jar-removed", "jar", lot.code()));
        }
        return lot;
    }

    private void write(PollenLot lot, PollenEntry entry) {
        entries.saveAndFlush(entry);
        database.refresh(lot);
    }

    private static void refuseMoreThanLeft(PollenLot lot, String field, int doses) {
        if (doses > lot.dosesLeft()) {
            throw Refusal.of(
                    field, Text.of("refused.doses-left", "doses", doses, "left", lot.dosesLeft(), "jar", lot.code()));
        }
    }
}
