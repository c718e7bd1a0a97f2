package org.evenhand.core.judging;

import java.util.DoubleSummaryStatistics;
import java.util.List;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * How good plants or crosses are by weights of one's own: in each trait by how many standard deviations they lie above the mean of all that
 * are compared, on the better side; those numbers weighted and added up. A trait that is not known of one counts as the mean for it, and is
 * said ({@link #unknown}).
 *
 * @param value above 0 where better than the mean
 * @param unknown how many weighted traits are not known of it
 */
public record Merit(double value, int unknown) {
    /**
     * One trait of all that are compared.
     *
     * @param weight 0 or more
     * @param values a number for each, in the same order for all traits; null where it is not known
     */
    public record Column(TraitScale.Better better, double weight, List<@Nullable Double> values) {
        /** By how many standard deviations each is better than the mean; empty where it is not known. */
        private List<OptionalDouble> standardized() {
            DoubleSummaryStatistics known =
                    values.stream().filter(Objects::nonNull).collect(Collectors.summarizingDouble(v -> v));
            double squares = values.stream()
                    .filter(Objects::nonNull)
                    .mapToDouble(v -> (v - known.getAverage()) * (v - known.getAverage()))
                    .sum();
            double unit = squares == 0 ? 1 : Math.sqrt(squares / (known.getCount() - 1));
            return values.stream()
                    .map(v -> v == null
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(better.direction() * (v - known.getAverage()) / unit))
                    .toList();
        }

        private boolean counts() {
            return weight > 0 && better != TraitScale.Better.NEITHER;
        }
    }

    /**
     * Of all that are compared, in their order.
     *
     * @param size how many they are, and values of each column
     */
    public static List<Merit> of(List<Column> columns, int size) {
        double[] value = new double[size];
        int[] unknown = new int[size];
        for (Column column : columns.stream().filter(Column::counts).toList()) {
            List<OptionalDouble> standardized = column.standardized();
            for (int i = 0; i < size; i++) {
                value[i] += column.weight() * standardized.get(i).orElse(0);
                unknown[i] += standardized.get(i).isPresent() ? 0 : 1;
            }
        }
        return IntStream.range(0, size)
                .mapToObj(i -> new Merit(value[i], unknown[i]))
                .toList();
    }
}
