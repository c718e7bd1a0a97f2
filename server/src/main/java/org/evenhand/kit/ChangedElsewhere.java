package org.evenhand.kit;

import java.util.UUID;

/**
 * Something of an orchard was changed by another instance of the application, or by hand in the database.
 *
 * @param orchardId null where anything of any orchard may have been, as after the database was away
 * @param table in which it was; null with the orchard
 */
public record ChangedElsewhere(UUID orchardId, String table) {
    /** Whatever one keeps may be old. */
    static final ChangedElsewhere ANYTHING = new ChangedElsewhere(null, null);

    public boolean anything() {
        return orchardId == null;
    }

    /** Whether it may have been in a table of such a name. */
    public boolean mayBeIn(String start) {
        return anything() || table.startsWith(start);
    }
}
