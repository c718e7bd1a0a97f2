package org.evenhand.core.permit;

/** What a permit can allow. */
public enum PermitScope {
    /** Work on the flowers of a protected species. */
    FLOWERS,
    /** Pollen that comes from another property. */
    POLLEN_IN,
    /** Pollen that goes to another property. */
    POLLEN_OUT
}
