package org.evenhand.verify;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.findings.Proportion;

/** Shares and their intervals. */
final class StatisticsTopic implements Topic {
    @Override
    public String name() {
        return "statistics";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return inputs.text("mode").equals("proportion") ? Optional.of(proportion(inputs)) : Optional.empty();
    }

    private static Map<String, Object> proportion(Inputs inputs) {
        Proportion proportion = new Proportion(inputs.whole("x"), inputs.whole("n"));
        double confidence = inputs.optionalNumber("confidence_level").orElse(Proportion.USUAL_CONFIDENCE);
        return Map.of(
                "wilson", pair(proportion.wilson(confidence)),
                "clopper_pearson", pair(proportion.clopperPearson(confidence)),
                "jeffreys", pair(proportion.jeffreys(confidence)));
    }

    private static List<Double> pair(Proportion.Interval interval) {
        return List.of(interval.lower(), interval.upper());
    }
}
