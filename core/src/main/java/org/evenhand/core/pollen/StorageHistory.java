package org.evenhand.core.pollen;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.PollenViability.Condition;
import org.evenhand.core.weather.Vapour;
import org.jspecify.annotations.Nullable;

/**
 * What became of a lot of pollen from its collection on: where it was, whether it was shut, and how dry it is.
 *
 * <p>Drying goes on in an open tray, in the sun and over desiccant, in proportion to the dryness of the air (its vapour pressure
 * deficit) against the crop sheet's {@code dryHours} at 20 °C and 50 % humidity; under a lid without desiccant it stands still. What
 * was seen to be dry is dry. The proportion is an assumption of ours; the eye is the better judge.
 */
public final class StorageHistory {
    private static final double ROOM_C = 20;
    private static final double ROOM_HUMIDITY = 50;
    /** What pollen in the sun is taken to warm to, °C; memory. */
    private static final double SUN_C = 40;
    /** Humidity over desiccant, %; memory. */
    private static final double DESICCANT_HUMIDITY = 10;

    private final CropSheet sheet;
    private final List<Leg> legs;

    /** The time from one step to the next. */
    private record Leg(StorageStep step, Storage storage, boolean shut, boolean sun, boolean thaws, boolean seenDry) {
        double speed(CropSheet sheet) {
            double celsius = step.celsius().orElse(sun ? SUN_C : usual(sheet));
            if (storage == Storage.FRIDGE_DESICCANT) {
                return relativeDryness(celsius, DESICCANT_HUMIDITY);
            }
            boolean open = !shut && storage == Storage.ROOM;
            return open ? relativeDryness(celsius, step.humidity().orElse(sun ? 30 : ROOM_HUMIDITY)) : 0;
        }

        private double usual(CropSheet sheet) {
            return storage == Storage.ROOM
                    ? ROOM_C
                    : PollenViability.traits(sheet, storage).temperatureC().value();
        }

        private static double relativeDryness(double celsius, double humidity) {
            return Vapour.at(celsius, humidity).deficitKpa()
                    / Vapour.at(ROOM_C, ROOM_HUMIDITY).deficitKpa();
        }
    }

    private StorageHistory(CropSheet sheet, List<Leg> legs) {
        this.sheet = sheet;
        this.legs = List.copyOf(legs);
    }

    /**
     * @param steps in the order in which they were done; the first is where the pollen went when it was collected
     * @throws InvalidInputException when they are none or out of order, or when a storage is not on the crop sheet
     */
    public static StorageHistory of(CropSheet sheet, List<StorageStep> steps) {
        if (steps.isEmpty()) {
            throw new InvalidInputException("steps", "are none; say where the pollen was kept.");
        }
        List<Leg> legs = new ArrayList<>();
        for (StorageStep step : steps) {
            Leg before = legs.isEmpty() ? null : legs.get(legs.size() - 1);
            if (before != null && step.at().isBefore(before.step().at())) {
                throw new InvalidInputException(
                        "at",
                        "is " + step.at() + ", before the step before it, "
                                + before.step().at() + ".");
            }
            legs.add(leg(sheet, step, before));
        }
        return new StorageHistory(sheet, legs);
    }

    /** Open in the shade until it should be dry, then put away. */
    public static StorageHistory driedAndStored(CropSheet sheet, Instant collectedAt, Storage storage) {
        StorageHistory open = of(sheet, List.of(StorageStep.of(collectedAt, StorageStep.Kind.TRAY)));
        if (storage == Storage.ROOM) {
            return open;
        }
        Instant dry = open.dryBy(collectedAt).orElse(collectedAt);
        return open.then(StorageStep.of(dry, StorageStep.Kind.SEEN_DRY)).then(StorageStep.stored(dry, storage));
    }

    private static Leg leg(CropSheet sheet, StorageStep step, @Nullable Leg before) {
        boolean stays = step.kind() == StorageStep.Kind.SEEN_DRY || step.kind() == StorageStep.Kind.LID;
        Storage storage =
                stays && before != null ? before.storage() : step.storage().orElse(Storage.ROOM);
        PollenViability.traits(sheet, storage);
        boolean shut = switch (step.kind()) {
            case TRAY, SUN -> false;
            case LID, STORED -> storage != Storage.ROOM || step.kind() == StorageStep.Kind.LID;
            case SEEN_DRY -> before != null && before.shut();
        };
        boolean wasFrozen = before != null && before.storage() == Storage.FREEZER;
        boolean sun = step.kind() == StorageStep.Kind.SUN
                || (step.kind() == StorageStep.Kind.SEEN_DRY && before != null && before.sun());
        return new Leg(
                step,
                storage,
                shut,
                sun,
                wasFrozen && storage != Storage.FREEZER,
                step.kind() == StorageStep.Kind.SEEN_DRY || (before != null && before.seenDry()));
    }

    /** This history with one step more. */
    public StorageHistory then(StorageStep step) {
        List<StorageStep> steps = new ArrayList<>(steps());
        steps.add(step);
        return of(sheet, steps);
    }

    /** The history as it was at a moment: later steps are left out. */
    public StorageHistory until(Instant at) {
        List<StorageStep> steps =
                steps().stream().filter(s -> !s.at().isAfter(at)).toList();
        return of(sheet, steps.isEmpty() ? List.of(legs.get(0).step()) : steps);
    }

