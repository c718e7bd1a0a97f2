package org.evenhand.core.planning;

import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/** Shares out whole things by largest remainder. */
public final class WholeShares {
    private WholeShares() {}

    /** Whole parts that add up to {@code total}, none farther than one from what is wanted where the wanted parts add up to it. */
    static int[] of(double[] wanted, int total) {
        int[] whole = Arrays.stream(wanted).mapToInt(w -> (int) Math.floor(w)).toArray();
        int given = Arrays.stream(whole).sum();
        List<Integer> byRemainder = IntStream.range(0, wanted.length)
                .boxed()
                .sorted(Comparator.comparingDouble(s -> whole[s] - wanted[s]))
                .toList();
        for (int i = 0; i < byRemainder.size() && given < total; i++, given++) {
            whole[byRemainder.get(i)]++;
        }
        for (int i = byRemainder.size() - 1; i >= 0 && given > total; i--) {
            int take = Math.min(whole[byRemainder.get(i)], given - total);
            whole[byRemainder.get(i)] -= take;
            given -= take;
        }
        return whole;
    }

    /**
     * So many things over parts of given sizes, in proportion; those of size 0 get none, and with no size at all nobody gets any.
     *
     * @param total 0 or more
     * @param sizes 0 or more each
     */
    public static List<Integer> inProportion(int total, List<Integer> sizes) {
        long all = sizes.stream().mapToLong(Integer::longValue).sum();
        if (all == 0) {
            return sizes.stream().map(s -> 0).toList();
        }
        return Arrays.stream(of(
                        sizes.stream()
                                .mapToDouble(s -> (double) total * s / all)
                                .toArray(),
                        total))
                .boxed()
                .toList();
    }
}
