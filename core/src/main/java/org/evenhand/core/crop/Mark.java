package org.evenhand.core.crop;

/**
 * A mark for a flower that was done.
 *
 * @param name what it is called, as it is written on records
 * @param how how to make it
 * @param lasts how long it can be seen
 */
public record Mark(String name, String how, Lasts lasts) {

    /** How long a mark can be seen. */
    public enum Lasts {
        /** Gone with the petals, days later. */
        PETALS,
        /** Until the fruit is picked or falls. */
        HARVEST,
        /** On the fruit itself, even when it has fallen. */
        FRUIT
    }
}
