package org.evenhand.verify;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code even-hand verify FILE.json…}: one line a file, the differences under it. Ends with 0 when all agree, 1 on a
 * difference, 2 when a file cannot be run.
 */
public final class Verify {
    private static final List<Topic> TOPICS = List.of(
            new FlowerClockTopic(),
            new SunTopic(),
            new VapourTopic(),
            new ChillTopic(),
            new PollenTubeTopic(),
            new IncompatibilityTopic(),
            new PedigreeTopic(),
            new SuspensionTopic(),
            new CropLoadTopic(),
            new RoundPlanTopic(),
            new AllocationTopic(),
            new StatisticsTopic(),
            new SurvivalTopic());

    private final PrintStream out;

    Verify(PrintStream out) {
        this.out = out;
    }

    public static void main(String[] files) {
        System.exit(new Verify(System.out).run(files));
    }

    /** Runs every file and returns the exit code; a broken file does not keep the others from running. */
    int run(String... files) {
        if (files.length == 0) {
            out.println("Name at least one file of reference cases: even-hand verify FILE.json...");
            return 2;
        }
        int worst = 0;
        for (String file : files) {
            try {
                worst = Math.max(worst, runFile(Path.of(file)));
            } catch (BrokenCaseException e) {
                out.println(file + ": " + e.getMessage());
                worst = 2;
            }
        }
        return worst;
    }

    private int runFile(Path file) {
        JsonNode document = read(file);
        String name = document.path("topic").asString("");
        Topic topic = TOPICS.stream()
                .filter(t -> t.name().equals(name))
                .findFirst()
                .orElseThrow(() -> new BrokenCaseException("the topic '" + name + "' is not known; known are "
                        + TOPICS.stream().map(Topic::name).collect(Collectors.joining(", ")) + "."));
        Tally tally = new Tally();
        JsonNode cases = document.path("cases");
        if (!cases.isArray() || cases.isEmpty()) {
            throw new BrokenCaseException("has no list of cases.");
        }
        for (JsonNode single : cases) {
            runCase(topic, single, tally);
        }
        return tally.print(out, name);
    }

    private static JsonNode read(Path file) {
        try {
            return JsonMapper.shared().readTree(Files.readString(file));
        } catch (IOException e) {
            throw new BrokenCaseException("cannot be read: " + e.getMessage());
        } catch (JacksonException e) {
            throw new BrokenCaseException("is not JSON: " + e.getOriginalMessage() + " (line "
                    + e.getLocation().getLineNr() + ", column "
                    + e.getLocation().getColumnNr() + ").");
        }
    }

    private static void runCase(Topic topic, JsonNode single, Tally tally) {
        String name = single.path("name").asString(single.path("id").asString("(no name)"));
        String where = "case " + name;
        if (!single.path("inputs").isObject() || !single.path("expected").isObject()) {
            throw new BrokenCaseException(where + " needs 'inputs' and 'expected', each a map.");
        }
        Inputs inputs = new Inputs(where, single.path("inputs"));
        try {
            Optional<Map<String, Object>> answer = topic.answer(inputs);
            if (answer.isEmpty()) {
                tally.notCovered.merge(inputs.text("mode"), 1, Integer::sum);
                return;
            }
            JsonNode expected = topic.offersSomeReadings()
                    ? offered(single.path("expected"), answer.get(), where)
                    : single.path("expected");
            tally.add(name, Comparison.differences(expected, answer.get(), single.path("tolerance")));
        } catch (InvalidInputException e) {
            tally.add(name, List.of("the core refuses the inputs: " + e.getMessage()));
        }
    }

    /** The expected readings that the answer offers. */
    private static JsonNode offered(JsonNode expected, Map<String, Object> answer, String where) {
        ObjectNode offered = JsonMapper.shared().createObjectNode();
        expected.properties().stream()
                .filter(e -> answer.containsKey(e.getKey()))
                .forEach(e -> offered.set(e.getKey(), e.getValue()));
        if (offered.isEmpty()) {
            throw new BrokenCaseException(
                    where + " expects none of the readings that the core offers: " + answer.keySet());
        }
        return offered;
    }

    /** Counts of one file. */
    private static final class Tally {
        private int passed;
        private final List<String> misses = new ArrayList<>();
        private final Map<String, Integer> notCovered = new TreeMap<>();
        private int failed;

        void add(String name, List<String> differences) {
            if (differences.isEmpty()) {
                passed++;
                return;
            }
            failed++;
            differences.forEach(d -> misses.add("  " + name + ", " + d));
        }

        int print(PrintStream out, String topic) {
            out.println(topic + ": " + passed + " passed, " + failed + " failed" + left());
            misses.forEach(out::println);
            return failed == 0 ? 0 : 1;
        }

        private String left() {
            if (notCovered.isEmpty()) {
                return "";
            }
            int all = notCovered.values().stream().mapToInt(Integer::intValue).sum();
            return "; " + all + " not run, the core does not compute them: " + notCovered.keySet();
        }
    }
}
