package org.evenhand.core.findings;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evenhand.core.Plural;
import org.evenhand.core.Require;
import org.evenhand.core.Units;
import org.evenhand.core.statistics.KaplanMeier;
import org.evenhand.core.statistics.Proportion;

/**
 * Why flowers of a tree, a jar or an evening failed: causes with points for the evidence of each, and the cheapest test that tells the
 * first two apart. The points are our judgement; every one comes with its sentence.
 *
 * @param causes those with any evidence for them, the strongest first
 * @param ruledOut what was looked at and speaks against, or for nothing, in sentences
 * @param test what to do next
 */
public record FailureDiagnosis(List<Cause> causes, List<String> ruledOut, String test) {
    /** Pollen of less of its fresh viability is weak; the same convention as on the shelf. */
    private static final double WEAK = 0.5;
    /** Below it pollen of many crops hardly grows; common practice for apples, elsewhere an assumption. */
    private static final double COLD_C = 15;

    private static final double HOT_C = 32;
    /** At a stage of less of the best stage's receptivity a flower takes less well. Our convention. */
    private static final double AT_ITS_BEST = 0.9;
    /** What falls so many days after the first check had taken and was shed; until then it may only have been seen late. Our convention. */
    private static final int SEEN_LATE_DAYS = 3;

    public FailureDiagnosis {
        causes = List.copyOf(causes);
        ruledOut = List.copyOf(ruledOut);
    }

    /** What can have gone wrong. */
    public enum Kind {
        POLLEN_TOO_OLD,
        POLLEN_SPOILED,
        WRONG_STAGE,
        HOT_OR_DRY,
        TOO_COLD,
        PAIR_DOES_NOT_FIT,
        COVERED_IN_PART,
        OVERLOADED,
        NATURAL_SHEDDING,
        THE_JAR,
        THE_EVENING,
        THE_TREE,
        NOT_LOOKED_ENOUGH
    }

    /**
     * A cause.
     *
     * @param points strength of the evidence, more than 0
     */
    public record Cause(Kind kind, int points, List<String> evidence) {
        public Cause {
            evidence = List.copyOf(evidence);
        }
    }

    /**
     * What is known of the flowers that are asked about, and of others to hold against them.
     *
     * @param here them; absent where none is decided
     * @param undecided of them, those not known yet
     * @param others all others of crop and season
     * @param sameJar others with the same jars, elsewhere
     * @param sameEvening others of the same days, elsewhere
     * @param sameTree others on the same trees, on other days
     * @param alive estimated viability of the pollen when it was used, against fresh, 0 to 1
     * @param spoiled whether a jar was mouldy by then
     * @param poorStage share of flowers whose stage was recorded, at a stage of less than full receptivity
     * @param celsius air temperature while it was done, °C
     * @param deficitKpa vapour pressure deficit while it was done, kPa
     * @param dryKpa deficit above which the crop sets poorly; absent where its sheet knows none
     * @param misfit why a pair is worth less than full, empty where all fit
     * @param light share of flowers done with few strokes, of those recorded
     * @param misshapen share of fruit one-sided or crooked, of those looked at
     * @param set fruit that hangs on the trees
     * @param carries what they can carry, where known
     * @param lateLosses share of the losses that came after the first check
     * @param young whether the tree is younger than its crop should bear
     */
    public record Evidence(
            Optional<Proportion> here,
            int undecided,
            Optional<Proportion> others,
            Optional<Proportion> sameJar,
            Optional<Proportion> sameEvening,
            Optional<Proportion> sameTree,
            OptionalDouble alive,
            boolean spoiled,
            OptionalDouble poorStage,
            OptionalDouble celsius,
            OptionalDouble deficitKpa,
            OptionalDouble dryKpa,
            String misfit,
            OptionalDouble light,
            OptionalDouble misshapen,
            int set,
            Optional<Integer> carries,
            OptionalDouble lateLosses,
            boolean young) {
        public Evidence {
            Require.within("undecided", undecided, 0, Integer.MAX_VALUE);
        }
    }

    /**
     * Whether flowers of a stage take pollen less well than at the crop's best stage. A crop whose receptivity nobody is sure of has the
     * same number at several stages; none of them is poor.
     *
     * @param receptivity of the stage, 0 to 1
     * @param best of the crop's stages, 0 to 1
     */
    public static boolean poorStage(double receptivity, double best) {
        return receptivity < AT_ITS_BEST * best;
    }

