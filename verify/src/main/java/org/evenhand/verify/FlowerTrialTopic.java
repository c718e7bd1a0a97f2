package org.evenhand.verify;

import java.util.Map;
import java.util.Optional;
import org.evenhand.core.Require;
import org.evenhand.core.pollen.FlowerTrial;
import org.evenhand.core.statistics.BetaPosterior;

/** What a trial on spare flowers teaches of a lot's viability. */
final class FlowerTrialTopic implements Topic {
    @Override
    public String name() {
        return "flower-trial";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        FlowerTrial trial = new FlowerTrial(
                in.whole("flowers"), in.whole("taken"), in.whole("fresh_flowers"), in.whole("fresh_taken"));
        double fresh = Require.within("fresh_viability", in.number("fresh_viability"), 0.01, 1);
        BetaPosterior after = trial.learn(new BetaPosterior(in.number("prior_a"), in.number("prior_b")), fresh);
        return Optional.of(Map.of("mean", after.mean(), "sd", Math.sqrt(after.variance())));
    }
}
