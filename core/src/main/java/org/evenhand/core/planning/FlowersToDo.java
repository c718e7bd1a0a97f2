package org.evenhand.core.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import org.evenhand.core.bloom.forecast.AnthesisForecast;
import org.evenhand.core.planning.RoundRequest.OpenFlowers;

/** Turns expected flowers into whole flowers to be done. */
public final class FlowersToDo {
    /** Our convention. */
    private static final double STILL_LIKELY = 0.5;

    private FlowersToDo() {}

    /**
     * Whole flowers by round and stage. Those done already are taken from the flowers of the first round, from its stages in
     * proportion. Round by round the sum so far is rounded to the nearest whole flower and shared out by largest remainder, so that
     * fractions of many rounds are not lost.
     *
     * @param groups of one tree, in order of the rounds
     * @param doneStillReceptive flowers pollinated before that can still be expected to take pollen at the first round
     * @param weight what a fruit of this tree is worth against others
     */
    public static List<OpenFlowers> of(List<AnthesisForecast.Group> groups, double doneStillReceptive, double weight) {
        double first = groups.stream()
                .filter(g -> g.moment() == 0)
                .mapToDouble(AnthesisForecast.Group::flowers)
                .sum();
        double share = first > 0 ? Math.max(0, first - doneStillReceptive) / first : 0;
        List<OpenFlowers> open = new ArrayList<>();
        double soFar = 0;
        int given = 0;
        int moments =
                groups.stream().mapToInt(AnthesisForecast.Group::moment).max().orElse(-1) + 1;
        for (int m = 0; m < moments; m++) {
            int moment = m;
            List<AnthesisForecast.Group> now =
                    groups.stream().filter(g -> g.moment() == moment).toList();
            double[] wanted = now.stream()
                    .mapToDouble(g -> g.flowers() * (moment == 0 ? share : 1))
                    .toArray();
            soFar += java.util.Arrays.stream(wanted).sum();
            int total = (int) Math.max(0, Math.round(soFar) - given);
            int[] whole = WholeShares.of(wanted, total);
            for (int i = 0; i < whole.length; i++) {
                if (whole[i] > 0) {
                    open.add(OpenFlowers.ofAny(
                            now.get(i).stage(),
                            whole[i],
                            weight,
                            whileLikely(now.get(i).receptivity())));
                    given += whole[i];
                }
            }
        }
        return open;
    }

    /** Nobody plans to go to flowers most of which will be past: receptivity counts until it falls below half of its most. */
    private static List<Double> whileLikely(List<Double> receptivity) {
        List<Double> likely = new ArrayList<>();
        double most = 0;
        boolean past = false;
        for (double r : receptivity) {
            most = Math.max(most, r);
            past |= r < STILL_LIKELY * most;
            likely.add(past ? 0 : r);
        }
        return likely;
    }

    /**
     * Flowers that nobody wants: they are there, and count for nothing. Those of crosses are wanted all the same.
     *
     * @param rounds those in which flowers that open are left alone
     */
    public static List<OpenFlowers> leaveAlone(List<OpenFlowers> open, IntPredicate rounds) {
        return open.stream()
                .map(g -> g.only().isEmpty() && rounds.test(opensIn(g))
                        ? new OpenFlowers(g.group(), g.flowers(), 0, g.receptivity(), g.only())
                        : g)
                .toList();
    }

    /** The first round in which a group can take pollen; beyond the last where it never can. */
    private static int opensIn(OpenFlowers group) {
        return IntStream.range(0, group.receptivity().size())
                .filter(r -> group.receptivity().get(r) > 0)
                .findFirst()
                .orElse(group.receptivity().size());
    }

    /**
     * Takes flowers away that were made ready for a cross before they opened: of those that open after a round, the earliest first.
     *
     * @param round the round in which they are made ready
     */
    public static List<OpenFlowers> withoutMadeReady(List<OpenFlowers> open, int round, int flowers) {
        List<OpenFlowers> after = new ArrayList<>();
        int left = flowers;
        for (OpenFlowers group : open) {
            int taken = group.receptivity().get(round) > 0 ? 0 : Math.min(left, group.flowers());
            left -= taken;
            if (taken < group.flowers()) {
                after.add(new OpenFlowers(
                        group.group(), group.flowers() - taken, group.weight(), group.receptivity(), group.only()));
            }
        }
        return after;
    }

    /**
     * Sets flowers apart for a cross: they are given only the father's pollen and count for more. They come from the groups in order.
     *
     * @param open of one tree
     * @param flowers how many at most
     * @param only the lots that hold the father's pollen and no other
     * @param weight what a fruit of the cross is worth against others
     * @param wanted the cross they are for
     */
    public static List<OpenFlowers> reserve(
            List<OpenFlowers> open, int flowers, Set<LotId> only, double weight, UUID wanted) {
        List<OpenFlowers> after = new ArrayList<>();
        int left = flowers;
        for (OpenFlowers group : open) {
            int taken = group.group() instanceof FlowerGroupId.OfStage ? Math.min(left, group.flowers()) : 0;
            if (taken > 0) {
                after.add(new OpenFlowers(
                        new FlowerGroupId.Reserved(wanted, group.group().stage().orElseThrow()),
                        taken,
                        weight,
                        group.receptivity(),
                        Optional.of(only)));
            }
            if (taken < group.flowers()) {
                after.add(new OpenFlowers(
                        group.group(), group.flowers() - taken, group.weight(), group.receptivity(), group.only()));
            }
            left -= taken;
        }
        return after;
    }
}
