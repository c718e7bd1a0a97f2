package org.evenhand.availability;

/** How much of the stigma is covered. */
public enum Strokes {
    /** As the crop sheet says. */
    AS_SHEET,
    /** Many, all round: more seeds, a better shape. */
    FULL,
    /** Once in and out: fewer seeds. */
    LIGHT
}
