package org.evenhand.core.fruitset;

import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.statistics.KaplanMeier;

/**
 * What has become of the flowers of one pollination, from all checks at them.
 *
 * @param flowers flowers pollinated
 * @param took hold now, or were thinned by hand while they held
 * @param failed gone before they set
 * @param dropped had set and fell by themselves
 * @param course days after the pollination on which flowers were found gone, and on which they were last seen
 */
public record FlowerOutcome(int flowers, int set, int failed, int dropped, List<KaplanMeier.At> course) {
    public FlowerOutcome {
        course = List.copyOf(course);
    }

    /**
     * A check.
     *
     * @param day days after the pollination, 0 or more
     */
    public record FruitSetCheck(double day, CheckOutcome outcome) {}

    /** Flowers of which nothing is known yet or any more. */
    public int undecided() {
        return flowers - set - failed - dropped;
    }

    /**
     * The fate. A flower counts as gone on the day it was first found gone; what was seen alive later cannot have gone before. Flowers
     * thinned, or not found again, were followed until then.
     *
     * @param flowers at least 1
     * @param checks in order of their days
     */
    public static FlowerOutcome of(int flowers, List<FruitSetCheck> checks) {
        int[] gone = gone(flowers, checks);
        List<KaplanMeier.At> course = new ArrayList<>();
        int followed = flowers;
        int away = 0;
        int thinned = 0;
        double before = 0;
        for (int i = 0; i < checks.size(); i++) {
            FruitSetCheck check = checks.get(i);
            int lost = Math.min(followed, Math.max(0, gone[i] - away));
            int off = Math.min(followed - lost, Math.max(0, check.outcome().thinned() - thinned));
            add(course, check.day(), lost, off);
            away += lost;
            thinned += off;
            followed -= lost + off;
            // Who is accounted for at no check from here on was followed until the check before.
            int seen = Math.max(0, Math.min(followed, mostAccountedFor(checks, i) - away - thinned));
            add(course, before, 0, followed - seen);
            followed = seen;
            before = check.day();
        }
        add(course, before, 0, followed);
        int alive =
                checks.isEmpty() ? 0 : checks.get(checks.size() - 1).outcome().taken();
        int dropped = Math.min(
                away, checks.stream().mapToInt(l -> l.outcome().dropped()).max().orElse(0));
        return new FlowerOutcome(flowers, Math.min(alive + thinned, flowers - away), away - dropped, dropped, course);
    }

    /**
     * The same where fruit swells without pollination, so that only full seeds tell: what hangs is not decided, opened fruits are.
     *
     * @param withFullSeeds opened fruits with a full seed at least
     * @param without opened fruits with none
     */
    public FlowerOutcome judgedBySeeds(int withFullSeeds, int without) {
        int full = Math.min(withFullSeeds, flowers - failed);
        return new FlowerOutcome(flowers, full, failed + Math.min(without, flowers - failed - full), 0, course);
    }

    private static void add(List<KaplanMeier.At> course, double day, int lost, int censored) {
        if (lost + censored > 0) {
            course.add(new KaplanMeier.At(day, lost, censored));
        }
    }

    private static int alive(CheckOutcome outcome) {
        return outcome.taken() + outcome.unknown();
    }

    private static int mostAccountedFor(List<FruitSetCheck> checks, int from) {
        return checks.subList(from, checks.size()).stream()
                .mapToInt(l -> l.outcome().flowers() - l.outcome().notFound())
                .max()
                .orElse(0);
    }

    /** How many were gone by each check: never fewer than before, never more than what was seen alive later leaves room for. */
    private static int[] gone(int flowers, List<FruitSetCheck> checks) {
        int[] room = new int[checks.size()];
        int least = flowers;
        for (int i = checks.size() - 1; i >= 0; i--) {
            CheckOutcome o = checks.get(i).outcome();
            least = Math.min(least, flowers - alive(o) - o.thinned());
            room[i] = least;
        }
        int[] gone = new int[checks.size()];
        int most = 0;
        for (int i = 0; i < gone.length; i++) {
            most = Math.max(most, checks.get(i).outcome().gone());
            gone[i] = Math.min(most, room[i]);
        }
        return gone;
    }
}
