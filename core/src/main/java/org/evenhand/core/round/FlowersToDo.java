package org.evenhand.core.round;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.round.RoundRequest.OpenFlowers;

/** Turns expected flowers into whole flowers to be done. */
public final class FlowersToDo {
    private FlowersToDo() {}

    /**
     * Whole flowers by round and stage. Those done already are taken from the flowers of the first round, from its stages in
     * proportion. Round by round the sum so far is rounded to the nearest whole flower and shared out by largest remainder, so that
     * fractions of many rounds are not lost.
     *
     * @param groups of one tree, in order of the rounds
     * @param doneStillTaking flowers pollinated before that can still be expected to take pollen at the first round
     * @param weight what a fruit of this tree is worth against others
     */
    public static List<OpenFlowers> of(List<Openings.Group> groups, double doneStillTaking, double weight) {
        double first = groups.stream()
                .filter(g -> g.moment() == 0)
                .mapToDouble(Openings.Group::flowers)
                .sum();
        double share = first > 0 ? Math.max(0, first - doneStillTaking) / first : 0;
        List<OpenFlowers> open = new ArrayList<>();
        double soFar = 0;
        int given = 0;
        int moments = groups.stream().mapToInt(Openings.Group::moment).max().orElse(-1) + 1;
        for (int m = 0; m < moments; m++) {
            int moment = m;
            List<Openings.Group> now =
                    groups.stream().filter(g -> g.moment() == moment).toList();
            double[] wanted = now.stream()
                    .mapToDouble(g -> g.flowers() * (moment == 0 ? share : 1))
                    .toArray();
            soFar += java.util.Arrays.stream(wanted).sum();
            int total = (int) Math.max(0, Math.round(soFar) - given);
            int[] whole = wholeFlowers(wanted, total);
            for (int i = 0; i < whole.length; i++) {
                if (whole[i] > 0) {
                    open.add(OpenFlowers.ofAny(
                            now.get(i).stage(), whole[i], weight, now.get(i).receptivity()));
                    given += whole[i];
                }
            }
        }
        return open;
    }

    private static int[] wholeFlowers(double[] wanted, int total) {
        int[] whole = new int[wanted.length];
        int given = 0;
        for (int s = 0; s < wanted.length; s++) {
            whole[s] = (int) Math.floor(wanted[s]);
            given += whole[s];
        }
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
}
