package org.evenhand.core.cropload;

import java.util.Optional;
import org.evenhand.core.findings.ShrunkenRatio;
import org.evenhand.core.statistics.BetaPosterior;

/**
 * What is believed of the share of pollinated flowers that set on a tree: the crop sheet's share first, moved by what was seen on the
 * crop's other varieties, which weighs little, and on its own variety, which weighs in full.
 *
 * @param share the belief
 * @param learnedFrom flowers of the crop whose outcome is known
 * @param stated whether variety or crop sheet state a share; if not, nothing is known but what was seen
 */
public record SetBelief(BetaPosterior share, int learnedFrom, boolean stated) {
    /** What is believed before anything was seen weighs as much as so many flowers. Our convention. */
    public static final double PRIOR_WEIGHT = 4;
    /** The same crop's other varieties weigh as so many flowers at most. Our convention. */
    private static final double MOST_OF_CROP = 20;
    /** Where nobody says how many set, every share is as likely as any other. */
    private static final BetaPosterior UNKNOWN = new BetaPosterior(1, 1);

    /** Flowers whose outcome is known: those that took and those that failed. */
    public record Seen(int taken, int failed) {
        public static final Seen NOTHING = new Seen(0, 0);

        public Seen plus(Seen other) {
            return new Seen(taken + other.taken, failed + other.failed);
        }

        int flowers() {
            return taken + failed;
        }
    }

    /**
     * @param stated share that is stated for the variety or its crop; empty where none is
     * @param variety what was seen of the tree's own variety
     * @param others of the crop's other varieties
     */
    public static SetBelief of(Optional<Double> stated, Seen variety, Seen others) {
        BetaPosterior before =
                stated.map(s -> BetaPosterior.ofMean(s, PRIOR_WEIGHT)).orElse(UNKNOWN);
        double weight = others.flowers() == 0 ? 0 : Math.min(1, MOST_OF_CROP / others.flowers());
        BetaPosterior share = before.after(others.taken() * weight, others.flowers() * weight)
                .after(variety.taken(), variety.flowers());
        return new SetBelief(share, variety.flowers() + others.flowers(), stated.isPresent());
    }

    /** The same for a technique that does better or worse than all together: its mean in proportion, its doubt kept. */
    public SetBelief with(ShrunkenRatio technique) {
        if (technique.value() == 1) {
            return this;
        }
        double mean = Math.min(0.99, share.mean() * technique.value());
        return new SetBelief(BetaPosterior.ofMean(mean, share.a() + share.b()), learnedFrom, stated);
    }
}
