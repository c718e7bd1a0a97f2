package org.evenhand.verify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.clock.FlowerClock;
import org.evenhand.core.bloom.forecast.FlowerModel;
import org.evenhand.core.bloom.forecast.RatePrior;
import org.evenhand.core.bloom.forecast.SimulatedTrees;
import org.evenhand.core.bloom.forecast.WeatherDoubt;

/** A tree read once or several times: how many of the flowers then there stand in each stage later. */
final class FlowerForecastTopic implements Topic {
    @Override
    public String name() {
        return "flower-forecast";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        double[] hours = in.numbers("forecastHours").stream()
                .mapToDouble(Double::doubleValue)
                .toArray();
        BloomConditions conditions = FlowerClockTopic.conditions(in, hours);
        FlowerClock clock = FlowerClock.of(FlowerClockTopic.rate(in), FlowerClockTopic.stages(in));
        List<Boolean> none = Collections.nCopies(clock.stageCount(), false);
        List<SimulatedTrees.Reading> readings = new ArrayList<>();
        for (Inputs reading : in.children("readings")) {
            readings.add(new SimulatedTrees.Reading(reading.number("hour"), reading.numbers("counts"), 1));
        }
        SimulatedTrees trees = new SimulatedTrees(
                factor -> new FlowerModel(clock, conditions, none, none), RatePrior.sheet(), WeatherDoubt.none());
        return Optional.of(Map.of(
                "stageFlowers",
                trees.stagesOfThoseThere(new SimulatedTrees.Tree("variety", readings), hours).stream()
                        .map(stages -> Arrays.stream(stages).boxed().toList())
                        .toList()));
    }
}
