package org.evenhand.core.pollen;

import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Require;

/**
 * A pinch of pollen germinated and counted under the microscope. A tube counts when it is at least as long as the grain is wide.
 *
 * @param fields the fields of view, at least one
 */
public record GerminationTest(List<Field> fields) {
    private static final int MOST_GRAINS = 100_000;

    public GerminationTest {
        fields = List.copyOf(fields);
        if (fields.isEmpty()) {
            throw new InvalidInputException("fields", "are none; count at least one field of view.");
        }
        if (fields.stream().mapToInt(Field::grains).sum() == 0) {
            throw new InvalidInputException("fields", "hold no grain; look where grains lie.");
        }
    }

    /**
     * One field of view.
     *
     * @param grains grains counted, 0 or more
     * @param tubes grains among them with a tube that counts
     */
    public record Field(int grains, int tubes) {
        public Field {
            Require.within("grains", grains, 0, MOST_GRAINS);
            if (tubes < 0 || tubes > grains) {
                throw new InvalidInputException(
                        "tubes", "are " + tubes + " of " + grains + " grains; each grain counts once at most.");
            }
        }
    }

    public int grains() {
        return fields.stream().mapToInt(Field::grains).sum();
    }

    public int tubes() {
        return fields.stream().mapToInt(Field::tubes).sum();
    }

    public double share() {
        return (double) tubes() / grains();
    }

    /**
     * How much more the fields differ than chance alone would have it: Pearson's χ² over its degrees of freedom, at least 1. Grains
     * lie in clumps, so a count is worth {@code grains / clumping} independent looks.
     */
    public double clumping() {
        double p = share();
        List<Field> seen = fields.stream().filter(f -> f.grains() > 0).toList();
        if (seen.size() < 2 || p == 0 || p == 1) {
            return 1;
        }
        double chiSquare = seen.stream()
                .mapToDouble(f -> Math.pow(f.tubes() - f.grains() * p, 2) / (f.grains() * p * (1 - p)))
                .sum();
        return Math.max(1, chiSquare / (seen.size() - 1));
    }
}
