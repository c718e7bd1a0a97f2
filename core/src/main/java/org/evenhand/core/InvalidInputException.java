package org.evenhand.core;

import java.util.List;
import java.util.stream.Collectors;

/** Input that breaks a rule of the job. Carries every problem found, not only the first. */
public class InvalidInputException extends RuntimeException {
    private final transient List<FieldProblem> problems;

    public InvalidInputException(List<FieldProblem> problems) {
        super(problems.stream().map(p -> p.field() + ": " + p.message()).collect(Collectors.joining("\n")));
        this.problems = List.copyOf(problems);
    }

    public InvalidInputException(String field, String message) {
        this(new FieldProblem(field, message));
    }

    public InvalidInputException(FieldProblem problem) {
        this(List.of(problem));
    }

    public List<FieldProblem> problems() {
        return problems;
    }
}
