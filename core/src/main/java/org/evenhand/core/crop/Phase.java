package org.evenhand.core.crop;

/** What a flower of a stage can do. */
public enum Phase {
    BUD,
    FEMALE,
    BETWEEN,
    MALE,
    BOTH,
    SPENT;

    /** Whether a flower of this phase can take pollen. */
    public boolean receives() {
        return this == FEMALE || this == BOTH;
    }

    /** Whether a flower of this phase gives pollen. */
    public boolean sheds() {
        return this == MALE || this == BOTH;
    }
}
