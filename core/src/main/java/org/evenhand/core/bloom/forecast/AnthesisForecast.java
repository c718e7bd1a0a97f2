package org.evenhand.core.bloom.forecast;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;

/**
 * Which flowers begin to be receptive or to shed by which of several moments, and how receptive they still are at later ones.
 *
 * <p>Trees whose forecasts begin alike share the work: between two moments one flower of each compartment of the clock, and one bud of
 * each day to come, is pushed forward, and each tree is a weighted sum of these. A flower that opens and is past between two moments
 * is in no group: nobody could pollinate it. The weather is taken as foreseen. Not safe for several threads at once.
 */
public final class AnthesisForecast {
    private static final Duration HALF_A_DAY = Duration.ofHours(12);

    private final List<Instant> moments;
    private final Map<ForecastStart, Moves> moves = new IdentityHashMap<>();

    /**
     * Flowers that begin to be receptive by the same moment.
     *
     * @param moment index of the moment at which they are first found
     * @param stage key of their stage then
     * @param flowers how many are expected
     * @param receptivity expected share of full receptivity of one of them at each moment; 0 before they open
     */
    public record Group(int moment, String stage, double flowers, List<Double> receptivity) {}

    /**
     * Expected flowers of a tree at each moment.
     *
     * @param receptive those that are receptive
     * @param shedding those that shed
     */
    public record PhaseShares(double[] receptive, double[] shedding) {}

    private AnthesisForecast(List<Instant> moments) {
        this.moments = List.copyOf(moments);
    }

    /**
     * @param moments in rising order; one before a forecast's start stands for its start
     * @throws InvalidInputException if {@code moments} is not valid
     */
    public static AnthesisForecast at(List<Instant> moments) {
        for (int m = 1; m < moments.size(); m++) {
            if (moments.get(m).isBefore(moments.get(m - 1))) {
                throw new InvalidInputException(
                        "moments", "must come in order; " + moments.get(m) + " is before " + moments.get(m - 1) + ".");
            }
        }
        return new AnthesisForecast(moments);
    }

    /** Moments every twelve hours from one to another, both included. */
    public static List<Instant> everyHalfDay(Instant leave, Instant back) {
        List<Instant> moments = new ArrayList<>();
        for (Instant at = leave; at.isBefore(back); at = at.plus(HALF_A_DAY)) {
            moments.add(at);
        }
        moments.add(back);
        return moments;
    }

    public PhaseShares shares(TreeForecast tree) {
        return new PhaseShares(tree.roughly(moments, false), tree.roughly(moments, true));
    }

    /** The flowers of a tree that begin to be receptive, in order of the moments and the crop sheet's stages. */
    public List<Group> receptive(CropSheet sheet, TreeForecast tree) {
        Map<Integer, Sum> groups = new TreeMap<>();
        for (TreeForecast.Part part : tree.parts()) {
            addGroups(sheet, part, groups);
        }
        List<Group> all = new ArrayList<>();
        int stages = sheet.stages().size();
        groups.forEach((key, sum) -> {
            if (sum.flowers > 1e-6) {
                all.add(new Group(
                        key / stages,
                        sheet.stages().get(key % stages).key(),
                        sum.flowers,
                        Arrays.stream(sum.receptive)
                                .map(r -> Math.min(1, r / sum.flowers))
                                .boxed()
                                .toList()));
            }
        });
        return all;
    }

    /** Flowers of one group over the rates that a variety may have, and their receptivity in all. */
    private static final class Sum {
        private double flowers;
        private final double[] receptive;

        Sum(int moments) {
            this.receptive = new double[moments];
        }
    }

    private void addGroups(CropSheet sheet, TreeForecast.Part part, Map<Integer, Sum> groups) {
        Moves ways = moves(part);
        double[] before = part.estimate().mean();
        for (int m = 0; m < moments.size(); m++) {
            double[] now = ways.moved(before, m);
            double[] news = m == 0 ? now : ways.moved(ways.without(before, ways.receptive), m);
            for (int s = 0; s < sheet.stages().size(); s++) {
                if (!sheet.stages().get(s).phase().receives()) {
                    continue;
                }
                double[] ofStage = ways.onlyStage(news, s);
                double flowers = Arrays.stream(ofStage).sum();
                if (flowers > 0) {
                    Sum sum = groups.computeIfAbsent(m * sheet.stages().size() + s, k -> new Sum(moments.size()));
                    sum.flowers += part.weight() * flowers;
                    ways.addReceptivity(sheet, ofStage, m, part.weight(), sum.receptive);
                }
            }
            before = now;
        }
    }

    /** Expected flowers of a tree that begin to be receptive after the first moment. */
    public double openAfterFirst(CropSheet sheet, TreeForecast tree) {
        return afterFirst(sheet, tree).mapToDouble(Group::flowers).sum();
    }

    /**
     * Expected flowers of a tree that open after the first moment and are no longer receptive at the last: those that nobody
     * pollinates who is away between the two. What opens and is past between two moments is not counted.
     */
    public double openAndPast(CropSheet sheet, TreeForecast tree) {
        int last = moments.size() - 1;
        return afterFirst(sheet, tree)
                .mapToDouble(g -> {
                    double left = g.receptivity().get(last) / g.receptivity().get(g.moment());
                    return g.flowers() * (1 - Math.min(1, left));
                })
                .sum();
    }

    private Stream<Group> afterFirst(CropSheet sheet, TreeForecast tree) {
        return receptive(sheet, tree).stream().filter(g -> g.moment() > 0);
    }

