package org.evenhand.core.fruitset;

import java.util.Optional;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;

/**
 * Fruit of a whole limb counted again. The new count takes the place of the one before, so that nothing is counted twice; what lies
 * between them is explained.
 *
 * @param before the count before; absent at the first
 * @param now fruits now, 0 or more
 * @param takenOff fruits that were thinned, picked or found fallen since, 0 or more
 * @param flowersSince flowers pollinated there that could first show as fruit since the count before, 0 or more
 */
public record LimbTally(Optional<Integer> before, int now, int takenOff, int flowersSince) {
    public LimbTally {
        before.ifPresent(b -> Require.within("before", b, 0, Integer.MAX_VALUE));
        Require.within("fruits", now, 0, 1_000_000);
        Require.within("takenOff", takenOff, 0, 1_000_000);
        Require.within("flowersSince", flowersSince, 0, Integer.MAX_VALUE);
    }

    /** What the difference comes to. */
    public enum Kind {
        FIRST,
        SAME,
        DROPPED,
        NEW_FRUIT,
        /** More new fruit than flowers were pollinated: nature, a neighbour limb, or one counted twice. */
        MORE_THAN_DONE
    }

    /** Fruit that came or went by itself; negative where it went. */
    public int change() {
        return before.map(b -> now + takenOff - b).orElse(0);
    }

    public Kind kind() {
        if (before.isEmpty()) {
            return Kind.FIRST;
        }
        if (change() == 0) {
            return Kind.SAME;
        }
        if (change() < 0) {
            return Kind.DROPPED;
        }
        return change() <= flowersSince ? Kind.NEW_FRUIT : Kind.MORE_THAN_DONE;
    }

    /** The difference in a sentence. */
    public String say() {
        String off = takenOff == 0 ? "" : " (" + takenOff + " thinned or picked since are counted in)";
        return switch (kind()) {
            case FIRST -> "First count of this limb.";
            case SAME -> "As many as before" + off + ": none came, none dropped.";
            case DROPPED ->
                -change() + " fewer than before" + off + ": they dropped. The tree sheds what it cannot carry.";
            case NEW_FRUIT ->
                change() + " more than before" + off + ", of " + Plural.of(flowersSince, "flower")
                        + " pollinated there that could show since.";
            case MORE_THAN_DONE ->
                change() + " more than before" + off + ", but only " + Plural.of(flowersSince, "flower")
                        + " pollinated there could show since: set by nature, a neighbour limb, or one counted twice.";
        };
    }
}
