package org.evenhand.core.cross;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.School;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * From judged trees back to seeds, fruits and flowers. The shares that live are believed as the crop sheet says, with the weight of {@link
 * #SHEET_WEIGHT} plants, and as the lots here showed.
 *
 * @param germinates share of seeds that come up
 * @param reachesPot share of those that live to be potted
 * @param reachesFruit share of those that live until their first fruit is judged
 */
public record SeedDemand(Share germinates, Share reachesPot, Share reachesFruit) {
    /** As likely enough as not. */
    public static final double EVEN = 0.5;

    /** Rather sure of enough; as for flowers of wanted crosses. Our convention. */
    public static final double SURE = 0.9;

    /** What a crop sheet says of a share weighs as much as so many seeds or seedlings of one's own. Our convention. */
    public static final double SHEET_WEIGHT = 12;

    /** Judged trees that can be asked for: for more no single lot is raised. Our convention. */
    public static final int MOST_TREES = 100;

    private static final int LEAST_LIMIT = 40;

    /**
     * What is believed of a share.
     *
     * @param sheet what the crop sheet says
     * @param lived of {@code seen} here
     */
    public record Share(Sourced sheet, int lived, int seen) {
        public BetaPosterior belief() {
            return BetaPosterior.ofMean(sheet.value(), SHEET_WEIGHT).after(lived, seen);
        }
    }

    /**
     * From as many as are as likely enough as not, to as many as are enough nine times of ten.
     *
     * @param from at most {@code until}
     */
    public record Range(int from, int until) {
        /** What a hair over a whole number is taken for: what rounding leaves. */
        private static final double ROUNDING = 1e-9;

        /**
         * Of which so much comes of each: fruits of so many seeds, or flowers of which such a share gives a fruit.
         *
         * @param each above 0
         */
        public Range dividedBy(double each) {
            return new Range(up(from / each), up(until / each));
        }

        private static int up(double number) {
            return (int) Math.ceil(number - ROUNDING);
        }
    }

    /**
     * An opinion on how many crossed flowers give a fruit.
     *
     * @param by in the crop sheet's words; empty for the sheet itself
     * @param share in (0, 1]
     */
    public record SetOpinion(Optional<String> by, double share) {}

    /** The share of the crop sheet, and where growers differ on it those of both schools. */
    public static List<SetOpinion> opinions(CropSheet sheet) {
        List<SetOpinion> all = new ArrayList<>();
        sheet.cross()
                .ifPresent(c ->
                        all.add(new SetOpinion(Optional.empty(), c.setShare().value())));
        for (School school : sheet.schools()) {
            school.choice().filter(c -> c.path().endsWith(".setShare")).ifPresent(c -> {
                all.add(new SetOpinion(Optional.of(school.one()), c.one()));
                all.add(new SetOpinion(Optional.of(school.other()), c.other()));
            });
        }
        return all;
    }

    /** The year of the first fruit on own roots of seeds that are sown on a day. */
    public static int judgedIn(SeedTraits traits, LocalDate sownOn) {
        return firstFruit(traits, sownOn).getYear();
    }

    /**
     * The year of the first fruit of seeds that are sown on a day, where each seedling's wood is grafted when it is planted out: before that it
     * is too thin (our convention). Empty where the crop is not grafted, or nothing is gained by it.
     */
    public static Optional<Integer> judgedGraftedIn(SeedTraits traits, LocalDate sownOn) {
        LocalDate grafted = sownOn.plusWeeks(Math.round(
                        traits.germinateWeeks().value() + traits.potWeeks().value()))
                .plusMonths(Math.round(traits.plantMonths().value()));
        return traits.graftedFruitYears()
                .map(years -> grafted.plusMonths(Math.round(12 * years.value())))
                .filter(first -> first.isBefore(firstFruit(traits, sownOn)))
                .map(LocalDate::getYear);
    }

    /** The day from which the first fruit on own roots is expected of seeds that are sown on a day. */
    public static LocalDate firstFruit(SeedTraits traits, LocalDate sownOn) {
        return sownOn.plusMonths(Math.round(12 * traits.fruitYears().value()));
    }

    /**
     * @param even seeds with which it is as likely enough as not; empty where even {@link SurvivalChain#MOST_SEEDS} are not
     * @param sure seeds with which it is 90 % sure
     * @param expected plants alive after each step, on average, with {@code sure} seeds: come up, potted, judged
     */
    public record Seeds(OptionalInt even, OptionalInt sure, List<Double> expected) {
        public Seeds {
            expected = List.copyOf(expected);
        }

        /** Both; empty where even the most seeds are not sure to be enough. */
        public Optional<Range> range() {
            return sure.isPresent() ? Optional.of(new Range(even.orElseThrow(), sure.orElseThrow())) : Optional.empty();
        }
    }

    /** By what the lots of a crop showed until a day. */
    public static SeedDemand of(SeedTraits traits, List<SeedLotStock> lots, LocalDate today) {
        int sown = 0;
        int up = 0;
        int potted = 0;
        int decided = 0;
        for (SeedLotStock lot : lots) {
            if (germinationIsOver(lot, traits, today)) {
                int cameUp = lot.ever(NurseryStep.CAME_UP);
                up += cameUp;
                sown += Math.max(
                        cameUp, lot.ever(NurseryStep.SOWN) - lot.gone(NurseryStep.GIVEN_AWAY, NurseryStage.SOWN));
            }
            int reached = Math.min(lot.ever(NurseryStep.CAME_UP), lot.ever(NurseryStep.POTTED));
            potted += reached;
            decided += reached + lot.gone(NurseryStep.DIED, NurseryStage.UP);
        }
        return new SeedDemand(
                new Share(traits.germinates(), up, sown),
                new Share(traits.reachesPot(), potted, decided),
                new Share(traits.reachesFruit(), 0, 0));
    }

    private static boolean germinationIsOver(SeedLotStock lot, SeedTraits traits, LocalDate today) {
        return lot.last(NurseryStep.SOWN)
                .filter(last -> lot.at(NurseryStage.SOWN) == 0
                        || !last.plusDays(Math.round(7 * traits.germinateWeeks().value()))
                                .isAfter(today))
                .isPresent();
    }

    public SurvivalChain chain() {
        return new SurvivalChain(List.of(
                new SurvivalChain.Stage("germinates", germinates.belief()),
                new SurvivalChain.Stage("reachesPot", reachesPot.belief()),
                new SurvivalChain.Stage("reachesFruit", reachesFruit.belief())));
    }

    /**
     * Seeds for so many judged trees.
     *
     * @param trees from 1 to {@link #MOST_TREES}
     */
    public Seeds forTrees(int trees) {
        Require.within("trees", trees, 1, MOST_TREES);
        OptionalInt even = needed(trees, EVEN);
        OptionalInt sure = needed(trees, SURE);
        return new Seeds(even, sure, sure.isPresent() ? chain().expectedAfterStage(sure.getAsInt()) : List.of());
    }

    /** Tried with few seeds first, as the time grows with their square. */
    private OptionalInt needed(int trees, double confidence) {
        SurvivalChain chain = chain();
        int limit = Math.max(LEAST_LIMIT, 4 * trees);
        while (true) {
            SurvivalChain.Needed needed = chain.needed(trees, confidence, limit);
            if (needed.seeds().isPresent()) {
                return OptionalInt.of(needed.seeds().get());
            }
            if (limit >= SurvivalChain.MOST_SEEDS / 4) {
                return OptionalInt.empty();
            }
            limit *= 2;
        }
    }
}
