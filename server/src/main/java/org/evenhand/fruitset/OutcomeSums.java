package org.evenhand.fruitset;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.statistics.KaplanMeier;

/** What a few fates add to the cells; those that are taken out count against. */
final class OutcomeSums {
    /** Stands between the classes of a row: in no name that anybody types. */
    static final String BETWEEN = "\u001f";

    private static final List<Factor> FACTORS = List.of(Factor.values());

    /** Curves of single evenings, or of trees by treatment, are asked by nobody. */
    private static final List<Factor> WITHOUT_CURVE = List.of(Factor.EVENING, Factor.TREE_AND_TREATMENT);

    private final Map<Cell, long[]> set = new HashMap<>();
    private final Map<Cell, long[]> loss = new HashMap<>();
    private final Map<Cell, long[]> cause = new HashMap<>();

    /**
     * @param factor empty where the level is of all causes
     * @param evidence what the flowers can teach; empty but for the flowers of a class
     * @param day of a loss; else 0
     */
    record Cell(int season, String crop, String factor, String level, String evidence, int day)
            implements Comparable<Cell> {
        private static final Comparator<Cell> ORDER = Comparator.comparingInt(Cell::season)
                .thenComparing(Cell::crop)
                .thenComparing(Cell::factor)
                .thenComparing(Cell::level)
                .thenComparing(Cell::evidence)
                .thenComparingInt(Cell::day);

        @Override
        public int compareTo(Cell other) {
            return ORDER.compare(this, other);
        }
    }

    Map<Cell, long[]> set() {
        return set;
    }

    Map<Cell, long[]> loss() {
        return loss;
    }

    Map<Cell, long[]> cause() {
        return cause;
    }

    /** @param sign 1 for one that is put in, -1 for one that is taken out */
    void add(OutcomeRows.OutcomeRow outcome, int sign) {
        String[] levels = outcome.levels().split(BETWEEN, -1);
        boolean byHand = outcome.treatment().equals(Treatment.HAND.name());
        for (int f = 0; f < FACTORS.size(); f++) {
            Factor factor = FACTORS.get(f);
            if (byHand || factor == Factor.TREATMENT || factor == Factor.TREE_AND_TREATMENT) {
                Cell cell = new Cell(
                        outcome.season(),
                        outcome.crop(),
                        factor.name(),
                        levels[f],
                        outcome.evidence().name(),
                        0);
                plus(
                        set,
                        cell,
                        sign * outcome.set(),
                        sign * outcome.failed(),
                        sign * outcome.dropped(),
                        sign * outcome.undecided());
                if (!WITHOUT_CURVE.contains(factor) && outcome.evidence().comparedBy(factor)) {
                    addLosses(cell, outcome.course(), sign);
                }
            }
        }
        int held = outcome.set() + outcome.dropped();
        if (byHand && outcome.evidence() != Evidence.PAIR_DOES_NOT_FIT && held + outcome.failed() > 0) {
            String classes =
                    Factor.CAUSES.stream().map(f -> levels[f.ordinal()]).collect(Collectors.joining(BETWEEN));
            plus(
                    cause,
                    new Cell(outcome.season(), outcome.crop(), "", classes, "", 0),
                    sign * held,
                    sign * outcome.failed());
        }
    }

    private void addLosses(Cell cell, List<KaplanMeier.At> course, int sign) {
        for (KaplanMeier.At at : course) {
            plus(
                    loss,
                    new Cell(cell.season(), cell.crop(), cell.factor(), cell.level(), "", (int) at.time()),
                    sign * at.lost(),
                    sign * at.censored());
        }
    }

    private static void plus(Map<Cell, long[]> cells, Cell cell, long... values) {
        long[] sum = cells.computeIfAbsent(cell, k -> new long[values.length]);
        for (int i = 0; i < values.length; i++) {
            sum[i] += values[i];
        }
    }
}
