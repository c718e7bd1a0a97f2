package org.evenhand.core.crop;

/** How pollen is got out of a flower. */
public enum CollectionMethod {
    /** The flower is tapped over a cup: powder counts, crumbs do not. */
    TAP,
    /** The anthers are flicked with a finger or brush. */
    FLICK,
    /** Anthers are combed off. */
    COMB,
    /** Anthers are cut off. */
    SNIP,
    /** The whole flower goes along and is used like a brush, or laid out. */
    WHOLE_FLOWER,
    /** Blossoms that will open within a day or two, for drying. */
    BALLOON
}
