package org.evenhand.verify;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;

/**
 * The inputs of a case. Asking for what is missing or of the wrong kind says so by name; what nobody asked for is found by {@link
 * #refuseUnused}, so that a misspelt or contradicting input is never passed over.
 */
final class Inputs {
    private static final BigDecimal LARGEST = new BigDecimal("1e300");

    private final String where;
    private final JsonNode node;
    private final Set<String> used = new HashSet<>();
    private final Map<String, List<Inputs>> children = new LinkedHashMap<>();

    Inputs(String where, JsonNode node) {
        this.where = where;
        this.node = node;
    }

    String where() {
        return where;
    }

    JsonNode node() {
        return node;
    }

    /**
     * @throws BrokenCaseException when a field was never asked for, here or further in
     */
    void refuseUnused() {
        List<String> known = used.stream().sorted().toList();
        node.properties().forEach(e -> {
            if (!used.contains(e.getKey())) {
                throw broken(e.getKey(), "is not used here; used are " + String.join(", ", known));
            }
        });
        children.values().forEach(all -> all.forEach(Inputs::refuseUnused));
    }

    /** A sentence about a field that cannot be, named with its case. */
    BrokenCaseException wrong(String field, String what) {
        return broken(field, what);
    }

    /** Lists that belong together, one entry for each. */
    void requireAsLong(String field, String other) {
        if (list(field).size() != list(other).size()) {
            throw broken(
                    field,
                    "has " + list(field).size() + " entries, " + other + " has "
                            + list(other).size() + "; give one for each");
        }
    }

    /** Of several fields that say the same, at most one may be given. */
    void refuseMoreThanOne(String... fields) {
        List<String> given = Arrays.stream(fields).filter(f -> !absent(f)).toList();
        if (given.size() > 1) {
            throw broken(given.get(1), "is given beside " + given.get(0) + "; give only one of them");
        }
    }

    boolean flag(String field) {
        JsonNode found = required(field);
        if (!found.isBoolean()) {
            throw broken(field, "must be true or false, is " + found);
        }
        return found.booleanValue();
    }

    LocalDate date(String field) {
        try {
            return LocalDate.parse(text(field));
        } catch (DateTimeParseException e) {
            throw broken(field, "must be a date that exists, like 2026-11-24, is " + text(field));
        }
    }

