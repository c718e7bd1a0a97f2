package org.evenhand.planning;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiFunction;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.TreeId;

/**
 * Which pollen serves which tree, worked out once for a plan. Two tables are the same when they say the same, in the same words.
 *
 * @param answers of each pair what it is worth, and why
 * @param pairs the answers themselves
 */
record CrossTable(Map<Pair, Answer> answers, Map<Pair, CrossCompatibility> pairs) implements RoundRequest.Crosses {

    record Pair(TreeId tree, LotId lot) {}

    record Answer(boolean serves, double compatibilityFactor, String why) {}

    static CrossTable of(
            List<RoundRequest.Mother> mothers,
            List<PollenOption> sources,
            BiFunction<TreeId, PollenOption, CrossCompatibility> cross) {
        Map<Pair, Answer> answers = new HashMap<>();
        Map<Pair, CrossCompatibility> pairs = new HashMap<>();
        for (RoundRequest.Mother mother : mothers) {
            for (PollenOption source : sources) {
                Pair pair = new Pair(mother.id(), source.id());
                CrossCompatibility of = cross.apply(mother.id(), source);
                pairs.put(pair, of);
                answers.put(pair, new Answer(of.serves(), of.compatibilityFactor(), of.why()));
            }
        }
        return new CrossTable(answers, pairs);
    }

    @Override
    public CrossCompatibility between(TreeId tree, LotId lot) {
        return pairs.get(new Pair(tree, lot));
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof CrossTable table && answers.equals(table.answers);
    }

    @Override
    public int hashCode() {
        return answers.hashCode();
    }
}
