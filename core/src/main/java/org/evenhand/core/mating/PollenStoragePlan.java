package org.evenhand.core.mating;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.FlowersToCollect;
import org.evenhand.core.pollen.StorageHistory;
import org.evenhand.core.pollen.ViabilityCurve;

/**
 * How the pollen of one variety gets to the females of another that flowers at another time of the year.
 *
 * <p>Pollen is collected on the father's last good days before the mother's first ones; it lies open in the shade until it should be
 * dry, then goes into each storage of the crop sheet in turn. What is left on the mother's days is foreseen by {@link
 * ViabilityCurve}. Doses to set aside make up for what dies: {@code flowers · fresh ÷ expected viability on her last day}, rounded
 * up; the proportion is an assumption of ours.
 *
 * <p>Days that lie behind today are of no help: where the days for collecting, or those on which the blooms meet, are over, the plan
 * is for the season after, on the same days of the year.
 *
 * @param way how the pollen gets there
 * @param nextSeason whether this season's days are over, so that the plan is for the next
 * @param fresh the days on which no bridge is wanted, where there are any
 * @param collect the days on which to collect
 * @param use the mother's days
 * @param choices the storages, the best first; empty where none is needed
 */
public record PollenStoragePlan(
        Overlap.Kind kind,
        boolean nextSeason,
        Optional<BloomProgress.Days> fresh,
        Optional<BloomProgress.Days> collect,
        Optional<BloomProgress.Days> use,
        List<Keeping> choices) {
    /** Days before the father's last good one on which collecting is worth it: the later, the fresher. Our convention. */
    private static final int LAST_DAYS = 3;

    private static final LocalTime NOON = LocalTime.NOON;

    public PollenStoragePlan {
        choices = List.copyOf(choices);
    }

    /**
     * One way of keeping it.
     *
     * @param first expected on the mother's first day
     * @param last expected on her last day
     * @param useful whether it is still worth using on her first day
     * @param doses doses to set aside; empty when it would be useless by her last day
     * @param flowersToCollect flowers to collect for them
     */
    public record Keeping(
            Storage storage,
            ViabilityCurve.Estimate first,
            ViabilityCurve.Estimate last,
            boolean useful,
            Optional<Integer> doses,
            Optional<FlowersToCollect> flowersToCollect) {}

    /**
     * @param father the pollen parent's crop sheet
     * @param smallFlowered whether its flowers are small for the crop
     * @param sheds its course in the season
     * @param receives the seed parent's course in the same season
     * @param flowers flowers to be done, at least 1
     * @param today the day on which it is asked
     */
    public static PollenStoragePlan of(
            CropSheet father,
            boolean smallFlowered,
            BloomProgress sheds,
            BloomProgress receives,
            int flowers,
            LocalDate today,
            ZoneId zone) {
        Overlap overlap = Overlap.of(sheds, receives);
        boolean kept = overlap.kind() == Overlap.Kind.KEEP || overlap.kind() == Overlap.Kind.LAST_YEARS;
        if (!kept) {
            int years = over(overlap.fresh(), today);
            return new PollenStoragePlan(
                    overlap.kind(),
                    years > 0,
                    later(overlap.fresh(), years),
                    later(sheds.sheds(), years),
                    later(receives.receives(), years),
                    List.of());
        }
        BloomProgress.Days collected = lastDays(sheds.sheds().orElseThrow());
        int years = over(Optional.of(collected), today);
        BloomProgress.Days collect = later(collected, years);
        BloomProgress.Days use =
                later(receives.receives().orElseThrow(), overlap.kind() == Overlap.Kind.KEEP ? years : years + 1);
        List<Keeping> choices = father.pollen().keeping().keySet().stream()
                .map(storage -> keeping(father, smallFlowered, storage, collect.last(), use, flowers, zone))
                .sorted(Comparator.comparing((Keeping k) -> -k.last().share()).thenComparing(Keeping::storage))
                .toList();
        return new PollenStoragePlan(
                overlap.kind(), years > 0, Optional.empty(), Optional.of(collect), Optional.of(use), choices);
    }

    /** Years to wait for days that are over. */
    private static int over(Optional<BloomProgress.Days> days, LocalDate today) {
        return days.filter(d -> d.last().isBefore(today)).isPresent() ? 1 : 0;
    }

    private static BloomProgress.Days lastDays(BloomProgress.Days days) {
        LocalDate from = days.last().minusDays(LAST_DAYS);
        return new BloomProgress.Days(from.isBefore(days.first()) ? days.first() : from, days.last());
    }

    private static Optional<BloomProgress.Days> later(Optional<BloomProgress.Days> days, int years) {
        return days.map(d -> later(d, years));
    }

    private static BloomProgress.Days later(BloomProgress.Days days, int years) {
        return new BloomProgress.Days(days.first().plusYears(years), days.last().plusYears(years));
    }

    private static Keeping keeping(
            CropSheet sheet,
            boolean smallFlowered,
            Storage storage,
            LocalDate collect,
            BloomProgress.Days use,
            int flowers,
            ZoneId zone) {
        Instant collectedAt = noon(collect, zone);
        ViabilityCurve course =
                ViabilityCurve.collected(sheet, StorageHistory.driedAndStored(sheet, collectedAt, storage));
        ViabilityCurve.Estimate first = course.at(noon(use.first(), zone));
        ViabilityCurve.Estimate last = course.at(noon(use.last(), zone));
        double useful = course.fresh() * ViabilityCurve.USEFUL_SHARE_OF_FRESH;
        Optional<Integer> doses = last.share() < useful
                ? Optional.empty()
                : Optional.of((int) Math.ceil(flowers * course.fresh() / last.share() - 1e-9));
        return new Keeping(
                storage,
                first,
                last,
                first.share() >= useful,
                doses,
                doses.map(d -> FlowersToCollect.of(sheet, smallFlowered, d)));
    }

    /**
     * Doses that so many flowers take: one each where fresh pollen will do, else what is to be set aside in the best storage; empty
     * where no storage carries it so far, or one of the two never has such flowers.
     *
     * @param flowers those it was made for
     */
    public Optional<Integer> doses(int flowers) {
        return kind == Overlap.Kind.FRESH
                ? Optional.of(flowers)
                : choices.stream().flatMap(c -> c.doses().stream()).findFirst();
    }

    /** Days between collecting and the mother's first, 0 where none is needed. */
    public long days() {
        return collect.isEmpty() || use.isEmpty() || choices.isEmpty()
                ? 0
                : ChronoUnit.DAYS.between(collect.get().last(), use.get().first());
    }

    private static Instant noon(LocalDate date, ZoneId zone) {
        return date.atTime(NOON).atZone(zone).toInstant();
    }
}
