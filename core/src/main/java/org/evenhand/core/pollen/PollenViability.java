package org.evenhand.core.pollen;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.PollenTraits;
import org.evenhand.core.crop.Storage;

/**
 * Estimated share of living grains in a lot of pollen.
 *
 * <p>{@code v(t) = v0 · 2^(−Σ Δt / h)}, the sum over the stays in each storage; the half-life h of a stay at temperature T is {@code
 * h0 · q10^((T0 − T) / 10)} with the crop sheet's half-life h0 at that storage's usual temperature T0; at room it has one each for
 * pollen that still dries, dry, dry under a lid and damp under a lid. A storage that spoils
 * (damp pollen shut in the cold) drops to zero once the pollen has been in it longer than the sheet's limit without a break. An
 * exponential course is an assumption of this model; the half-lives stand on the crop sheet with their basis.
 *
 * @param share estimated share of living grains, 0 to 1
 * @param spoiled whether it must be taken for mouldy, whatever the curve says
 * @param fresh v0
 * @param halvings Σ Δt / h, the number of times it has halved
 * @param hours hours since it was collected
 */
record PollenViability(double share, boolean spoiled, double fresh, double halvings, double hours) {

    /**
     * A stay in one storage, from a moment until the next stay begins.
     *
     * @param temperatureC the storage's own temperature where it is known, °C
     * @param condition what the pollen was like
     */
    public record Stay(Instant from, Storage storage, Optional<Double> temperatureC, Condition condition) {
        /** A stay of dry pollen, open where the storage is a room. */
        public Stay(Instant from, Storage storage, Optional<Double> temperatureC) {
            this(from, storage, temperatureC, Condition.DRY);
        }
    }

    /** What the pollen was like; at room each ages at its own speed. */
    public enum Condition {
        /** In the open, still damp: mostly inside the anther. */
        DRYING,
        DRY,
        DRY_UNDER_LID,
        DAMP_UNDER_LID
    }

    /**
     * @param stays at least one; the earliest is when the pollen was collected
     * @param at not before the earliest stay
     * @throws InvalidInputException if {@code stays} or {@code at} is not valid
     */
    public static PollenViability at(CropSheet sheet, List<Stay> stays, Instant at) {
        if (stays.isEmpty()) {
            throw new InvalidInputException("stays", "are none; say where the pollen was kept.");
        }
        List<Stay> ordered =
                stays.stream().sorted(Comparator.comparing(Stay::from)).toList();
        Instant collected = ordered.get(0).from();
        if (at.isBefore(collected)) {
            throw new InvalidInputException("at", "is " + at + ", before the pollen was collected, " + collected + ".");
        }
        double halvings = 0;
        boolean spoiled = false;
        for (int i = 0; i < ordered.size() && ordered.get(i).from().isBefore(at); i++) {
            Stay stay = ordered.get(i);
            Instant until = i + 1 < ordered.size() ? earlier(ordered.get(i + 1).from(), at) : at;
            double hours = hoursBetween(stay.from(), until);
            halvings += hours / halfLifeHours(sheet, stay);
            spoiled |= traits(sheet, stay.storage())
                    .spoilsAfterHours()
                    .filter(limit -> hours > limit.value())
                    .isPresent();
        }
        double fresh = sheet.pollen().freshViability().value();
        double share = spoiled ? 0 : fresh * Math.pow(2, -halvings);
        return new PollenViability(share, spoiled, fresh, halvings, hoursBetween(collected, at));
    }

    /** Half-life of a stay, hours; without end where it does not age. */
    public static double halfLifeHours(CropSheet sheet, Stay stay) {
        PollenTraits.StorageTraits traits = traits(sheet, stay.storage());
        double usual = traits.temperatureC().value();
        double warmerBy = stay.temperatureC().orElse(usual) - usual;
        return atUsualTemperature(sheet.pollen(), traits, stay)
                * Math.pow(sheet.pollen().q10().value(), -warmerBy / 10);
    }

    private static double atUsualTemperature(PollenTraits pollen, PollenTraits.StorageTraits traits, Stay stay) {
        double dry = traits.halfLifeHours().value();
        if (stay.storage() != Storage.ROOM) {
            return dry;
        }
        return switch (stay.condition()) {
            case DRYING -> dry / pollen.agesDrying().value();
            case DRY -> dry;
            case DRY_UNDER_LID -> pollen.lidHalfLifeHours().map(h -> h.value()).orElse(dry);
            case DAMP_UNDER_LID -> pollen.dampHalfLifeHours().value();
        };
    }

    static PollenTraits.StorageTraits traits(CropSheet sheet, Storage storage) {
        PollenTraits.StorageTraits traits = sheet.pollen().keeping().get(storage);
        if (traits == null) {
            throw new InvalidInputException(
                    "storage",
                    "'" + storage.key() + "' is not on the crop sheet of " + sheet.name() + "; known are "
                            + sheet.pollen().keeping().keySet().stream()
                                    .map(Storage::key)
                                    .sorted()
                                    .toList()
                            + ".");
        }
        return traits;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    private static double hoursBetween(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 3_600_000.0;
    }
}
