package org.evenhand.core.crop;

/** What a number of a crop sheet rests on. */
public enum Basis {
    /** Common practice: growers work by it, no publication is claimed. */
    PRACTICE,
    /** Published; the source's key stands beside it and in docs/SOURCES.md. */
    PUBLISHED,
    /** From memory: nobody has checked it yet. */
    MEMORY
}
