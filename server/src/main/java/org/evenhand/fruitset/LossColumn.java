package org.evenhand.fruitset;

import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.core.statistics.KaplanMeier;

/** How the flowers of an outcome were lost day by day, as its column holds it: "day:lost:censored" with commas between. */
final class LossColumn {
    private LossColumn() {}

    static String say(List<KaplanMeier.At> course) {
        return course.stream()
                .map(at -> (long) at.time() + ":" + at.lost() + ":" + at.censored())
                .collect(Collectors.joining(","));
    }

    static List<KaplanMeier.At> read(String column) {
        return column.isEmpty()
                ? List.of()
                : Stream.of(column.split(",")).map(LossColumn::at).toList();
    }

    private static KaplanMeier.At at(String one) {
        String[] parts = one.split(":");
        return new KaplanMeier.At(Integer.parseInt(parts[0]), Integer.parseInt(parts[1]), Integer.parseInt(parts[2]));
    }
}