    /**
     * Share of losses that came after the first check; absent where there are none.
     *
     * @param course losses by the days since the flowers were done
     * @param firstLook days after which the crop is first checked at
     */
    public static OptionalDouble lateLosses(List<KaplanMeier.At> course, int firstLook) {
        int all = course.stream().mapToInt(KaplanMeier.At::lost).sum();
        int late = course.stream()
                .filter(at -> at.time() > firstLook + SEEN_LATE_DAYS)
                .mapToInt(KaplanMeier.At::lost)
                .sum();
        return all == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) late / all);
    }

    /** @param units in which the evidence is told */
    public static FailureDiagnosis of(Evidence e, Units units) {
        return new Weighing(e, units).weigh();
    }

    /** One weighing of the evidence. */
    private static final class Weighing {
        private final Evidence e;
        private final Units units;
        private final List<Cause> causes = new ArrayList<>();
        private final List<String> ruledOut = new ArrayList<>();

        Weighing(Evidence e, Units units) {
            this.e = e;
            this.units = units;
        }

        FailureDiagnosis weigh() {
            looks();
            pollen();
            stage();
            air();
            pair();
            cover();
            tree();
            elsewhere();
            causes.sort(Comparator.comparingInt((Cause c) -> -c.points()).thenComparing(Cause::kind));
            return new FailureDiagnosis(causes, ruledOut, test());
        }

        private void found(Kind kind, int points, String evidence) {
            causes.add(new Cause(kind, points, List.of(evidence.strip())));
        }

        private void looks() {
            int decided = e.here().map(Proportion::trials).orElse(0);
            int all = decided + e.undecided();
            if (all > 0 && e.undecided() * 2 >= all) {
                found(
                        Kind.NOT_LOOKED_ENOUGH,
                        4,
                        e.undecided() + " of " + Plural.of(all, "flower is", "flowers are")
                                + " not known yet: it is too early to call it failed.");
            } else if (decided > 0 && decided < 10) {
                found(
                        Kind.NOT_LOOKED_ENOUGH,
                        2,
                        "Only " + Plural.of(decided, "flower is", "flowers are")
                                + " decided; so few can fail by chance.");
            }
        }

        private void pollen() {
            if (e.spoiled()) {
                found(Kind.POLLEN_SPOILED, 5, "A jar had been shut damp so long that it should have been mouldy.");
            }
            if (e.alive().isEmpty()) {
                return;
            }
            double alive = e.alive().getAsDouble();
            if (alive < WEAK) {
                found(
                        Kind.POLLEN_TOO_OLD,
                        alive < WEAK / 2 ? 4 : 3,
                        "By its keeping the pollen had " + percent(alive) + " of its fresh viability left.");
            } else {
                ruledOut.add("Pollen: " + percent(alive) + " of its fresh viability should have been left.");
            }
        }

        private void stage() {
            if (e.poorStage().isEmpty()) {
                ruledOut.add("Stage: not recorded; write it down next time.");
            } else if (e.poorStage().getAsDouble() >= 0.3) {
                found(
                        Kind.WRONG_STAGE,
                        2,
                        percent(e.poorStage().getAsDouble()) + " of the flowers were at a stage that sets less well.");
            } else {
                ruledOut.add("Stage: nearly all flowers were at their best.");
            }
        }

        private void air() {
            boolean hot = e.celsius().isPresent() && e.celsius().getAsDouble() >= HOT_C;
            boolean dry = e.deficitKpa().isPresent()
                    && e.dryKpa().isPresent()
                    && e.deficitKpa().getAsDouble() > e.dryKpa().getAsDouble();
            if (hot || dry) {
                found(
                        Kind.HOT_OR_DRY,
                        hot && dry ? 3 : 2,
                        (hot ? "It was " + units.temperature(e.celsius().getAsDouble()) + ". " : "")
                                + (dry
                                        ? say(
                                                "The air lacked %.1f kPa; above %.1f this crop sets poorly.",
                                                e.deficitKpa().getAsDouble(),
                                                e.dryKpa().getAsDouble())
                                        : ""));
            } else if (e.celsius().isPresent() && e.celsius().getAsDouble() < COLD_C) {
                found(
                        Kind.TOO_COLD,
                        2,
                        "It was " + units.temperature(e.celsius().getAsDouble()) + "; below "
                                + units.temperature(COLD_C) + " pollen hardly grows.");
            } else if (e.celsius().isPresent()) {
                ruledOut.add(
                        "Air: " + units.temperature(e.celsius().getAsDouble()) + ", neither too cold nor too hot.");
            }
        }

        private void pair() {
            if (e.misfit().isEmpty()) {
                ruledOut.add("The pair: nothing known speaks against it.");
            } else {
                found(Kind.PAIR_DOES_NOT_FIT, 4, e.misfit());
            }
        }

        private void cover() {
            boolean crooked = e.misshapen().isPresent() && e.misshapen().getAsDouble() >= 0.3;
            boolean light = e.light().isPresent() && e.light().getAsDouble() >= 0.5;
            if (crooked) {
                found(
                        Kind.COVERED_IN_PART,
                        light ? 4 : 3,
                        percent(e.misshapen().getAsDouble())
                                + " of the fruit is one-sided or crooked: the stigma was covered in part.");
            } else if (light) {
                found(
                        Kind.COVERED_IN_PART,
                        1,
                        percent(e.light().getAsDouble()) + " of the flowers had the brush once in and out.");
            }
        }

        private void tree() {
            if (e.carries().isPresent() && e.set() > e.carries().get()) {
                found(
                        Kind.OVERLOADED,
                        3,
                        Plural.of(e.set(), "fruit hangs", "fruits hang") + " where "
                                + e.carries().get() + " can be carried: the tree sheds what is too much.");
            } else if (e.carries().isPresent()) {
                ruledOut.add("Load: " + e.set() + " of " + e.carries().get() + " fruits that can be carried.");
            }
            boolean late = e.lateLosses().isPresent() && e.lateLosses().getAsDouble() >= 0.5;
            if (late || e.young()) {
                found(
                        Kind.NATURAL_SHEDDING,
                        late && e.young() ? 3 : 2,
                        (late
                                        ? percent(e.lateLosses().getAsDouble())
                                                + " of the losses came after the first check: they had set and were shed. "
                                        : "")
                                + (e.young() ? "The tree is young; young trees shed more." : ""));
            }
        }

        /** All failed on one jar: the jar. On one day: weather or hour. On one tree: the tree. */
        private void elsewhere() {
            e.here().ifPresent(here -> {
                against(here, e.sameJar(), Kind.THE_JAR, "The same jars on other trees", "the jar");
                against(here, e.sameEvening(), Kind.THE_EVENING, "The same days on other trees", "the day");
                against(here, e.sameTree(), Kind.THE_TREE, "The same trees on other days", "the tree");
            });
        }

        private void against(Proportion here, Optional<Proportion> like, Kind kind, String who, String what) {
            if (like.isEmpty()
                    || like.get().trials() < FactorContrast.LEAST_FLOWERS
                    || e.others().isEmpty()) {
                return;
            }
            double typical = e.others().get().share();
            double alike = like.get().share();
            String said =
                    who + ": " + like.get().successes() + " of " + like.get().trials() + " set";
            double middle = (typical + here.share()) / 2;
            if (here.share() < typical && alike < middle) {
                int points = like.get().wilson(Proportion.USUAL_CONFIDENCE).upper() < typical ? 4 : 2;
                found(
                        kind,
                        points,
                        said + ", as poor as here, against " + percent(typical) + " in the season: it is " + what
                                + ".");
            } else {
                ruledOut.add(said + ": it is not " + what + " alone.");
            }
        }

        private String test() {
            if (causes.isEmpty()) {
                return "Nothing stands out. Make a small trial in random order next time: flowers left to nature beside flowers by hand.";
            }
            Kind first = causes.get(0).kind();
            Optional<Kind> second = causes.stream()
                    .map(Cause::kind)
                    .skip(1)
                    .filter(k -> !sameTest(k, first))
                    .findFirst();
            return testOf(first)
                    + second.map(k -> " If that clears it, turn to the next cause: " + midSentence(testOf(k)))
                            .orElse("");
        }

        private static String midSentence(String sentence) {
            return sentence.substring(0, 1).toLowerCase(Locale.ROOT) + sentence.substring(1);
        }

        private static boolean sameTest(Kind one, Kind other) {
            return testOf(one).equals(testOf(other));
        }

        private static String testOf(Kind kind) {
            return switch (kind) {
                case POLLEN_TOO_OLD, POLLEN_SPOILED, THE_JAR ->
                    "Germinate a pinch of the jar: an evening's work, and it costs a dose.";
                case WRONG_STAGE ->
                    "On one evening do six flowers at each stage, tagged, and check on the first check's day.";
                case HOT_OR_DRY, TOO_COLD, THE_EVENING ->
                    "Use the same jar on the same tree on a mild evening, six flowers, tagged.";
                case PAIR_DOES_NOT_FIT ->
                    "Do six flowers of the same tree on the same evening with another father that is known to fit.";
                case COVERED_IN_PART ->
                    "On one evening cover six stigmas all round and six once in and out, in random order.";
                case OVERLOADED, NATURAL_SHEDDING ->
                    "Thin half of the limbs before the drop, and count both halves after it.";
                case THE_TREE ->
                    "Use the same jar on the same evening on this tree and on one beside it, six flowers each.";
                case NOT_LOOKED_ENOUGH -> "Check once more on the next check's day before anything is changed.";
            };
        }

        private static String percent(double share) {
            return say("%.0f %%", 100 * share);
        }

        private static String say(String format, Object... values) {
            return String.format(Locale.ROOT, format, values);
        }
    }
}