    /** Expected flowers that begin to shed by each moment, those that shed at the moment before left out. */
    public double[] beginShedding(TreeForecast tree) {
        double[] shedding = new double[moments.size()];
        for (TreeForecast.Part part : tree.parts()) {
            Moves ways = moves(part);
            double[] before = part.estimate().mean();
            for (int m = 0; m < moments.size(); m++) {
                double[] news = ways.moved(m == 0 ? before : ways.without(before, ways.shedding), m);
                shedding[m] += part.weight() * ways.sum(news, ways.shedding);
                before = ways.moved(before, m);
            }
        }
        return shedding;
    }

    private Moves moves(TreeForecast.Part part) {
        return moves.computeIfAbsent(part.start(), Moves::new);
    }

    /**
     * For each moment, what becomes of one flower of each compartment, and of one bud of each day to come, since the moment before.
     * A bud that has not come yet stays where it was.
     */
    private final class Moves {
        private final FlowerModel model;
        private final int compartments;
        private final int size;
        private final boolean[] receptive;
        private final boolean[] shedding;
        private final List<double[][]> all = new ArrayList<>();

        @SuppressWarnings("NullAway.Init")
        /** By moment: for one flower of each compartment, its expected receptivity at that and each later moment. */
        private double[][][] receptivity;

        Moves(ForecastStart start) {
            this.model = start.model();
            this.compartments = model.compartments();
            this.size = compartments + start.daysAhead();
            this.receptive = marked(model.receptive());
            this.shedding = marked(model.shedding());
            double at = start.from();
            int firstDay = CohortTable.dayOf(at);
            for (Instant moment : moments) {
                double next = Math.max(at, model.conditions().temperatures().hoursTo(moment));
                all.add(move(start.daysAhead(), firstDay, at, next));
                at = next;
            }
        }

        private boolean[] marked(List<Boolean> stages) {
            boolean[] marked = new boolean[compartments];
            for (int c = 0; c < compartments; c++) {
                marked[c] = stages.get(model.clock().stageOfCompartment(c));
            }
            return marked;
        }

        private double[][] move(int daysAhead, int firstDay, double from, double to) {
            int passed = CohortTable.dayOf(from) - firstDay;
            // Days that are over when the stretch begins have no buds left; their columns stay empty.
            FlowersToCome flowers = new FlowersToCome(model, from, Math.max(0, daysAhead - passed));
            flowers.advanceTo(to);
            double[][] chances = flowers.chances();
            double[][] move = new double[size][size];
            for (int c = 0; c < compartments; c++) {
                System.arraycopy(chances[c], 0, move[c], 0, compartments);
            }
            for (int d = passed; d < daysAhead; d++) {
                double[] came = chances[compartments + d - passed];
                System.arraycopy(came, 0, move[compartments + d], 0, compartments);
                move[compartments + d][compartments + d] = still(firstDay + d, from, to);
            }
            return move;
        }

        /** The share of a day's buds not come by the first moment that have not come by the second either. */
        private static double still(int day, double from, double to) {
            double end = (day + 1) * CohortTable.HOURS_A_DAY;
            double left = end - Math.max(from, day * CohortTable.HOURS_A_DAY);
            double later = end - Math.max(to, day * CohortTable.HOURS_A_DAY);
            return left <= 0 ? 0 : Math.max(0, later) / left;
        }

        double[] moved(double[] state, int moment) {
            double[][] move = all.get(moment);
            double[] after = new double[size];
            for (int i = 0; i < size; i++) {
                double flowers = state[i];
                for (int j = 0; flowers != 0 && j < size; j++) {
                    after[j] += flowers * move[i][j];
                }
            }
            return after;
        }

        /** Adds the expected receptivity of some flowers from the moment on at which they are found. */
        void addReceptivity(CropSheet sheet, double[] found, int moment, double weight, double[] receptive) {
            if (receptivity == null) {
                receptivity = receptivityFrom(sheet);
            }
            for (int m = moment; m < moments.size(); m++) {
                double[] later = receptivity[moment][m - moment];
                double sum = 0;
                for (int i = 0; i < size; i++) {
                    sum += found[i] * later[i];
                }
                receptive[m] += weight * sum;
            }
        }

        private double[][][] receptivityFrom(CropSheet sheet) {
            int last = moments.size();
            double[][][] from = new double[last][][];
            for (int m = 0; m < last; m++) {
                from[m] = new double[last - m][];
            }
            double[] now = new double[size];
            for (int c = 0; c < compartments; c++) {
                now[c] = sheet.stages().get(stageOf(c)).receptivity().value();
            }
            for (int later = 0; later < last; later++) {
                from[later][0] = now;
                for (int m = later - 1; m >= 0; m--) {
                    from[m][later - m] = before(from[m + 1][later - m - 1], all.get(m + 1));
                }
            }
            return from;
        }

        private double[] before(double[] worth, double[][] move) {
            double[] before = new double[size];
            for (int i = 0; i < size; i++) {
                for (int j = 0; j < size; j++) {
                    before[i] += move[i][j] * worth[j];
                }
            }
            return before;
        }

        double[] without(double[] state, boolean[] which) {
            double[] kept = state.clone();
            for (int c = 0; c < compartments; c++) {
                kept[c] = which[c] ? 0 : kept[c];
            }
            return kept;
        }

        double[] onlyStage(double[] state, int stage) {
            double[] kept = new double[size];
            for (int c = 0; c < compartments; c++) {
                kept[c] = stageOf(c) == stage ? state[c] : 0;
            }
            return kept;
        }

        double sum(double[] state, boolean[] which) {
            double sum = 0;
            for (int c = 0; c < compartments; c++) {
                sum += which[c] ? state[c] : 0;
            }
            return sum;
        }

        int stageOf(int compartment) {
            return model.clock().stageOfCompartment(compartment);
        }
    }
}
