package org.evenhand.core.mating;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.bloom.BloomCourse;
import org.evenhand.core.bloom.Overlap;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.pollen.FlowersToGather;
import org.evenhand.core.pollen.PollenKeeping;
import org.evenhand.core.pollen.ViabilityCourse;

/**
 * How the pollen of one variety gets to the females of another that flowers at another time of the year.
 *
 * <p>Pollen is collected on the father's last good days before the mother's first ones; it lies open in the shade until it should be
 * dry, then goes into each storage of the crop sheet in turn. What is left on the mother's days is foreseen by {@link
 * ViabilityCourse}. Doses to set aside make up for what dies: {@code flowers · fresh ÷ expected viability on her last day}, rounded
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
public record SeasonBridge(
        Overlap.Way way,
        boolean nextSeason,
        Optional<BloomCourse.Days> fresh,
        Optional<BloomCourse.Days> collect,
        Optional<BloomCourse.Days> use,
        List<Keeping> choices) {
    /** Days before the father's last good one on which collecting is worth it: the later, the fresher. Our convention. */
    private static final int LAST_DAYS = 3;

    private static final LocalTime NOON = LocalTime.NOON;

    public SeasonBridge {
        choices = List.copyOf(choices);
    }

    /**
     * One way of keeping it.
     *
     * @param first expected on the mother's first day
     * @param last expected on her last day
     * @param useful whether it is still worth using on her first day
     * @param doses doses to set aside; empty when it would be useless by her last day
     * @param gather flowers to gather for them
     */
    public record Keeping(
            Storage storage,
            ViabilityCourse.Estimate first,
            ViabilityCourse.Estimate last,
            boolean useful,
            Optional<Integer> doses,
            Optional<FlowersToGather> gather) {}

    /**
     * @param father the pollen parent's crop sheet
     * @param smallFlowered whether its flowers are small for the crop
     * @param gives its course in the season
     * @param takes the seed parent's course in the same season
     * @param flowers flowers to be done, at least 1
     * @param today the day on which it is asked
     */
    public static SeasonBridge of(
            CropSheet father,
            boolean smallFlowered,
            BloomCourse gives,
            BloomCourse takes,
            int flowers,
            LocalDate today,
            ZoneId zone) {
        Overlap overlap = Overlap.of(gives, takes);
        boolean kept = overlap.way() == Overlap.Way.KEEP || overlap.way() == Overlap.Way.LAST_YEARS;
        if (!kept) {
            int years = over(overlap.fresh(), today);
            return new SeasonBridge(
                    overlap.way(),
                    years > 0,
                    later(overlap.fresh(), years),
                    later(gives.gives(), years),
                    later(takes.takes(), years),
                    List.of());
        }
        BloomCourse.Days collected = lastDays(gives.gives().orElseThrow());
        int years = over(Optional.of(collected), today);
        BloomCourse.Days collect = later(collected, years);
        BloomCourse.Days use =
                later(takes.takes().orElseThrow(), overlap.way() == Overlap.Way.KEEP ? years : years + 1);
        List<Keeping> choices = father.pollen().keeping().keySet().stream()
                .map(storage -> keeping(father, smallFlowered, storage, collect.last(), use, flowers, zone))
                .sorted(Comparator.comparing((Keeping k) -> -k.last().share()).thenComparing(Keeping::storage))
                .toList();
        return new SeasonBridge(
                overlap.way(), years > 0, Optional.empty(), Optional.of(collect), Optional.of(use), choices);
    }

    /** Years to wait for days that are over. */
    private static int over(Optional<BloomCourse.Days> days, LocalDate today) {
        return days.filter(d -> d.last().isBefore(today)).isPresent() ? 1 : 0;
    }

    private static BloomCourse.Days lastDays(BloomCourse.Days days) {
        LocalDate from = days.last().minusDays(LAST_DAYS);
        return new BloomCourse.Days(from.isBefore(days.first()) ? days.first() : from, days.last());
    }

    private static Optional<BloomCourse.Days> later(Optional<BloomCourse.Days> days, int years) {
        return days.map(d -> later(d, years));
    }

    private static BloomCourse.Days later(BloomCourse.Days days, int years) {
        return new BloomCourse.Days(days.first().plusYears(years), days.last().plusYears(years));
    }

    private static Keeping keeping(
            CropSheet sheet,
            boolean smallFlowered,
            Storage storage,
            LocalDate collect,
            BloomCourse.Days use,
            int flowers,
            ZoneId zone) {
        Instant gathered = noon(collect, zone);
        ViabilityCourse course =
                ViabilityCourse.collected(sheet, PollenKeeping.driedAndStored(sheet, gathered, storage));
        ViabilityCourse.Estimate first = course.at(noon(use.first(), zone));
        ViabilityCourse.Estimate last = course.at(noon(use.last(), zone));
        double useful = course.fresh() * ViabilityCourse.USEFUL_SHARE_OF_FRESH;
        Optional<Integer> doses = last.share() < useful
                ? Optional.empty()
                : Optional.of((int) Math.ceil(flowers * course.fresh() / last.share() - 1e-9));
        return new Keeping(
                storage,
                first,
                last,
                first.share() >= useful,
                doses,
                doses.map(d -> FlowersToGather.of(sheet, smallFlowered, d)));
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
