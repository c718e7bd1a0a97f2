package org.evenhand.availability;

/** What is done with flowers that open before the leaves are out, where a crop's sheet lets them wait. */
public enum EarlyFlush {
    /** They are left alone until so many weeks after leaf-out as the sheet says. */
    WAIT,
    /** Every flower is used. */
    USE
}
