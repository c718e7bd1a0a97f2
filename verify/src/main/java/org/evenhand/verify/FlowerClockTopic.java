package org.evenhand.verify;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evenhand.core.bloom.BloomConditions;
import org.evenhand.core.bloom.DevelopmentRate;
import org.evenhand.core.bloom.FlowerClock;
import org.evenhand.core.bloom.FlowerState;
import org.evenhand.core.bloom.GateHours;
import org.evenhand.core.bloom.TimedStage;
import org.evenhand.core.weather.HourlyTemperatures;

/** Flowers that enter one stage together: the share of them in each stage at later hours. */
final class FlowerClockTopic implements Topic {
    @Override
    public String name() {
        return "flower-clock";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        FlowerClock clock = FlowerClock.of(
                new DevelopmentRate(
                        inputs.number("baseTemperatureC"),
                        inputs.number("referenceTemperatureC"),
                        inputs.number("capTemperatureC")),
                inputs.children("stages").stream().map(FlowerClockTopic::stage).toList());
        double[] hours = inputs.numbers("sampleHours").stream()
                .mapToDouble(Double::doubleValue)
                .toArray();
        double entryHour = inputs.number("entryHour");
        FlowerState entering = clock.entering(inputs.whole("entryStage"), 1);
        List<List<Double>> fractions = new ArrayList<>();
        for (FlowerState state : clock.sample(entering, conditions(inputs, hours), entryHour, hours)) {
            fractions.add(Arrays.stream(state.stageTotals()).boxed().toList());
        }
        return Optional.of(Map.of("stageFractions", fractions));
    }

    private static BloomConditions conditions(Inputs inputs, double[] hours) {
        double start = inputs.number("startClockHour");
        double last = Arrays.stream(hours).max().orElse(0);
        List<GateHours> gates = inputs.children("stages").stream()
                .map(stage -> stage.optionalChild("gate")
                        .map(g -> GateHours.daily(start, g.number("open"), g.number("close"), last))
                        .orElse(GateHours.never()))
                .toList();
        return new BloomConditions(HourlyTemperatures.of(Instant.EPOCH, inputs.numbers("hourlyTemperatureC")), gates);
    }

    private static TimedStage stage(Inputs stage) {
        OptionalDouble halfTimeHours = stage.optionalChild("gate")
                .map(g -> OptionalDouble.of(g.number("halfTimeMinutes") / 60))
                .orElse(OptionalDouble.empty());
        return new TimedStage(stage.number("meanHours"), stage.whole("shape"), halfTimeHours);
    }
}
