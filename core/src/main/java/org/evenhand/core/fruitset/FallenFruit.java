package org.evenhand.core.fruitset;

import java.util.Comparator;
import java.util.List;
import org.evenhand.core.Require;

/** A fruit found on the ground without a number: which flowers it can have come from. */
public final class FallenFruit {
    private FallenFruit() {}

    /**
     * Flowers of one pollination on the tree under which it lay.
     *
     * @param hanging their fruit that has no end yet
     * @param calyxCut whether their calyx was cut away, so that their fruit lacks its sepals
     */
    public record Source(String name, int hanging, boolean calyxCut) {
        public Source {
            Require.within("hanging", hanging, 0, Integer.MAX_VALUE);
        }
    }

    /** A source and its share of the fruit that it could be. */
    public record Candidate(Source source, double share) {}

    /**
     * Those it can have come from, the likeliest first: every fruit that still hangs is as likely to fall as another. Our assumption.
     *
     * @param sepalsMissing true or false where somebody looked, null where not
     */
    public static List<Candidate> candidates(List<Source> sources, Boolean sepalsMissing) {
        List<Source> possible = sources.stream()
                .filter(s -> s.hanging() > 0)
                .filter(s -> sepalsMissing == null || s.calyxCut() == sepalsMissing)
                .toList();
        double all = possible.stream().mapToInt(Source::hanging).sum();
        return possible.stream()
                .map(s -> new Candidate(s, s.hanging() / all))
                .sorted(Comparator.comparingDouble(Candidate::share)
                        .reversed()
                        .thenComparing(c -> c.source().name()))
                .toList();
    }
}
