package org.evenhand.verify;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.DevelopmentRate;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.clock.FlowerState;
import org.evenhand.core.bloom.clock.GateHours;
import org.evenhand.core.bloom.clock.TimedStage;
import org.evenhand.core.weather.HourlyTemperatures;

/** Flowers that enter one stage together: the share of them in each stage at later hours. */
final class FlowerClockTopic implements Topic {
    @Override
    public String name() {
        return "flower-clock";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        FlowerClock clock = FlowerClock.of(rate(inputs), stages(inputs));
        double[] hours = inputs.numbers("sampleHours").stream()
                .mapToDouble(Double::doubleValue)
                .toArray();
        requireReach(inputs, hours);
        double entryHour = Require.within("entryHour", inputs.number("entryHour"), 0, 1e6);
        FlowerState entering = clock.entering(inputs.whole("entryStage"), 1);
        List<List<Double>> fractions = new ArrayList<>();
        for (FlowerState state : clock.sample(entering, conditions(inputs, hours), entryHour, hours)) {
            fractions.add(Arrays.stream(state.stageTotals()).boxed().toList());
        }
        return Optional.of(Map.of("stageFractions", fractions));
    }

    static DevelopmentRate rate(Inputs inputs) {
        return new DevelopmentRate(
                inputs.number("baseTemperatureC"),
                inputs.number("referenceTemperatureC"),
                inputs.number("capTemperatureC"));
    }

    static List<TimedStage> stages(Inputs inputs) {
        return inputs.children("stages").stream().map(s -> stage(s, 1)).toList();
    }

    /** Temperatures must reach as far as anything is asked: beyond them nobody knows. */
    private static void requireReach(Inputs inputs, double[] hours) {
        int reach = inputs.numbers("hourlyTemperatureC").size() - 1;
        for (double hour : hours) {
            if (hour > reach) {
                throw inputs.wrong("sampleHours", "has hour " + hour + ", but temperatures end at hour " + reach);
            }
        }
    }

    static BloomConditions conditions(Inputs inputs, double[] hours) {
        double start = Require.within("startClockHour", inputs.number("startClockHour"), 0, 24);
        double last = Arrays.stream(hours).max().orElse(0);
        List<GateHours> gates = inputs.children("stages").stream()
                .map(stage -> stage.optionalChild("gate")
                        .map(g -> GateHours.daily(start, g.number("open"), g.number("close"), last))
                        .orElse(GateHours.never()))
                .toList();
        return new BloomConditions(HourlyTemperatures.of(Instant.EPOCH, inputs.numbers("hourlyTemperatureC")), gates);
    }

    static TimedStage stage(Inputs stage, double durations) {
        stage.optionalText("name");
        OptionalDouble halfTimeHours = stage.optionalChild("gate")
                .map(g -> OptionalDouble.of(g.number("halfTimeMinutes") / 60))
                .orElse(OptionalDouble.empty());
        return new TimedStage(
                Require.positive("meanHours", stage.number("meanHours")) * durations,
                stage.whole("shape"),
                halfTimeHours);
    }
}
