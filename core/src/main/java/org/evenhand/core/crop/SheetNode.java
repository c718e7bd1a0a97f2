package org.evenhand.core.crop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Supplier;
import org.evenhand.core.InvalidInputException;

/**
 * A place in a YAML document that remembers its path and writes down what is wrong instead of stopping at the first fault. A
 * faulty field yields a harmless stand-in; the reader throws when any problem was written down, so no stand-in gets out.
 */
final class SheetNode {
    private static final Sourced STAND_IN = Sourced.practice(1);

    private final String path;
    private final Object value;
    private final SheetNotes notes;
    private final Set<String> asked = new LinkedHashSet<>();
    private final List<SheetNode> children = new ArrayList<>();

    SheetNode(String path, Object value, SheetNotes notes) {
        this.path = path;
        this.value = value;
        this.notes = notes;
    }

    void problem(String field, String message) {
        notes.problem(field.isEmpty() ? path : path(field), message);
    }

    SheetNode child(String field) {
        Object found = map().get(field);
        asked.add(field);
        if (found == null) {
            problem(field, "is missing.");
        }
        return remember(new SheetNode(path(field), found == null ? Map.of() : found, notes));
    }

    Optional<SheetNode> optionalChild(String field) {
        asked.add(field);
        return Optional.ofNullable(map().get(field)).map(v -> remember(new SheetNode(path(field), v, notes)));
    }

    List<SheetNode> children(String field, int atLeast) {
        asked.add(field);
        Object found = map().get(field);
        if (!(found instanceof List<?> list) || list.size() < atLeast) {
            problem(field, "must be a list of at least " + atLeast + ".");
            return List.of();
        }
        List<SheetNode> nodes = new ArrayList<>();
        for (int i = 0; i < list.size(); i++) {
            Object entry = list.get(i);
            nodes.add(remember(new SheetNode(path(field) + "[" + i + "]", entry == null ? Map.of() : entry, notes)));
        }
        return nodes;
    }

    List<SheetNode> optionalChildren(String field) {
        asked.add(field);
        return map().containsKey(field) ? children(field, 1) : List.of();
    }

    List<String> texts(String field) {
        return children(field, 0).stream().map(n -> String.valueOf(n.value)).toList();
    }

    /** None where nothing is said. */
    List<String> optionalTexts(String field) {
        return optionalChildren(field).stream()
                .map(n -> String.valueOf(n.value))
                .toList();
    }

    String text(String field) {
        asked.add(field);
        Object found = map().get(field);
        if (!(found instanceof String text) || text.isBlank()) {
            problem(field, found == null ? "is missing." : "must be text that is not empty.");
            return "?";
        }
        return text.strip();
    }

    Optional<String> optionalText(String field) {
        asked.add(field);
        return map().containsKey(field) ? Optional.of(text(field)) : Optional.empty();
    }

    String textMatching(String field, String pattern, String allowed) {
        String text = text(field);
        if (!text.equals("?") && !text.matches(pattern)) {
            problem(field, "is '" + text + "'; allowed is " + allowed + ".");
        }
        return text;
    }

    boolean flag(String field) {
        asked.add(field);
        if (map().get(field) instanceof Boolean flag) {
            return flag;
        }
        problem(field, "must be true or false.");
        return false;
    }

    /** False where nothing is said. */
    boolean optionalFlag(String field) {
        asked.add(field);
        return map().containsKey(field) && flag(field);
    }

    double number(String field, double low, double high) {
        asked.add(field);
        if (!(map().get(field) instanceof Number number)) {
            problem(field, "must be a number.");
            return low;
        }
        double given = number.doubleValue();
        if (!(given >= low && given <= high)) {
            problem(field, "is " + number + "; allowed is " + trim(low) + " to " + trim(high) + ".");
        }
        return given;
    }

    <E extends Enum<E>> E choice(String field, Class<E> type, Function<E, String> name, E standIn) {
        String given = text(field);
        for (E option : type.getEnumConstants()) {
            if (name.apply(option).equals(given)) {
                return option;
            }
        }
        if (!given.equals("?")) {
            String known = String.join(
                    ", ",
                    java.util.Arrays.stream(type.getEnumConstants()).map(name).toList());
            problem(field, "is '" + given + "'; known are " + known + ".");
        }
        return standIn;
    }

    /** A list of at least one of the names of a type. */
    <E extends Enum<E>> List<E> choices(String field, Class<E> type, E standIn) {
        List<SheetNode> given = children(field, 1);
        return given.stream()
                .map(n -> new SheetNode(path(field), Map.of("name", String.valueOf(n.value)), notes)
                        .choice("name", type, SheetNode::lower, standIn))
                .toList();
    }

