package org.evenhand.verify;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.season.BloomDates;
import tools.jackson.databind.JsonNode;

/** Whether the interval of the day of bloom keeps its promise over simulated seasons, asked on several days. */
final class BloomCoverageTopic implements Topic {
    private static final LocalDate START = LocalDate.of(2000, 11, 1);
    private static final int HOURS_A_DAY = 24;

    @Override
    public String name() {
        return "bloom-coverage";
    }

    /** How well the seasons were foreseen on one day. */
    private record AsOf(int used, double coverage, double meanError, double score) {}

    @Override
    public Optional<Map<String, Object>> answer(Inputs in) {
        double amplitude = Require.within("hourAmplitudeC", in.number("hourAmplitudeC"), 0, 30);
        Optional<Double> chill = in.optionalNumber("chillPortions");
        Map<String, Object> answer = new HashMap<>();
        for (int day : in.wholes("knownUntilDay")) {
            answer.put(String.valueOf(day), asOf(in, day, amplitude, chill));
        }
        return Optional.of(answer);
    }

    private static AsOf asOf(Inputs in, int day, double amplitude, Optional<Double> chill) {
        int used = 0;
        int inside = 0;
        double error = 0;
        double score = 0;
        for (Inputs season : in.children("seasons")) {
            List<BloomDates.PastSeason> past = new ArrayList<>();
            for (Inputs p : season.children("past")) {
                past.add(new BloomDates.PastSeason(
                        START,
                        START.plusDays(p.whole("bloomDay")),
                        Optional.of(hours(p, amplitude, Integer.MAX_VALUE))));
            }
            Inputs current = season.child("current");
            int truth = current.whole("trueBloomDay");
            double[] known = hours(current, amplitude, day);
            if (truth <= day) {
                continue;
            }
            if (known.length < day * HOURS_A_DAY) {
                throw season.wrong("current.dailyMeanTenthsC", "ends before day " + day);
            }
            BloomDates dates = BloomDates.of(past, START, known, chill)
                    .orElseThrow(() -> season.wrong("past", "has fewer than two years"));
            long low = ChronoUnit.DAYS.between(START, dates.earliest());
            long high = ChronoUnit.DAYS.between(START, dates.latest());
            used++;
            inside += low <= truth && truth <= high ? 1 : 0;
            error += ChronoUnit.DAYS.between(START, dates.expected()) - truth;
            score += high - low + 10.0 * Math.max(0, low - truth) + 10.0 * Math.max(0, truth - high);
        }
        return new AsOf(used, inside / (double) used, error / used, score / used);
    }

    private static double[] hours(Inputs year, double amplitude, int days) {
        List<Double> tenths = year.numbers("dailyMeanTenthsC");
        double[] hours = new double[Math.min(days, tenths.size()) * HOURS_A_DAY];
        for (int h = 0; h < hours.length; h++) {
            hours[h] = tenths.get(h / HOURS_A_DAY) / 10
                    + amplitude * Math.sin(2 * Math.PI * (h % HOURS_A_DAY - 9) / HOURS_A_DAY);
        }
        return hours;
    }

    @Override
    public List<String> judge(JsonNode expected, Map<String, Object> answer, JsonNode tolerance) {
        List<String> misses = new ArrayList<>();
        for (JsonNode bounds : expected.path("asOf")) {
            AsOf got = of(bounds, answer);
            String where = "day " + bounds.path("knownUntilDay").intValue() + ": ";
            Bounds judge = new Bounds(where, misses);
            judge.equal("used", got.used, bounds.path("used").intValue());
            judge.within(
                    "coverage",
                    got.coverage,
                    bounds.path("coverage").path(0).doubleValue(),
                    bounds.path("coverage").path(1).doubleValue());
            judge.within(
                    "mean error",
                    Math.abs(got.meanError),
                    0,
                    bounds.path("meanErrorDaysAtMost").doubleValue());
            judge.within(
                    "interval score",
                    got.score,
                    0,
                    bounds.path("meanIntervalScoreAtMost").doubleValue());
        }
        if (expected.path("asOf").isEmpty()) {
            misses.add("asOf is missing");
        }
        return misses;
    }

    private static AsOf of(JsonNode bounds, Map<String, Object> answer) {
        Object got = answer.get(String.valueOf(bounds.path("knownUntilDay").intValue()));
        if (!(got instanceof AsOf found)) {
            throw new BrokenCaseException("expected.asOf names a day that knownUntilDay does not.");
        }
        return found;
    }

    @Override
    public List<String> report(JsonNode expected, Map<String, Object> answer) {
        List<String> lines = new ArrayList<>();
        for (JsonNode bounds : expected.path("asOf")) {
            AsOf got = of(bounds, answer);
            lines.add(String.format(
                    Locale.ROOT,
                    "day %d: %d seasons, coverage %.3f, mean error %.2f days, interval score %.1f",
                    bounds.path("knownUntilDay").intValue(),
                    got.used,
                    got.coverage,
                    got.meanError,
                    got.score));
        }
        return lines;
    }
}
