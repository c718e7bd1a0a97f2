package org.evenhand.core.crop;

/**
 * The daily window in which flowers that are ready leave a stage.
 *
 * @param opens when the window opens
 * @param closes when it closes; a clock window that closes before it opens spans midnight
 * @param halfTimeMinutes minutes in which half of the waiting flowers leave while the window is open
 * @param commits whether the stage names its opening ("opens tonight"): every flower of the stage leaves at the next opening, unless it is
 *     too cold for it to develop
 */
public record GateRule(Edge opens, Edge closes, Sourced halfTimeMinutes, boolean commits) {

    /** What an edge of the window is measured from. */
    public enum Anchor {
        CLOCK,
        SUNRISE,
        SUNSET
    }

    /**
     * One edge of the window.
     *
     * @param anchor what it is measured from
     * @param hours local clock hour in [0, 24] for {@link Anchor#CLOCK}; otherwise hours after the anchor (negative: before)
     */
    public record Edge(Anchor anchor, Sourced hours) {}
}
