package org.evenhand.verify;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;

/** The inputs of a case; asking for what is missing or of the wrong kind says so by name. */
record Inputs(String where, JsonNode node) {
    double number(String field) {
        return number(field, required(field));
    }

    Optional<Double> optionalNumber(String field) {
        return Optional.ofNullable(node.get(field)).map(found -> number(field, found));
    }

    int whole(String field) {
        JsonNode found = required(field);
        if (!found.isIntegralNumber()) {
            throw broken(field, "must be a whole number, is " + found);
        }
        return found.intValue();
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
        JsonNode found = node.get(field);
        return found == null || found.isNull();
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

    Map<String, String> textMap(String field) {
        Map<String, String> map = new LinkedHashMap<>();
        required(field)
                .properties()
                .forEach(e -> map.put(e.getKey(), e.getValue().stringValue()));
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
        List<Inputs> children = new ArrayList<>();
        for (JsonNode entry : list(field)) {
            children.add(new Inputs(where + ", inputs." + field + "[" + children.size() + "]", entry));
        }
        return children;
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
        return Optional.ofNullable(node.get(field)).map(found -> new Inputs(where + ", inputs." + field, found));
    }

    private JsonNode list(String field) {
        JsonNode found = required(field);
        if (!found.isArray()) {
            throw broken(field, "must be a list, is " + found);
        }
        return found;
    }

    private JsonNode required(String field) {
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
        return found.doubleValue();
    }

    private BrokenCaseException broken(String field, String what) {
        return new BrokenCaseException(where + ", inputs." + field + " " + what + ".");
    }
}
