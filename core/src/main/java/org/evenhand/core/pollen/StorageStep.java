package org.evenhand.core.pollen;

import java.time.Instant;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;
import org.evenhand.core.crop.Storage;

/**
 * One thing done with a lot of pollen after it was collected.
 *
 * @param at when
 * @param kind what
 * @param storage where it went, for {@link Kind#STORED} only
 * @param celsius temperature there, °C, where it is known
 * @param humidity relative humidity there, %, where it is known
 */
public record StorageStep(
        Instant at, Kind kind, Optional<Storage> storage, Optional<Double> celsius, Optional<Double> humidity) {

    /** What can be done with it. */
    public enum Kind {
        /** Spread out in an open tray at room. */
        TRAY,
        /** Put out in the sun. */
        SUN,
        /** Looked at and found dry; it stays where it is. */
        SEEN_DRY,
        /** Lid on; it stays where it is. */
        LID,
        /** Shut in a jar and put away. */
        STORED
    }

    public StorageStep {
        if ((kind == Kind.STORED) != storage.isPresent()) {
            throw new InvalidInputException("storage", "must be given when pollen is put away, and only then.");
        }
        celsius.ifPresent(c -> Require.within("celsius", c, -90, 60));
        humidity.ifPresent(h -> Require.within("humidity", h, 0, 100));
    }

    /** A step with nothing measured. */
    public static StorageStep of(Instant at, Kind kind) {
        return new StorageStep(at, kind, Optional.empty(), Optional.empty(), Optional.empty());
    }

    /** Put away, at the storage's usual temperature. */
    public static StorageStep stored(Instant at, Storage storage) {
        return storage == Storage.ROOM
                ? of(at, Kind.TRAY)
                : new StorageStep(at, Kind.STORED, Optional.of(storage), Optional.empty(), Optional.empty());
    }
}
