package org.evenhand.core.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Phase;

/**
 * Which flowers begin to take or to give pollen by which of several moments, and how receptive they still are at later ones.
 *
 * <p>Reckoned for a crop at once: between two moments one flower of each compartment of the clock is pushed forward, and each tree is
 * a weighted sum of these. A flower that opens and is past between two moments is in no group: nobody could do it.
 */
public final class Openings {
    private static final Duration HALF_A_DAY = Duration.ofHours(12);

    private final BudSupply supply;
    private final Instant from;
    private final List<Instant> moments;
    /** For each moment, what becomes of one flower of each compartment since the moment before. */
    private final List<double[][]> moves = new ArrayList<>();

    /**
     * Flowers that begin to take pollen by the same moment.
     *
     * @param moment index of the moment at which they are first found
     * @param stage key of their stage then
     * @param flowers how many are expected
     * @param receptivity expected share of full receptivity of one of them at each moment; 0 before they open
     */
    public record Group(int moment, String stage, double flowers, List<Double> receptivity) {}

    private Openings(BudSupply supply, Instant from, List<Instant> moments) {
        this.supply = supply;
        this.from = from;
        this.moments = List.copyOf(moments);
    }

    /**
     * @param from the moment from which trees are foreseen, not before their latest readings
     * @param moments not before it, in rising order
     */
    public static Openings of(BudSupply supply, Instant from, List<Instant> moments) {
        Openings openings = new Openings(supply, from, moments);
        Instant before = from;
        for (Instant moment : moments) {
            if (moment.isBefore(before)) {
                throw new InvalidInputException(
                        "moments", "must come in order; " + moment + " is before " + before + ".");
            }
            openings.moves.add(openings.move(before, moment));
            before = moment;
        }
        return openings;
    }

    /** The openings of each supply that some trees share. */
    public static Map<TreeForecast, Openings> ofAll(List<TreeForecast> trees, Instant from, List<Instant> moments) {
        Map<BudSupply, Openings> bySupply = new IdentityHashMap<>();
        Map<TreeForecast, Openings> byTree = new IdentityHashMap<>();
        trees.forEach(t -> byTree.put(t, bySupply.computeIfAbsent(t.supply(), supply -> of(supply, from, moments))));
        return byTree;
    }

    /**
     * Expected flowers of a tree at each moment.
     *
     * @param taking those that can take pollen
     * @param giving those that give it
     */
    public record Course(double[] taking, double[] giving) {}

    public Course course(TreeForecast tree) {
        double[] taking = new double[moments.size()];
        double[] giving = new double[moments.size()];
        double[] state = start(tree);
        for (int m = 0; m < moments.size(); m++) {
            state = moved(state, m);
            taking[m] = sum(only(state, Phase::takes, true));
            giving[m] = sum(only(state, Phase::gives, true));
        }
        return new Course(taking, giving);
    }

    private double[][] move(Instant before, Instant after) {
        FlowerClock clock = supply.clock();
        int size = clock.compartmentCount();
        FlowerBatch batch = FlowerBatch.empty(clock, size);
        for (int i = 0; i < size; i++) {
            double[] one = new double[size];
            one[i] = 1;
            batch.set(i, new FlowerState(clock, one));
        }
        clock.run(batch, supply.conditions(), supply.hoursTo(before), new double[] {supply.hoursTo(after)}, i -> {});
        return IntStream.range(0, size)
                .mapToObj(i -> batch.state(i).compartments())
                .toArray(double[][]::new);
    }

    /** The flowers of a tree that begin to take pollen, in order of the moments and the crop sheet's stages. */
    public List<Group> taking(TreeForecast tree) {
        CropSheet sheet = supply.sheet();
        List<Group> groups = new ArrayList<>();
        double[] before = null;
        for (int m = 0; m < moments.size(); m++) {
            double[] now = moved(before == null ? start(tree) : before, m);
            double[] news = before == null ? now : moved(only(before, Phase::takes, false), m);
            for (int s = 0; s < sheet.stages().size(); s++) {
                double[] ofStage = onlyStage(news, s);
                double flowers = sum(ofStage);
                if (sheet.stages().get(s).phase().takes() && flowers > 1e-6) {
                    groups.add(new Group(m, sheet.stages().get(s).key(), flowers, receptivity(ofStage, flowers, m)));
                }
            }
            before = now;
        }
        return groups;
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

    /** Expected flowers of a tree that begin to take pollen after the first moment. */
    public double openAfterFirst(TreeForecast tree) {
        return afterFirst(tree).mapToDouble(Group::flowers).sum();
    }

    /**
     * Expected flowers of a tree that open after the first moment and can no longer take pollen at the last: those that nobody does
     * who is away between the two. What opens and is past between two moments is not counted.
     */
    public double openAndPast(TreeForecast tree) {
        int last = moments.size() - 1;
        return afterFirst(tree)
                .mapToDouble(g -> {
                    double left = g.receptivity().get(last) / g.receptivity().get(g.moment());
                    return g.flowers() * (1 - Math.min(1, left));
                })
                .sum();
    }

    private Stream<Group> afterFirst(TreeForecast tree) {
        return taking(tree).stream().filter(g -> g.moment() > 0);
    }

    /** Expected flowers that begin to give pollen by each moment, those that gave at the moment before left out. */
    public double[] beginGiving(TreeForecast tree) {
        double[] giving = new double[moments.size()];
        double[] before = null;
        for (int m = 0; m < moments.size(); m++) {
            double[] news = moved(before == null ? start(tree) : only(before, Phase::gives, false), m);
            giving[m] = sum(only(news, Phase::gives, true));
            before = moved(before == null ? start(tree) : before, m);
        }
        return giving;
    }

    private List<Double> receptivity(double[] group, double flowers, int moment) {
        List<Double> receptivity = new ArrayList<>();
        double[] state = group;
        for (int m = 0; m < moments.size(); m++) {
            if (m > moment) {
                state = moved(state, m);
            }
            receptivity.add(m < moment ? 0 : Math.min(1, receptive(state) / flowers));
        }
        return receptivity;
    }

    private double receptive(double[] state) {
        double sum = 0;
        for (int s = 0; s < supply.sheet().stages().size(); s++) {
            sum += sum(onlyStage(state, s))
                    * supply.sheet().stages().get(s).receptivity().value();
        }
        return sum;
    }

    private double[] start(TreeForecast tree) {
        return tree.compartmentsAt(supply, from);
    }

    private double[] moved(double[] state, int moment) {
        double[][] move = moves.get(moment);
        double[] after = new double[state.length];
        for (int i = 0; i < state.length; i++) {
            for (int j = 0; state[i] != 0 && j < state.length; j++) {
                after[j] += state[i] * move[i][j];
            }
        }
        return after;
    }

    private double[] only(double[] state, Predicate<Phase> which, boolean wanted) {
        double[] kept = new double[state.length];
        for (int s = 0; s < supply.sheet().stages().size(); s++) {
            if (which.test(supply.sheet().stages().get(s).phase()) == wanted) {
                double[] ofStage = onlyStage(state, s);
                for (int i = 0; i < kept.length; i++) {
                    kept[i] += ofStage[i];
                }
            }
        }
        return kept;
    }

    private double[] onlyStage(double[] state, int stage) {
        double[] kept = new double[state.length];
        for (int i = 0; i < state.length; i++) {
            kept[i] = supply.clock().stageOfCompartment(i) == stage ? state[i] : 0;
        }
        return kept;
    }

    private static double sum(double[] state) {
        return java.util.Arrays.stream(state).sum();
    }
}
