package org.evenhand.core.planning;

import java.util.OptionalInt;
import org.evenhand.core.Require;

/**
 * A tree whose flowers may be pollinated.
 *
 * @param name as a person says it
 * @param wanted most flowers to pollinate on it; empty where there is no limit
 */
public record SeedTree(String name, OptionalInt wanted) {
    public SeedTree {
        wanted.ifPresent(w -> Require.notNegative("wanted", w));
    }
}
