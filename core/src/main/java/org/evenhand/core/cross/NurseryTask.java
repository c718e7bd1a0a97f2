package org.evenhand.core.cross;

import java.time.LocalDate;
import java.time.Month;
import java.time.MonthDay;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.crop.Sourced;
import org.jspecify.annotations.Nullable;

/**
 * Something that is due with a lot.
 *
 * @param kind what
 * @param count seeds or seedlings it is about
 * @param from the day from which it is due
 */
public record NurseryTask(Kind kind, int count, LocalDate from) {
    /** Seeds in the cold are looked at for mould and first roots, and a sown tray for what came up, so often. Common practice. */
    static final int DAYS_BETWEEN_LOOKS = 14;

    private static final int DAYS_A_WEEK = 7;
    private static final int HALF_A_YEAR = 6;

    /** What can be due. */
    public enum Kind {
        /** Lay them moist and cold. */
        COOL(NurseryStep.COOLED, null),
        /** See to seeds in the cold: mould, first roots. */
        LOOK(NurseryStep.SEEN, null),
        SOW(NurseryStep.SOWN, null),
        /** Count what came up. */
        COUNT(NurseryStep.CAME_UP, null),
        /** Nothing more will come up: write off what is left of the sown. */
        CLOSE(NurseryStep.DIED, NurseryStage.SOWN),
        POT(NurseryStep.POTTED, null),
        PLANT(NurseryStep.PLANTED, null),
        /** First fruit is to be judged, of those that are not known to have borne. */
        JUDGE(null, null);

        private final @Nullable NurseryStep step;
        private final @Nullable NurseryStage at;

        Kind(@Nullable NurseryStep step, @Nullable NurseryStage at) {
            this.step = step;
            this.at = at;
        }

        /** The step that is written down when it is done; empty where it is no step of a lot. */
        public Optional<NurseryStep> step() {
            return Optional.ofNullable(step);
        }

        /** The stage that they leave from by that. */
        public Optional<NurseryStage> at() {
            return Optional.ofNullable(at);
        }
    }

    /**
     * What is due with a lot, the earliest first.
     *
     * @param harvestedOn day of the harvest
     * @param hemisphere by which the months of sowing stand
     */
    public static List<NurseryTask> of(
            SeedLotStock stock, LocalDate harvestedOn, SeedTraits traits, NurseryCalendar.Hemisphere hemisphere) {
        List<NurseryTask> due = new ArrayList<>();
        new Seen(stock, harvestedOn, traits, hemisphere).addTo(due);
        due.sort(Comparator.comparing(NurseryTask::from));
        return due;
    }

    private record Seen(
            SeedLotStock stock, LocalDate harvestedOn, SeedTraits traits, NurseryCalendar.Hemisphere hemisphere) {

        void addTo(List<NurseryTask> due) {
            int kept = alive(NurseryStage.KEPT);
            if (kept > 0) {
                boolean cools = traits.coldWeeks().isPresent();
                due.add(new NurseryTask(cools ? Kind.COOL : Kind.SOW, kept, cools ? coolOn() : sowOn(harvestedOn)));
            }
            int cold = alive(NurseryStage.COLD);
            if (cold > 0) {
                LocalDate since = stock.first(NurseryStep.COOLED).orElse(harvestedOn);
                due.add(new NurseryTask(Kind.LOOK, cold, lookedAfter(since)));
                due.add(new NurseryTask(Kind.SOW, cold, sowOn(since)));
            }
            int sown = alive(NurseryStage.SOWN);
            if (sown > 0) {
                LocalDate since = stock.last(NurseryStep.SOWN).orElse(harvestedOn);
                LocalDate over = since.plusDays(days(traits.germinateWeeks(), DAYS_A_WEEK));
                LocalDate next = latest(since, stock.last(NurseryStep.CAME_UP), stock.last(NurseryStep.SEEN))
                        .plusDays(DAYS_BETWEEN_LOOKS);
                due.add(
                        next.isBefore(over)
                                ? new NurseryTask(Kind.COUNT, sown, next)
                                : new NurseryTask(Kind.CLOSE, sown, over));
            }
            addPlants(due);
        }

        private void addPlants(List<NurseryTask> due) {
            int up = alive(NurseryStage.UP);
            if (up > 0) {
                LocalDate since = stock.first(NurseryStep.CAME_UP).orElse(harvestedOn);
                due.add(new NurseryTask(Kind.POT, up, since.plusDays(days(traits.potWeeks(), DAYS_A_WEEK))));
            }
            int potted = alive(NurseryStage.POTTED);
            if (potted > 0) {
                LocalDate since = stock.first(NurseryStep.POTTED).orElse(harvestedOn);
                due.add(new NurseryTask(Kind.PLANT, potted, season(since.plusMonths((long)
                        traits.plantMonths().value()))));
            }
            int unborne = alive(NurseryStage.PLANTED) - stock.fruited();
            if (unborne > 0) {
                due.add(new NurseryTask(Kind.JUDGE, unborne, judgeFrom()));
            }
        }

        /** So that the cold is over when it is time to sow; at once where that is soon, or they must not dry. */
        private LocalDate coolOn() {
            LocalDate latest = sowOn(harvestedOn).minusDays(coldDays());
            return traits.keptMoist() || latest.isBefore(harvestedOn) ? harvestedOn : latest;
        }

        private LocalDate sowOn(LocalDate since) {
            NurseryCalendar.Rule cold = new NurseryCalendar.Rule("cold", NurseryCalendar.HARVEST, 0, Optional.empty());
            NurseryCalendar.Rule sow = new NurseryCalendar.Rule("sow", "cold", coldDays(), sowFrom());
            Map<String, LocalDate> dates = new NurseryCalendar(List.of(cold, sow)).dates(since);
            return Objects.requireNonNull(dates.get("sow"));
        }

        private int coldDays() {
            return traits.coldWeeks().map(weeks -> days(weeks, DAYS_A_WEEK)).orElse(0);
        }

        private LocalDate season(LocalDate earliest) {
            return sowFrom().map(day -> day.onOrAfter(earliest)).orElse(earliest);
        }

        private Optional<NurseryCalendar.DayOfYear> sowFrom() {
            return traits.sowMonth().map(month -> {
                Month north = Month.of((int) month.value());
                Month here = hemisphere == NurseryCalendar.Hemisphere.NORTH ? north : north.plus(HALF_A_YEAR);
                return new NurseryCalendar.DayOfYear(MonthDay.of(here, 1));
            });
        }

        private LocalDate lookedAfter(LocalDate since) {
            // Who took mouldy ones out has looked.
            return latest(since, stock.last(NurseryStep.SEEN), stock.last(NurseryStep.DIED))
                    .plusDays(DAYS_BETWEEN_LOOKS);
        }

        private LocalDate judgeFrom() {
            LocalDate sown = stock.first(NurseryStep.SOWN).orElse(harvestedOn);
            return SeedDemand.firstFruit(traits, sown);
        }

        private int alive(NurseryStage stage) {
            return stock.at(stage);
        }

        private static int days(Sourced number, int each) {
            return (int) Math.round(number.value() * each);
        }

        private static LocalDate latest(LocalDate one, Optional<LocalDate> other, Optional<LocalDate> third) {
            LocalDate of = other.filter(o -> o.isAfter(one)).orElse(one);
            return third.filter(t -> t.isAfter(of)).orElse(of);
        }
    }
}