    public List<StorageStep> steps() {
        return legs.stream().map(Leg::step).toList();
    }

    public Instant collectedAt() {
        return legs.get(0).step().at();
    }

    /** Where it is at a moment. */
    public Storage storageAt(Instant at) {
        return legAt(at).storage();
    }

    /** Whether it lies in the sun at a moment. */
    public boolean inSunAt(Instant at) {
        return legAt(at).sun();
    }

    /** Whether its lid is on, or it is put away, at a moment. */
    public boolean shutAt(Instant at) {
        return legAt(at).shut();
    }

    /** Stays for the reckoning of its age. */
    public List<PollenViability.Stay> stays() {
        List<PollenViability.Stay> stays = new ArrayList<>();
        for (int i = 0; i < legs.size(); i++) {
            Leg leg = legs.get(i);
            Instant from = leg.step().at();
            boolean dry = leg.seenDry() || dryAt(from);
            if (leg.shut()) {
                stays.add(stay(leg, from, dry ? Condition.DRY_UNDER_LID : Condition.DAMP_UNDER_LID));
                continue;
            }
            stays.add(stay(leg, from, dry ? Condition.DRY : Condition.DRYING));
            Optional<Instant> dries = dry ? Optional.empty() : dryBy(from);
            Instant end = i + 1 < legs.size() ? legs.get(i + 1).step().at() : Instant.MAX;
            dries.filter(d -> d.isAfter(from) && d.isBefore(end))
                    .ifPresent(d -> stays.add(stay(leg, d, Condition.DRY)));
        }
        return List.copyOf(stays);
    }

    private static PollenViability.Stay stay(Leg leg, Instant from, Condition condition) {
        Optional<Double> celsius = leg.step().celsius().or(() -> leg.sun() ? Optional.of(SUN_C) : Optional.empty());
        return new PollenViability.Stay(from, leg.storage(), celsius, condition);
    }

    /** How far it has dried: 0 just collected, 1 and more dry. */
    public double drynessAt(Instant at) {
        double dried = 0;
        for (int i = 0; i < legs.size() && legs.get(i).step().at().isBefore(at); i++) {
            if (legs.get(i).seenDry()) {
                return Math.max(dried, 1);
            }
            dried += hours(legs.get(i).step().at(), end(i, at))
                    * legs.get(i).speed(sheet)
                    / sheet.pollen().dryHours().value();
        }
        return legAt(at).seenDry() ? Math.max(dried, 1) : dried;
    }

    public boolean dryAt(Instant at) {
        return drynessAt(at) >= 1;
    }

    /** When it should be dry if it stays where it is; absent when it does not dry there, or is dry. */
    public Optional<Instant> dryBy(Instant at) {
        double left = 1 - drynessAt(at);
        double speed = legAt(at).speed(sheet);
        if (left <= 0 || speed < 0.05) {
            return Optional.empty();
        }
        return Optional.of(
                at.plusSeconds(Math.round(left * sheet.pollen().dryHours().value() / speed * 3600)));
    }

    /** How often it was taken out of the freezer. */
    public int thawsUntil(Instant at) {
        return (int) legs.stream()
                .filter(l -> l.thaws() && !l.step().at().isAfter(at))
                .count();
    }

    /** When mould must be reckoned with because it was shut damp without a break; absent when it was not. */
    public Optional<Instant> mouldyFrom() {
        Instant shutDampSince = null;
        for (int i = 0; i < legs.size(); i++) {
            Instant from = legs.get(i).step().at();
            if (!shutDamp(legs.get(i))) {
                shutDampSince = null;
                continue;
            }
            shutDampSince = shutDampSince == null ? from : shutDampSince;
            Instant mould = shutDampSince.plusSeconds(
                    Math.round(sheet.pollen().dampShutHours().value() * 3600));
            if (i + 1 == legs.size() || legs.get(i + 1).step().at().isAfter(mould)) {
                return Optional.of(mould);
            }
        }
        return Optional.empty();
    }

    private boolean shutDamp(Leg leg) {
        boolean sealed = leg.shut() && (leg.storage() == Storage.ROOM || leg.storage() == Storage.FRIDGE);
        return sealed && !dryAt(leg.step().at());
    }

    /** What happened to it that makes it doubtful, up to a moment. */
    public Set<StorageWarning> hazardsUntil(Instant at) {
        Set<StorageWarning> found = EnumSet.noneOf(StorageWarning.class);
        for (Leg leg : legs) {
            Instant from = leg.step().at();
            if (from.isAfter(at)) {
                break;
            }
            found.addAll(StorageWarning.of(leg.storage(), leg.shut(), leg.sun(), dryAt(from), refrozen(leg)));
        }
        return found;
    }

    private boolean refrozen(Leg leg) {
        return leg.storage() == Storage.FREEZER && thawsUntil(leg.step().at()) > 0;
    }

    private Leg legAt(Instant at) {
        Leg found = legs.get(0);
        for (Leg leg : legs) {
            if (!leg.step().at().isAfter(at)) {
                found = leg;
            }
        }
        return found;
    }

    private Instant end(int i, Instant at) {
        Instant next = i + 1 < legs.size() ? legs.get(i + 1).step().at() : at;
        return next.isBefore(at) ? next : at;
    }

    private static double hours(Instant from, Instant until) {
        return Duration.between(from, until).toMillis() / 3_600_000.0;
    }
}
