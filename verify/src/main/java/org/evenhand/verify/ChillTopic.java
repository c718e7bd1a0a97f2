package org.evenhand.verify;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.DayLength;
import org.evenhand.core.weather.WinterRest;

/** Chill, heat, hours rebuilt from days, and the length of the day. */
final class ChillTopic implements Topic {
    @Override
    public String name() {
        return "chill";
    }

    @Override
    public Optional<Map<String, Object>> answer(Inputs inputs) {
        return Optional.ofNullable(
                switch (inputs.text("mode")) {
                    case "series" -> sums(series(inputs.child("series")));
                    case "linvill" -> hourly(inputs);
                    case "daylength" -> dayLength(inputs);
                    default -> null;
                });
    }

    private static Map<String, Object> sums(double[] hours) {
        Arrays.stream(hours).forEach(t -> Require.within("T", t, -60, 60));
        WinterRest rest = WinterRest.over(hours);
        return Map.of(
                "n_hours", rest.hours(),
                "sum_T", Arrays.stream(hours).sum(),
                "utah_units", rest.utahUnits(),
                "utah_since_min", rest.utahSinceLowest(),
                "chilling_hours_0_7_2", rest.chillingHours(),
                "chilling_hours_le_7_2", rest.hoursBelow(),
                "chill_portions", rest.chillPortions(),
                "gdh", rest.growingDegreeHours());
    }

    private static Map<String, Object> hourly(Inputs in) {
        in.requireAsLong("tmin", "tmax");
        in.requireAsLong("sunrise", "tmax");
        in.requireAsLong("sunset", "tmax");
        List<Double> low = in.numbers("tmin");
        List<Double> high = in.numbers("tmax");
        List<Double> rise = in.numbers("sunrise");
        List<Double> set = in.numbers("sunset");
        for (int d = 0; d < rise.size(); d++) {
            if (!(0 <= rise.get(d) && rise.get(d) < set.get(d) && set.get(d) <= 24)) {
                throw in.wrong(
                        "sunset[" + d + "]",
                        "is " + set.get(d) + " with sunrise at " + rise.get(d)
                                + "; clock hours from 0 to 24, sunrise first");
            }
        }
        List<DailyTemperatures> days = IntStream.range(0, low.size())
                .mapToObj(d -> new DailyTemperatures(low.get(d), high.get(d)))
                .toList();
        List<List<Double>> rows = DailyTemperatures.hourly(days, array(rise), array(set)).stream()
                .map(row -> Arrays.stream(row).boxed().toList())
                .toList();
        return Map.of("hourly", rows);
    }

    private static Map<String, Object> dayLength(Inputs in) {
        DayLength day = DayLength.of(in.number("lat"), in.whole("J"));
        return Map.of(
                "declination_rad", day.declination(),
                "sunset_hour_angle_rad", day.sunsetHourAngle(),
                "daylight_hours", day.hours());
    }

    /** The series by its kind; hours count from 0. */
    private static double[] series(Inputs in) {
        return switch (in.text("kind")) {
            case "array" -> array(in.numbers("values"));
            case "constant" -> hours(in, h -> in.number("T"));
            case "sinusoid" -> hours(in, h -> in.number("mean") + in.number("amp") * daily(h));
            case "seasonal" -> hours(in, h -> seasonal(in, h));
            case "steps" -> steps(in);
            case "lcg" -> noise(in);
            default -> throw new BrokenCaseException(in.where() + ".kind is not known.");
        };
    }

    private static double[] hours(Inputs in, IntToDoubleFunction at) {
        return IntStream.range(0, Require.within("hours", in.whole("hours"), 1, 100_000))
                .mapToDouble(at)
                .toArray();
    }

    private static double daily(int hour) {
        return Math.sin(2 * Math.PI * (hour - 9) / 24);
    }

    private static double seasonal(Inputs in, int hour) {
        double season = Math.sin(Math.PI * hour / in.whole("hours"));
        return rounded(in.number("mean") - in.number("season_amp") * season + in.number("day_amp") * daily(hour));
    }

    private static double[] steps(Inputs in) {
        List<Double> values = new ArrayList<>();
        for (List<Double> step : in.pairs("steps")) {
            if (!(step.get(1) >= 1 && step.get(1) == Math.rint(step.get(1)) && step.get(1) <= 100_000)) {
                throw in.wrong("steps", "has a step of " + step.get(1) + " hours; give whole hours, 1 or more");
            }
            for (int h = 0; h < step.get(1); h++) {
                values.add(step.get(0));
            }
        }
        return array(values);
    }

    private static double[] noise(Inputs in) {
        double low = in.number("lo");
        double span = in.number("hi") - low;
        long[] x = {in.whole("seed")};
        return hours(in, h -> {
            x[0] = (1103515245L * x[0] + 12345) & 0x7fffffff;
            return rounded(low + span * x[0] / 2147483648.0);
        });
    }

    private static double rounded(double value) {
        return Math.floor(10 * value + 0.5) / 10;
    }

    private static double[] array(List<Double> values) {
        return values.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