    /** Whole numbers, none of them below 0. */
    List<Integer> wholes(String field) {
        List<Integer> wholes = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            wholes.add(wholeNumber(field + "[" + wholes.size() + "]", entry));
        }
        return wholes;
    }

    private void requireSize(String field, JsonNode number) {
        if (number.decimalValue().abs().compareTo(LARGEST) > 0) {
            throw broken(field, "is " + number + ", beyond any number that can be computed with");
        }
    }

    private int wholeNumber(String field, JsonNode found) {
        if (found.isNumber()) {
            requireSize(field, found);
        }
        if (!found.isNumber() || found.doubleValue() != Math.rint(found.doubleValue())) {
            throw broken(field, "must be a whole number, is " + found);
        }
        if (Math.abs(found.doubleValue()) > Integer.MAX_VALUE) {
            throw broken(field, "is " + found + ", larger than any number of flowers");
        }
        return (int) found.doubleValue();
    }

    double number(String field) {
        return number(field, required(field));
    }

    Optional<Double> optionalNumber(String field) {
        return absent(field) ? Optional.empty() : Optional.of(number(field));
    }

    Optional<Integer> optionalWhole(String field) {
        return absent(field) ? Optional.empty() : Optional.of(whole(field));
    }

    int whole(String field) {
        return wholeNumber(field, required(field));
    }

    String text(String field) {
        JsonNode found = required(field);
        if (!found.isString()) {
            throw broken(field, "must be text, is " + found);
        }
        return found.stringValue();
    }

    /** Text, or nothing where the field is missing or null. */
    Optional<String> optionalText(String field) {
        return absent(field) ? Optional.empty() : Optional.of(text(field));
    }

    /** Whether the field is missing or null. */
    boolean absent(String field) {
        used.add(field);
        JsonNode found = node.get(field);
        return found == null || found.isNull();
    }

    /** Whether the field is written at all, be it null. */
    boolean given(String field) {
        used.add(field);
        return node.has(field);
    }

    /** A number as the decimal it is written as. */
    BigDecimal decimal(String field) {
        number(field);
        return required(field).decimalValue();
    }

    List<String> texts(String field) {
        List<String> texts = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            if (!entry.isString()) {
                throw broken(field + "[" + texts.size() + "]", "must be text, is " + entry);
            }
            texts.add(entry.stringValue());
        }
        return texts;
    }

    List<List<String>> textPairs(String field) {
        List<List<String>> pairs = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            if (!entry.isArray()
                    || entry.size() != 2
                    || !entry.get(0).isString()
                    || !entry.get(1).isString()) {
                throw broken(field + "[" + pairs.size() + "]", "must be a pair of texts, is " + entry);
            }
            pairs.add(List.of(entry.get(0).stringValue(), entry.get(1).stringValue()));
        }
        return pairs;
    }

    /** Names of the fields, where they are of the case's own making; they count as used. */
    List<String> names() {
        List<String> names = new ArrayList<>();
        node.properties().forEach(e -> names.add(e.getKey()));
        return names;
    }

    Map<String, String> textMap(String field) {
        Map<String, String> map = new LinkedHashMap<>();
        required(field).properties().forEach(e -> {
            if (!e.getValue().isString()) {
                throw broken(field + "." + e.getKey(), "must be text, is " + e.getValue());
            }
            map.put(e.getKey(), e.getValue().stringValue());
        });
        return map;
    }

    List<Double> numbers(String field) {
        List<Double> numbers = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            numbers.add(number(field + "[" + numbers.size() + "]", entry));
        }
        return numbers;
    }

    List<Inputs> children(String field) {
        List<Inputs> known = children.get(field);
        if (known == null) {
            known = new ArrayList<>();
            for (JsonNode entry : list(field)) {
                if (!entry.isObject()) {
                    throw broken(field + "[" + known.size() + "]", "must be a map, is " + entry);
                }
                known.add(new Inputs(where + ", inputs." + field + "[" + known.size() + "]", entry));
            }
            children.put(field, known);
        }
        return known;
    }

    Inputs child(String field) {
        required(field);
        return optionalChild(field).orElseThrow();
    }

    /** A list of lists of numbers, of any length. */
    List<List<Double>> rows(String field) {
        List<List<Double>> rows = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            String at = field + "[" + rows.size() + "]";
            if (!entry.isArray()) {
                throw broken(at, "must be a list of numbers, is " + entry);
            }
            List<Double> row = new ArrayList<>();
            entry.forEach(value -> row.add(number(at, value)));
            rows.add(row);
        }
        return rows;
    }

    /** A list of pairs of numbers. */
    List<List<Double>> pairs(String field) {
        List<List<Double>> pairs = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            String at = field + "[" + pairs.size() + "]";
            if (!entry.isArray() || entry.size() != 2) {
                throw broken(at, "must be a pair of numbers, is " + entry);
            }
            pairs.add(List.of(number(at, entry.get(0)), number(at, entry.get(1))));
        }
        return pairs;
    }

    Optional<Inputs> optionalChild(String field) {
        if (absent(field)) {
            return Optional.empty();
        }
        if (!node.get(field).isObject()) {
            throw broken(field, "must be a map, is " + node.get(field));
        }
        return Optional.of(children.computeIfAbsent(
                        field, f -> List.of(new Inputs(where + ", inputs." + field, node.get(field))))
                .get(0));
    }

    private JsonNode list(String field) {
        JsonNode found = required(field);
        if (!found.isArray()) {
            throw broken(field, "must be a list, is " + found);
        }
        return found;
    }

    private JsonNode required(String field) {
        used.add(field);
        JsonNode found = node.get(field);
        if (found == null || found.isNull()) {
            throw broken(field, "is missing");
        }
        return found;
    }

    private double number(String field, JsonNode found) {
        if (!found.isNumber()) {
            throw broken(field, "must be a number, is " + found);
        }
        requireSize(field, found);
        return found.doubleValue();
    }

    private BrokenCaseException broken(String field, String what) {
        return new BrokenCaseException(where + ", inputs." + field + " " + what + ".");
    }
}