    /** A number with its basis, its value within {@code [low, high]}. */
    Sourced sourced(String field, double low, double high) {
        return child(field).asSourced(low, high);
    }

    Optional<Sourced> optionalSourced(String field, double low, double high) {
        return optionalChild(field).map(n -> n.asSourced(low, high));
    }

    /** A number written as {@code 16 practice}, {@code 65 published key-of-source}, or as a map of value, basis and source. */
    Sourced asSourced(double low, double high) {
        return asSourced(low, high, false);
    }

    private Sourced asSourced(double low, double high, boolean whole) {
        Sourced shipped = value instanceof String text ? fromText(text, low, high) : fromMap(low, high);
        return notes.number(path, shipped, low, high, whole);
    }

    private Sourced fromText(String text, double low, double high) {
        String[] words = text.strip().split("\\s+");
        if (words.length < 2 || words.length > 3 || !words[0].matches("-?\\d+(\\.\\d+)?")) {
            problem("", "is '" + text + "'; a number is written with its basis, like '16 practice'.");
            return STAND_IN;
        }
        SheetNode map = new SheetNode(path, asMap(words), notes);
        Sourced read = map.fromMap(Double.NEGATIVE_INFINITY, Double.POSITIVE_INFINITY);
        if (!(read.value() >= low && read.value() <= high)) {
            problem("", "is " + trim(read.value()) + "; allowed is " + trim(low) + " to " + trim(high) + ".");
        }
        return read;
    }

    private static Map<String, Object> asMap(String[] words) {
        Map<String, Object> map = new LinkedHashMap<>();
        map.put("value", Double.valueOf(words[0]));
        map.put("basis", words[1]);
        if (words.length == 3) {
            map.put("source", words[2]);
        }
        return map;
    }

    private Sourced fromMap(double low, double high) {
        double number = number("value", low, high);
        Basis basis = choice("basis", Basis.class, SheetNode::lower, Basis.MEMORY);
        asked.add("source");
        Optional<String> source = Optional.ofNullable(map().get("source")).map(String::valueOf);
        return orElse(STAND_IN, () -> new Sourced(number, basis, source));
    }

    Sourced wholeSourced(String field, int low, int high) {
        SheetNode node = child(field);
        Sourced sourced = node.asSourced(low, high, true);
        if (sourced.value() != Math.rint(sourced.value())) {
            problem(field, "is " + sourced.value() + "; it must be a whole number.");
        }
        return sourced;
    }

    List<Double> shares(String field, int size) {
        asked.add(field);
        List<Double> shares = new ArrayList<>();
        if (map().get(field) instanceof List<?> list && list.size() == size) {
            for (Object entry : list) {
                double share = entry instanceof Number n ? n.doubleValue() : -1;
                if (!(share >= 0 && share <= 1)) {
                    problem(field, "holds " + entry + "; shares are numbers from 0 to 1.");
                }
                shares.add(share);
            }
            return shares;
        }
        problem(field, "must be a list of " + size + " shares, one for each stage.");
        return java.util.Collections.nCopies(size, 0.0);
    }

    <T> Map<String, T> entries(BiFunction<String, SheetNode, T> read) {
        Map<String, T> result = new java.util.LinkedHashMap<>();
        for (String key : map().keySet()) {
            result.put(key, read.apply(key, child(key)));
        }
        return result;
    }

    /** Writes down every field that nobody asked for: nearly always a misspelling. */
    void refuseUnknownFields() {
        if (value instanceof Map<?, ?>) {
            for (String key : map().keySet()) {
                if (!asked.contains(key)) {
                    problem(key, "is not known here; known are " + String.join(", ", new TreeSet<>(asked)) + ".");
                }
            }
        }
        children.forEach(SheetNode::refuseUnknownFields);
    }

    private <T> T orElse(T standIn, Supplier<T> make) {
        try {
            return make.get();
        } catch (InvalidInputException e) {
            e.problems().forEach(p -> problem(p.field(), p.message()));
            return standIn;
        }
    }

    private SheetNode remember(SheetNode node) {
        children.add(node);
        return node;
    }

    @SuppressWarnings("unchecked")
    private Map<String, Object> map() {
        return value instanceof Map<?, ?> map ? (Map<String, Object>) map : Map.of();
    }

    private String path(String field) {
        return path.isEmpty() ? field : path + "." + field;
    }

    static String lower(Enum<?> e) {
        return e.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    private static String trim(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
