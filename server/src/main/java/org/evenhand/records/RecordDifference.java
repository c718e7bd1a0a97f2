package org.evenhand.records;

import java.util.LinkedHashMap;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What is not the same in two records of one kind. */
final class RecordDifference {
    /** A value before and after; empty where there is none. */
    record Pair(String before, String after) {}

    private RecordDifference() {}

    /** By field, parts of parts with a point between. */
    static Map<String, Pair> of(JsonNode before, JsonNode after) {
        Map<String, Pair> found = new LinkedHashMap<>();
        collect("", before, after, found);
        return found;
    }

    private static void collect(String path, JsonNode before, JsonNode after, Map<String, Pair> found) {
        if (before.isObject() && after.isObject()) {
            after.propertyNames()
                    .forEach(name -> collect(
                            path.isEmpty() ? name : path + "." + name, before.path(name), after.path(name), found));
        } else if (!before.equals(after)) {
            found.put(path, new Pair(say(before), say(after)));
        }
    }

    private static String say(JsonNode value) {
        return value.isMissingNode() || value.isNull() ? "" : value.isValueNode() ? value.asString() : value.toString();
    }
}
