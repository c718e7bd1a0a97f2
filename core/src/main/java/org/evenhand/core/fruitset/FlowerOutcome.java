package org.evenhand.core.fruitset;

import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.statistics.KaplanMeier;

/**
 * What has become of the flowers of one pollination, from all looks at them.
 *
 * @param flowers flowers pollinated
 * @param took hold now, or were thinned by hand while they held
 * @param failed gone before they set
 * @param dropped had set and fell by themselves
 * @param course days after the pollination on which flowers were found gone, and on which they were last seen
 */
public record FlowerOutcome(int flowers, int took, int failed, int dropped, List<KaplanMeier.At> course) {
    public FlowerOutcome {
        course = List.copyOf(course);
    }

    /**
     * A look.
     *
     * @param day days after the pollination, 0 or more
     */
    public record Look(double day, CheckOutcome outcome) {}

    /** Flowers of which nothing is known yet or any more. */
    public int undecided() {
        return flowers - took - failed - dropped;
    }

    /**
     * The fate. A flower counts as gone on the day it was first found gone; what was seen alive later cannot have gone before. Flowers
     * thinned, or not found again, were followed until then.
     *
     * @param flowers at least 1
     * @param looks in order of their days
     */
    public static FlowerOutcome of(int flowers, List<Look> looks) {
        int[] gone = gone(flowers, looks);
        List<KaplanMeier.At> course = new ArrayList<>();
        int followed = flowers;
        int away = 0;
        int thinned = 0;
        double before = 0;
        for (int i = 0; i < looks.size(); i++) {
            Look look = looks.get(i);
            int lost = Math.min(followed, Math.max(0, gone[i] - away));
            int off = Math.min(followed - lost, Math.max(0, look.outcome().thinned() - thinned));
            add(course, look.day(), lost, off);
            away += lost;
            thinned += off;
            followed -= lost + off;
            // Who is accounted for at no look from here on was followed until the look before.
            int seen = Math.max(0, Math.min(followed, mostAccountedFor(looks, i) - away - thinned));
            add(course, before, 0, followed - seen);
            followed = seen;
            before = look.day();
        }
        add(course, before, 0, followed);
        int alive = looks.isEmpty() ? 0 : looks.get(looks.size() - 1).outcome().taken();
        int dropped = Math.min(
                away, looks.stream().mapToInt(l -> l.outcome().dropped()).max().orElse(0));
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

    private static int mostAccountedFor(List<Look> looks, int from) {
        return looks.subList(from, looks.size()).stream()
                .mapToInt(l -> l.outcome().flowers() - l.outcome().notFound())
                .max()
                .orElse(0);
    }

    /** How many were gone by each look: never fewer than before, never more than what was seen alive later leaves room for. */
    private static int[] gone(int flowers, List<Look> looks) {
        int[] room = new int[looks.size()];
        int least = flowers;
        for (int i = looks.size() - 1; i >= 0; i--) {
            CheckOutcome o = looks.get(i).outcome();
            least = Math.min(least, flowers - alive(o) - o.thinned());
            room[i] = least;
        }
        int[] gone = new int[looks.size()];
        int most = 0;
        for (int i = 0; i < gone.length; i++) {
            most = Math.max(most, looks.get(i).outcome().gone());
            gone[i] = Math.min(most, room[i]);
        }
        return gone;
    }
}
