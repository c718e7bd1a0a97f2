package org.evenhand.verify;

import java.util.ArrayList;
import java.util.List;
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

    /** A list of lists of numbers. */
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
