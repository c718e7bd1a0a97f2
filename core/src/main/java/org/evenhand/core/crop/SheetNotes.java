package org.evenhand.core.crop;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.FieldProblem;

/** What is noted while a sheet is read: its faults, its numbers, and the orchard's own numbers that replace some. */
final class SheetNotes {
    private final List<FieldProblem> problems = new ArrayList<>();
    private final Map<String, SheetNumber> numbers = new LinkedHashMap<>();
    private final Map<String, Double> own;

    SheetNotes(Map<String, Double> own) {
        this.own = own;
    }

    void problem(String field, String message) {
        FieldProblem problem = new FieldProblem(field, message);
        // What the flowering types of a file share is read once for each.
        if (!problems.contains(problem)) {
            problems.add(problem);
        }
    }

    List<FieldProblem> problems() {
        return problems;
    }

    List<SheetNumber> numbers() {
        return List.copyOf(numbers.values());
    }

    /** The number to use at a path: the orchard's own where it gave one. */
    Sourced number(String path, Sourced shipped, double low, double high, boolean whole) {
        Double mine = own.get(path);
        Sourced used = mine == null ? shipped : new Sourced(mine, Basis.OWN, Optional.empty());
        // The file's own number was checked where it was read.
        if (mine != null && !(mine >= low && mine <= high)) {
            problem(path, "is " + used.value() + "; allowed is " + low + " to " + high + ".");
        }
        numbers.put(path, new SheetNumber(path, used, shipped, low, high, whole));
        return used;
    }

    void refuseStrayNumbers() {
        own.keySet().stream()
                .filter(path -> !numbers.containsKey(path))
                .forEach(path -> problem(path, "is no number of this sheet."));
    }
}
