package org.evenhand.verify;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * Holds an answer against what was expected. Numbers agree when {@code |got − expected| ≤ max(abs, rel · |expected|)}, with {@code
 * tolerance.by_field} for single fields; times when they differ by at most {@code tolerance.minutes} and stand in the same offset;
 * everything else must be equal. Fields named in {@code tolerance.not_compared} are information.
 */
final class Comparison {
    private final JsonNode tolerance;
    private final List<String> differences = new ArrayList<>();

    private Comparison(JsonNode tolerance) {
        this.tolerance = tolerance;
    }

    private static final Set<String> FORMS = Set.of("abs", "rel", "minutes");

    /**
     * @throws BrokenCaseException when a tolerance has a form that is not known
     */
    static void requireKnownForms(String where, JsonNode tolerance) {
        if (tolerance.isMissingNode() || tolerance.isNull()) {
            return;
        }
        if (!tolerance.isObject()) {
            throw new BrokenCaseException(
                    where + ", tolerance must be a map like {\"abs\": 0.001}, is " + tolerance + ".");
        }
        tolerance.properties().forEach(e -> {
            switch (e.getKey()) {
                case "by_field" ->
                    e.getValue().properties().forEach(f -> {
                        if (!f.getValue().isObject()) {
                            throw new BrokenCaseException(where + ", tolerance.by_field." + f.getKey()
                                    + " must be a map, is " + f.getValue() + ".");
                        }
                        f.getValue()
                                .properties()
                                .forEach(x -> requireForm(
                                        where + ", tolerance.by_field." + f.getKey(), x.getKey(), x.getValue()));
                    });
                case "not_compared" -> {
                    for (JsonNode name : e.getValue()) {
                        if (!name.isString()) {
                            throw new BrokenCaseException(where + ", tolerance.not_compared must be names of fields.");
                        }
                    }
                }
                default -> requireForm(where + ", tolerance", e.getKey(), e.getValue());
            }
        });
    }

    private static void requireForm(String where, String form, JsonNode value) {
        if (!FORMS.contains(form)) {
            throw new BrokenCaseException(
                    where + "." + form + " is not known; known are abs, rel, minutes, by_field and not_compared.");
        }
        if (!value.isNumber() || !(value.doubleValue() >= 0)) {
            throw new BrokenCaseException(where + "." + form + " must be a number of 0 or more, is " + value + ".");
        }
    }

    /** One line for each difference; none when the answer is right. */
    static List<String> differences(JsonNode expected, Object got, JsonNode tolerance) {
        Comparison comparison = new Comparison(tolerance);
        comparison.compare("", "", expected, got);
        return comparison.differences;
    }

    private void compare(String path, String field, JsonNode expected, Object got) {
        if (isLeftOut(field)) {
            return;
        }
        if (expected.isObject()) {
            Map<?, ?> map = got instanceof Map<?, ?> m ? m : Map.of();
            if (expected.isEmpty() && !map.isEmpty()) {
                differences.add(path + ": expected nothing, got " + got);
            }
            expected.properties()
                    .forEach(e -> compare(join(path, e.getKey()), e.getKey(), e.getValue(), map.get(e.getKey())));
        } else if (expected.isArray()) {
            compareLists(path, field, expected, got instanceof List<?> l ? l : List.of());
        } else if (!agrees(field, expected, got)) {
            differences.add(path + ": expected " + expected + ", got " + got);
        }
    }

    /** Fields that a case gives for information, as one of several right answers. */
    private boolean isLeftOut(String field) {
        for (JsonNode name : tolerance.path("not_compared")) {
            if (name.stringValue().equals(field)) {
                return true;
            }
        }
        return false;
    }

    private void compareLists(String path, String field, JsonNode expected, List<?> got) {
        if (expected.size() != got.size()) {
            differences.add(path + ": expected " + expected.size() + " entries, got " + got.size());
            return;
        }
        for (int i = 0; i < got.size(); i++) {
            compare(path + "[" + i + "]", field, expected.get(i), got.get(i));
        }
    }

    private boolean agrees(String field, JsonNode expected, Object got) {
        if (expected.isNull()) {
            return got == null;
        }
        if (expected.isNumber()) {
            return got instanceof Number number && close(field, expected.doubleValue(), number.doubleValue());
        }
        if (expected.isString() && got instanceof String text) {
            return expected.stringValue().equals(text) || sameTime(field, expected.stringValue(), text);
        }
        return expected.isBoolean() && Boolean.valueOf(expected.booleanValue()).equals(got);
    }

    private boolean close(String field, double expected, double got) {
        double allowed = Math.max(allowed(field, "abs"), allowed(field, "rel") * Math.abs(expected));
        return Math.abs(got - expected) <= allowed;
    }

    private boolean sameTime(String field, String expected, String got) {
        Optional<OffsetDateTime> a = time(expected);
        Optional<OffsetDateTime> b = time(got);
        if (a.isEmpty() || b.isEmpty() || !a.get().getOffset().equals(b.get().getOffset())) {
            return false;
        }
        return Duration.between(a.get(), b.get()).abs().toMillis() <= allowed(field, "minutes") * 60_000;
    }

    private double allowed(String field, String kind) {
        JsonNode byField = tolerance.path("by_field").path(field).get(kind);
        return byField != null
                ? byField.doubleValue()
                : tolerance.path(kind).isNumber() ? tolerance.path(kind).doubleValue() : 0;
    }

    private static Optional<OffsetDateTime> time(String text) {
        try {
            return Optional.of(OffsetDateTime.parse(text));
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    private static String join(String path, String key) {
        return path.isEmpty() ? key : path + "." + key;
    }
}
