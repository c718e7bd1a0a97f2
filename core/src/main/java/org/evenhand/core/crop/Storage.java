package org.evenhand.core.crop;

import java.util.Locale;

/** Where pollen is kept. */
public enum Storage {
    ROOM,
    FRIDGE,
    FRIDGE_DESICCANT,
    FREEZER;

    /** The name used in crop sheets and records, for example {@code fridge-desiccant}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
