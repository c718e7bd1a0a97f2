package org.evenhand.core.pollen;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.PollenTraits;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * The estimated share of living grains of a lot over time, with its doubt.
 *
 * <p>It begins with the crop sheet's fresh viability, believed as a Beta distribution of {@value #FRESH_WEIGHT} grains. From there it
 * halves as {@link PollenViability} says, the half-life doubtful by a factor (lognormal, σ = {@value #HALF_LIFE_DOUBT}); each test is
 * read against what was believed at its hour: the belief is matched to a Beta distribution by mean and variance, the counted grains
 * are added, and the course goes on from there. Both doubts are conventions of ours. Once mould must be reckoned with, nothing
 * counts as alive, whatever was tested before.
 */
public final class ViabilityCurve {
    /** The lot stays useful until a quarter of the crop's fresh viability is left. Our convention. */
    public static final double USEFUL_SHARE_OF_FRESH = 0.25;

    /** The interval holds eight times in ten. */
    static final double CONFIDENCE = 0.8;

    static final double FRESH_WEIGHT = 12;
    static final double HALF_LIFE_DOUBT = 0.3;

    /** Halvings of the search for an end of the interval: to a hundredth of a percent, as every jar of a shelf is asked. */
    private static final int QUANTILE_STEPS = 14;

    private static final Duration LONGEST = Duration.ofDays(365 * 30L);

    private static final double[] DOUBT_FACTORS = doubtFactors();

    private final CropSheet sheet;
    private final StorageHistory keeping;
    private final List<Anchor> anchors;
    private final boolean fromElsewhere;

    /** What is believed at a moment, from which the course goes on. */
    private record Anchor(Instant at, BetaPosterior belief) {}

    /** One lot poured into a blend. */
    public record Part(double doses, ViabilityCurve course) {}

    /**
     * The estimate at a moment.
     *
     * @param share the mean of what is believed, doubt about the half-life included, 0 to 1
     * @param low the interval's lower end
     * @param high the interval's upper end
     * @param spoiled whether it must be taken for mouldy
     * @param from share at the moment from which it was reckoned: collection, blending or the last test
     * @param fromAt that moment
     * @param halvings how often it has halved since then
     */
    public record Estimate(
            double share, double low, double high, boolean spoiled, double from, Instant fromAt, double halvings) {
        /** Below this living share pollen sets no fruit worth counting: our convention. */
        private static final double LEAST_ALIVE = 0.02;

        /** Whether it is spoiled, or all but dead even at the upper end of what is believed. */
        public boolean dead() {
            return spoiled || high < LEAST_ALIVE;
        }
    }

    private ViabilityCurve(CropSheet sheet, StorageHistory keeping, List<Anchor> anchors, boolean fromElsewhere) {
        this.sheet = sheet;
        this.keeping = keeping;
        this.anchors = List.copyOf(anchors);
        this.fromElsewhere = fromElsewhere;
    }

    /** The course of a lot as it was collected. */
    public static ViabilityCurve collected(CropSheet sheet, StorageHistory keeping) {
        BetaPosterior fresh =
                BetaPosterior.ofMean(sheet.pollen().freshViability().value(), FRESH_WEIGHT);
        return new ViabilityCurve(sheet, keeping, List.of(new Anchor(keeping.collectedAt(), fresh)), false);
    }

    /** The course of pollen that came from elsewhere, from what is believed of it at a moment on. */
    static ViabilityCurve received(CropSheet sheet, StorageHistory keeping, Instant at, BetaPosterior belief) {
        return new ViabilityCurve(sheet, keeping, List.of(new Anchor(at, belief)), true);
    }

    /**
     * The course of several lots poured together, or of one that was split off: mean and variance of the parts at that moment, by
     * their doses. Of a part that is mouldy by then nothing counts as alive.
     *
     * @param keeping of the new jar; it begins when the lots were poured
     * @throws InvalidInputException if {@code parts} is not valid
     */
    public static ViabilityCurve poured(CropSheet sheet, StorageHistory keeping, List<Part> parts) {
        double all = parts.stream().mapToDouble(Part::doses).sum();
        if (!(all > 0)) {
            throw new InvalidInputException("parts", "hold no dose; say how much of each goes in.");
        }
        double mean = 0;
        double variance = 0;
        Instant at = keeping.collectedAt();
        for (Part part : parts) {
            BetaPosterior belief = part.course().beliefAt(at);
            double weight = part.doses() / all;
            boolean dead = part.course().at(at).spoiled();
            mean += dead ? 0 : weight * belief.mean();
            variance += dead ? 0 : weight * weight * belief.variance();
        }
        boolean unseen = parts.stream().anyMatch(part -> part.course().untestedFromElsewhere());
        BetaPosterior together = BetaPosterior.ofMoments(mean, Math.max(variance, 1e-9));
        return new ViabilityCurve(sheet, keeping, List.of(new Anchor(at, together)), unseen);
    }

    /** The course after a germination test; its counts are discounted where the grains lay in clumps. */
    public ViabilityCurve tested(Instant at, GerminationTest test) {
        return learn(at, beliefAt(at).after(test.tubes() / test.clumping(), test.grains() / test.clumping()));
    }

    /** The course after a trial on spare flowers. */
    public ViabilityCurve tested(Instant at, FlowerTrial trial) {
        return learn(at, trial.learn(beliefAt(at), fresh()));
    }

    private ViabilityCurve learn(Instant at, BetaPosterior belief) {
        List<Anchor> more = new ArrayList<>(anchors);
        more.add(new Anchor(at, belief));
        more.sort(Comparator.comparing(Anchor::at));
        return new ViabilityCurve(sheet, keeping, more, fromElsewhere);
    }

    /** The estimate at a moment; before the beginning, that of the beginning. */
    public Estimate at(Instant asked) {
        Anchor anchor = anchorAt(asked);
        Instant at = asked.isBefore(anchor.at()) ? anchor.at() : asked;
        double halvings = halvings(anchor.at(), at);
        double mean = anchor.belief().mean();
        if (mouldyFrom().filter(m -> at.isAfter(m)).isPresent()) {
            return new Estimate(0, 0, 0, true, mean, anchor.at(), halvings);
        }
        return new Estimate(
                mean * left(halvings),
                quantile(anchor.belief(), halvings, (1 - CONFIDENCE) / 2),
                quantile(anchor.belief(), halvings, (1 + CONFIDENCE) / 2),
                false,
                mean,
                anchor.at(),
                halvings);
    }

    /** The estimate's mean alone, which is all a plan needs; 0 where it must be taken for mouldy. */
    public double shareAt(Instant asked) {
        Anchor anchor = anchorAt(asked);
        Instant at = asked.isBefore(anchor.at()) ? anchor.at() : asked;
        boolean spoiled = mouldyFrom().filter(at::isAfter).isPresent();
        return spoiled ? 0 : anchor.belief().mean() * left(halvings(anchor.at(), at));
    }

    /** Until when it is useful if it stays where it is at a moment; absent when that has passed. */
    public Optional<Instant> goodUntil(Instant at) {
        Estimate now = at(at);
        double left = halvingsUntil(fresh() * USEFUL_SHARE_OF_FRESH / now.from()) - now.halvings();
        if (now.spoiled() || !(left > 0)) {
            return Optional.empty();
        }
        Instant from = at.isBefore(now.fromAt()) ? now.fromAt() : at;
        Instant faded = halvedBy(from, left);
        return Optional.of(mouldyFrom().filter(faded::isAfter).orElse(faded));
    }

    /** When it has halved so often more if it stays where it is; at most {@link #LONGEST} away. */
    private Instant halvedBy(Instant from, double halvings) {
        long low = 0;
        long high = LONGEST.toSeconds();
        while (high - low > 30) {
            long middle = (low + high) / 2;
            if (halvings(from, from.plusSeconds(middle)) < halvings) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return from.plusSeconds((low + high) / 2);
    }

    /** Share that is left after so many halvings by the sheet, the mean over what its half-life may be. */
    private static double left(double halvings) {
        double sum = 0;
        for (double factor : DOUBT_FACTORS) {
            sum += Math.pow(2, -halvings * factor);
        }
        return sum / DOUBT_FACTORS.length;
    }

    /** Halvings after which a share is left; 0 where it is 1 or more. */
    private static double halvingsUntil(double share) {
        double low = 0;
        double high = 64;
        for (int i = 0; i < 40; i++) {
            double middle = (low + high) / 2;
            if (left(middle) > share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return low;
    }

    /** Half-life where it is at a moment, hours. */
    public double halfLifeHoursAt(Instant at) {
        return PollenViability.halfLifeHours(sheet, stayAt(at));
    }

    /** The crop's fresh viability. */
    public double fresh() {
        return sheet.pollen().freshViability().value();
    }

    public StorageHistory keeping() {
        return keeping;
    }

    /** Whether it, or a part of it, came from outside the orchard and nobody here has tested it. */
    public boolean untestedFromElsewhere() {
        return fromElsewhere && testedAt().isEmpty();
    }

    /** When it was last tested. */
    public Optional<Instant> testedAt() {
        return anchors.size() == 1
                ? Optional.empty()
                : Optional.of(anchors.get(anchors.size() - 1).at());
    }

    /** What is believed at a moment, as a Beta distribution of the same mean and variance. */
    BetaPosterior beliefAt(Instant asked) {
        Anchor anchor = anchorAt(asked);
        double halvings = asked.isAfter(anchor.at()) ? halvings(anchor.at(), asked) : 0;
        double first = 0;
        double second = 0;
        for (double factor : DOUBT_FACTORS) {
            double left = Math.pow(2, -halvings * factor);
            first += left / DOUBT_FACTORS.length;
            second += left * left / DOUBT_FACTORS.length;
        }
        BetaPosterior b = anchor.belief();
        double mean = b.mean() * first;
        return halvings == 0
                ? b
                : BetaPosterior.ofMoments(mean, (b.variance() + b.mean() * b.mean()) * second - mean * mean);
    }

    private Anchor anchorAt(Instant at) {
        Anchor found = anchors.get(0);
        for (Anchor anchor : anchors) {
            if (!anchor.at().isAfter(at)) {
                found = anchor;
            }
        }
        return found;
    }

    private double halvings(Instant from, Instant until) {
        return PollenViability.at(sheet, keeping.stays(), until).halvings()
                - PollenViability.at(sheet, keeping.stays(), from).halvings();
    }

    /** The first moment at which mould must be reckoned with. */
    private Optional<Instant> mouldyFrom() {
        List<PollenViability.Stay> stays = keeping.stays();
        Optional<Instant> first = keeping.mouldyFrom();
        for (int i = 0; i < stays.size(); i++) {
            Optional<Instant> spoils = spoils(stays, i);
            if (spoils.isPresent()
                    && first.filter(f -> f.isBefore(spoils.get())).isEmpty()) {
                first = spoils;
            }
        }
        return first;
    }

    private Optional<Instant> spoils(List<PollenViability.Stay> stays, int i) {
        Storage storage = stays.get(i).storage();
        boolean goesOn = i > 0 && stays.get(i - 1).storage() == storage;
        PollenTraits.StorageTraits traits = PollenViability.traits(sheet, storage);
        if (goesOn || traits.spoilsAfterHours().isEmpty()) {
            return Optional.empty();
        }
        int end = i + 1;
        while (end < stays.size() && stays.get(end).storage() == storage) {
            end++;
        }
        Instant spoils = stays.get(i)
                .from()
                .plusSeconds(Math.round(traits.spoilsAfterHours().get().value() * 3600));
        boolean leftBefore = end < stays.size() && !stays.get(end).from().isAfter(spoils);
        return leftBefore ? Optional.empty() : Optional.of(spoils);
    }

    private PollenViability.Stay stayAt(Instant at) {
        List<PollenViability.Stay> stays = keeping.stays();
        PollenViability.Stay found = stays.get(0);
        for (PollenViability.Stay stay : stays) {
            if (!stay.from().isAfter(at)) {
                found = stay;
            }
        }
        return found;
    }

    /** The share of which the lot lies below with the given chance: belief · 2^(−halvings · factor), factors equally likely. */
    private static double quantile(BetaPosterior belief, double halvings, double chance) {
        if (halvings == 0) {
            return belief.quantile(chance);
        }
        double low = 0;
        double high = 1;
        for (int i = 0; i < QUANTILE_STEPS; i++) {
            double middle = (low + high) / 2;
            if (below(belief, halvings, middle) < chance) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    private static double below(BetaPosterior belief, double halvings, double share) {
        double sum = 0;
        for (double factor : DOUBT_FACTORS) {
            sum += belief.cumulative(share * Math.pow(2, halvings * factor));
        }
        return sum / DOUBT_FACTORS.length;
    }

    /** Equally likely factors on the number of halvings. */
    private static double[] doubtFactors() {
        int n = 15;
        double[] factors = new double[n];
        var normal = org.apache.commons.statistics.distribution.NormalDistribution.of(0, HALF_LIFE_DOUBT);
        for (int i = 0; i < n; i++) {
            factors[i] = Math.exp(normal.inverseCumulativeProbability((i + 0.5) / n));
        }
        return factors;
    }
}
