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
