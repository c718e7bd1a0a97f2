package org.evenhand.orchard;

/** In which units the screens show what is kept in metric ones. */
public enum Units {
    METRIC,
    IMPERIAL
}
