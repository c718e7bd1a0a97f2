package org.evenhand.core.cross;

/** Where seeds and seedlings of a lot are on their way, in its order. */
public enum NurseryStage {
    /** Seeds that are kept. */
    KEPT,
    /** Seeds that lie moist and cold. */
    COLD,
    /** Seeds that are sown and have not come up. */
    SOWN,
    /** Seedlings in their tray. */
    UP,
    POTTED,
    PLANTED;

    /** Whether it is a plant by now, which can have a number of its own. */
    public boolean hasLeaves() {
        return compareTo(UP) >= 0;
    }
}
