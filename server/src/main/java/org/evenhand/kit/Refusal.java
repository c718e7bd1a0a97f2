package org.evenhand.kit;

import java.time.ZoneId;
import java.time.ZoneOffset;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;

/** Refusals whose words stand in {@code messages/}: said in English here, and by screens in the language of who reads them. */
public final class Refusal {
    private Refusal() {}

    /** What is wrong with a field. */
    public static FieldProblem problem(String field, Text text) {
        return problem(field, ZoneOffset.UTC, text);
    }

    private static FieldProblem problem(String field, ZoneId zone, Text text) {
        return new FieldProblem(field, Messages.english(zone).say(text), text);
    }

    public static InvalidInputException of(String field, Text text) {
        return new InvalidInputException(problem(field, text));
    }

    /** @param zone by whose clocks moments are told */
    public static InvalidInputException of(String field, ZoneId zone, Text text) {
        return new InvalidInputException(problem(field, zone, text));
    }
}
