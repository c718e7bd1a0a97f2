package org.evenhand.pollen;

import org.evenhand.core.pollen.ReceivedPollen;

/**
 * Where pollen came from that was not collected in the orchard.
 *
 * @param from the person, firm or place it came from; not empty
 */
record Received(How how, String from, ReceivedPollen pollen) {
    /** How one came by it. */
    enum How {
        BOUGHT,
        GIVEN,
        SWAPPED,
        /** From another property of one's own. */
        OWN_PROPERTY
    }
}
