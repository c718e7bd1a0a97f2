package org.evenhand.verify;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.season.PollenTube;

/** Growth of pollen tubes and the effective pollination period. */
final class PollenTubeTopic implements Topic {
    @Override
    public String name() {
        return "pollen-tube";
    }

    /** The core reads the table by its printed percentages. */
    @Override
    public boolean offersSomeReadings() {
        return true;
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return Optional.ofNullable(
                switch (inputs.text("mode")) {
                    case "index" -> named(inputs.numbers("temps"), index(inputs.numbers("temps")));
                    case "epp_constant" ->
                        Map.of(
                                "epp_days",
                                PollenTube.effectiveDays(
                                        inputs.number("ovule_longevity_days"),
                                        inputs.number("tube_days"),
                                        inputs.optionalNumber("stigma_receptivity_days")
                                                .orElse(Double.POSITIVE_INFINITY)));
                    case "epp_series" -> named(inputs.numbers("temps"), visits(inputs));
                    default -> null;
                });
    }

    /** At whole degrees the printed row and the row between rows are the same. */
    private static Map<String, Object> named(List<Double> temperatures, Map<String, Object> reading) {
        Map<String, Object> answer = new LinkedHashMap<>();
        answer.put("printed_percent_interpolated", reading);
        if (temperatures.stream().allMatch(t -> t == Math.rint(t))) {
            answer.put("printed_percent", reading);
        }
        return answer;
    }

    private static Map<String, Object> index(List<Double> temperatures) {
        Map<String, Object> reading = new LinkedHashMap<>();
        OptionalInt days = PollenTube.daysToArrive(temperatures);
        reading.put("days_to_fertilisation", days.isPresent() ? days.getAsInt() : null);
        reading.put("cumulative_percent", PollenTube.cumulative(temperatures));
        return reading;
    }

    private static Map<String, Object> visits(Inputs in) {
        List<Double> temperatures = in.numbers("temps");
        double stigma = Require.within("stigma_receptivity_days", in.number("stigma_receptivity_days"), 0, 365);
        Require.within("ovule_longevity_days", in.number("ovule_longevity_days"), 0, 365);
        List<Integer> visits = PollenTube.effectiveVisits(temperatures, in.number("ovule_longevity_days"), stigma);
        List<Integer> tube = IntStream.range(0, (int) Math.min(stigma, temperatures.size()))
                .mapToObj(day -> PollenTube.daysToArrive(temperatures.subList(day, temperatures.size())))
                .map(days -> days.isPresent() ? days.getAsInt() : null)
                .toList();
        Map<String, Object> reading = new LinkedHashMap<>();
        reading.put("tube_days_by_pollination_day", tube);
        reading.put("effective_pollination_days", visits);
        reading.put("last_effective_day", visits.isEmpty() ? null : visits.get(visits.size() - 1));
        return reading;
    }
}
