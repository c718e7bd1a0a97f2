package org.evenhand.core.crop;

/** What a number rests on. */
public enum Basis {
    /** Growers commonly work by it. */
    PRACTICE,
    /** A published source, named beside it. */
    PUBLISHED,
    /** Written down from memory; nobody has checked it yet. */
    MEMORY,
    /** Changed by the orchard itself. */
    OWN
}
