package org.evenhand.core.planning;

import java.util.AbstractList;
import java.util.Arrays;
import java.util.RandomAccess;
import org.evenhand.core.planning.AllocationProgram.Arc;

/**
 * The uses a plan chooses from, sixteen bytes each: a large orchard in full bloom has more than a million.
 *
 * <p>Not safe for several threads while it grows.
 */
final class PossibleUses extends AbstractList<Arc> implements RandomAccess {
    private static final int LOT_BITS = 20;
    private static final int ROUND_BITS = 6;

    private long[] places = new long[1024];
    private long[] worths = new long[1024];
    private int size;

    /**
     * @throws IllegalArgumentException where there are more lots than a million, or more rounds than 64
     */
    @Override
    public boolean add(Arc use) {
        if (use.lot() >> LOT_BITS != 0 || use.round() >> ROUND_BITS != 0) {
            throw new IllegalArgumentException("too many lots or rounds: " + use);
        }
        if (size == places.length) {
            places = Arrays.copyOf(places, size + size / 2);
            worths = Arrays.copyOf(worths, places.length);
        }
        places[size] = ((long) use.group() << LOT_BITS | use.lot()) << ROUND_BITS | use.round();
        worths[size++] = use.worth();
        return true;
    }

    @Override
    public Arc get(int index) {
        long place = places[index];
        return new Arc(
                (int) (place >> ROUND_BITS) & (1 << LOT_BITS) - 1,
                (int) (place >> LOT_BITS + ROUND_BITS),
                (int) place & (1 << ROUND_BITS) - 1,
                worths[index]);
    }

    @Override
    public int size() {
        return size;
    }
}
