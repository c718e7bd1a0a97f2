package org.evenhand.core;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Guards written as what is allowed, so that NaN fails with the rest. */
public final class Require {
    private Require() {}

    /** What a map must hold; a program that asks for another key is wrong itself. */
    public static <K, V> V present(Map<K, V> map, K key) {
        return Objects.requireNonNull(map.get(key), () -> "There is nothing for " + key + ".");
    }

    /** Returns {@code value} when it lies in {@code [low, high]}. */
    public static double within(String field, double value, double low, double high) {
        if (!(value >= low && value <= high)) {
            throw new InvalidInputException(new FieldProblem(
                    field,
                    "is " + plain(value) + "; allowed is " + plain(low) + " to " + plain(high) + ".",
                    range(value, low, high)));
        }
        return value;
    }

    /** Returns {@code value} when it is finite and greater than zero. */
    public static double positive(String field, double value) {
        if (!(value > 0 && value < Double.POSITIVE_INFINITY)) {
            throw new InvalidInputException(field, "is " + plain(value) + "; it must be more than 0.");
        }
        return value;
    }

    /** Returns {@code value} when it lies in {@code [low, high]}. */
    public static int within(String field, int value, int low, int high) {
        if (value < low || value > high) {
            throw new InvalidInputException(new FieldProblem(
                    field, "is " + value + "; allowed is " + low + " to " + high + ".", range(value, low, high)));
        }
        return value;
    }

    private static @Nullable Text range(double value, double low, double high) {
        // Other languages know no word for what is no number, and no end that is as good as none.
        return Double.isFinite(value) && high < Integer.MAX_VALUE
                ? Text.of("refused.range", "value", value, "low", low, "high", high)
                : null;
    }

    /** 0 or more. */
    public static double notNegative(String field, double value) {
        return within(field, value, 0, Double.MAX_VALUE);
    }

    /** 0 or more. */
    public static int notNegative(String field, int value) {
        return within(field, value, 0, Integer.MAX_VALUE);
    }

    /** 0 to {@code most}, with so many decimal places at most; given back without trailing zeros. */
    public static BigDecimal exact(String field, BigDecimal value, int most, int places) {
        if (value.signum() < 0 || value.compareTo(BigDecimal.valueOf(most)) > 0) {
            throw new InvalidInputException(field, "is " + value + "; allowed is 0 to " + most + ".");
        }
        BigDecimal plain = value.stripTrailingZeros();
        if (plain.scale() > places) {
            throw new InvalidInputException(
                    field, "is " + value + "; at most " + places + " decimal places are possible.");
        }
        return plain;
    }

    /**
     * What a rule makes of each of several; every one that breaks it is told at once with its place, {@code fields[2].tubes}.
     *
     * @throws InvalidInputException where any breaks the rule
     */
    public static <T, R> List<R> each(String field, List<T> given, Function<T, R> rule) {
        List<R> made = new ArrayList<>();
        List<FieldProblem> problems = new ArrayList<>();
        for (int i = 0; i < given.size(); i++) {
            String at = field + "[" + i + "].";
            try {
                made.add(rule.apply(given.get(i)));
            } catch (InvalidInputException e) {
                e.problems().forEach(p -> problems.add(p.of(at + p.field())));
            }
        }
        if (!problems.isEmpty()) {
            throw new InvalidInputException(problems);
        }
        return List.copyOf(made);
    }

    public static String text(String field, String value) {
        if (value.isBlank()) {
            throw new InvalidInputException(field, "is empty; please give it.");
        }
        return value;
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e9
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.valueOf(value);
    }
}
