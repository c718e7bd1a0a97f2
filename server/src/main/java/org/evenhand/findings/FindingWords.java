package org.evenhand.findings;

import java.util.Locale;
import java.util.Optional;
import org.evenhand.core.Plural;
import org.evenhand.core.crop.Basis;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.findings.AdjustedOdds;
import org.evenhand.core.findings.Factor;
import org.evenhand.core.findings.FactorContrast;
import org.evenhand.core.fruitset.Evidence;
import org.evenhand.core.fruitset.NaturalDrop;
import org.evenhand.core.statistics.Proportion;
import org.evenhand.core.statistics.TwoProportions;

/** Findings in plain words. */
final class FindingWords {
    private FindingWords() {}

    static String percent(double share) {
        return String.format(Locale.ROOT, "%.0f %%", share * 100);
    }

    static String points(double difference) {
        return String.format(Locale.ROOT, "%.0f", Math.abs(difference) * 100);
    }

    private static String of(Proportion p) {
        return percent(p.share()) + " (" + p.successes() + " of " + p.trials() + ")";
    }

    /** Two classes against each other. */
    static String contrast(FactorContrast c, Factor factor, FactorNames.OfCrop names) {
        String said = capital(names.name(factor, c.other().level())) + ": "
                + of(c.other().share()) + "; " + names.name(factor, c.usual().level()) + ": "
                + of(c.usual().share()) + ". ";
        String few = c.few() ? " Few flowers." : "";
        if (!c.sure()) {
            return said + "That may be chance." + few;
        }
        String side = c.difference().value() < 0 ? "lower" : "higher";
        return said + "95 % sure that the first is at least " + Math.max(1, Math.round(c.atLeast() * 100)) + " points "
                + side + "." + few;
    }

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    /** What a sure difference changes, and who changes it: the plan by itself, or the grower. */
    static String change(FactorContrast c, Factor factor, FactorNames.OfCrop names) {
        if (!c.sure()) {
            return "";
        }
        String worse = names.name(
                factor,
                c.difference().value() < 0 ? c.other().level() : c.usual().level());
        String better = names.name(
                factor,
                c.difference().value() < 0 ? c.usual().level() : c.other().level());
        return switch (factor) {
            case VARIETY -> "The plan: each variety's flowers use its own share, learned here.";
            case FATHER ->
                "The plan: whether " + worse
                        + " fits is weighed by these flowers under Mates. Where there is a choice, use " + better
                        + ".";
            case LOT -> "Germinate a pinch of " + worse + "; its test then counts in the next plan.";
            case LOT_AGE ->
                "Germinate a pinch before using pollen so old (" + worse
                        + "); its test then counts in the next plan. Where there is a"
                        + " choice, use pollen of that age: " + better + ".";
            case STORAGE -> "Keep pollen " + better + " where you can, rather than " + worse + ".";
            case HOUR -> "Go at " + better + " where you can: set your hours so under Visits.";
            case STAGE -> "Choose flowers at the stage " + better + " first.";
            case TEMPERATURE, DRY_AIR -> "Go when it is as with " + better + "; Weather shows the hours.";
            case STROKES, TOOL, VISITS -> "Work so: " + better + ". A trial in random order would settle it.";
            case LIMB -> "Choose flowers " + better + " first.";
            case HELPER ->
                "Walk one visit together and look how " + better + " does it. Trees and hours may differ too.";
            case TREE -> "Look at " + worse + ": load, water, and whose pollen it got.";
            default -> "";
        };
    }

    /** What stands apart, and why. */
    static String apart(Evidence evidence) {
        return switch (evidence) {
            case ORDINARY -> "ordinary work";
            case TRIAL -> "of trials";
            case PAIR_DOES_NOT_FIT -> "with pollen that does not fit the tree";
            case POLLEN_DEAD -> "with pollen that was dead or mouldy";
        };
    }

    /** @param expected share that falls by nature, and what says so; absent where nobody does */
    static String drop(int dropped, int set, Optional<Sourced> expected) {
        String said = of(new Proportion(dropped, set)) + " of the fruitlets that set have dropped. ";
        return said
                + expected.map(e -> "By nature about " + percent(e.value()) + " do ("
                                + (e.basis() == Basis.MEMORY
                                        ? "from memory"
                                        : e.basis().name().toLowerCase(Locale.ROOT))
                                + "). "
                                + (new NaturalDrop(dropped, set, e.value()).moreThanNature()
                                        ? "More fell than nature explains: look at water, load and stress."
                                        : "That is no failure: the tree sheds what it cannot carry."))
                        .orElse("The tree sheds what it cannot carry, young trees more.");
    }

    /** Hand against nature. */
    static String hand(TwoProportions shares, TwoProportions.Estimate difference) {
        String said = "By hand " + of(shares.one()) + ", left to nature " + of(shares.other()) + ": ";
        if (difference.lower() > 0) {
            return said + "the hand adds " + points(difference.lower()) + " to " + points(difference.upper())
                    + " points.";
        }
        return difference.upper() < 0
                ? said + "nature does better here, by " + points(difference.upper()) + " to "
                        + points(difference.lower()) + " points."
                : said + "whether the hand adds anything is not sure yet.";
    }

    static String leftOut(AdjustedOdds.LeftOut l, FactorNames.OfCrop names) {
        String who = FactorNames.title(l.factor()) + ", " + names.name(l.factor(), l.level()) + " ("
                + Plural.of(l.flowers(), "flower") + "): ";
        return who
                + switch (l.reason()) {
                    case FEW -> "too few to say.";
                    case ALL_TOOK -> "all set, so that no odds can be said.";
                    case ALL_FAILED -> "all failed, so that no odds can be said.";
                    case GOES_WITH_OTHERS -> "goes together with another cause here; a trial would separate them.";
                };
    }
}
