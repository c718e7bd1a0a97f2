package org.evenhand.verify;

import java.io.IOException;
import java.io.InputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.evenhand.core.InvalidInputException;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * The command {@code even-hand verify FILE.json…}: one line a file, differences and broken cases under it. Ends with 0 when all agree, 1
 * on a difference, 2 when a file or a case cannot be run; never in a stack trace. {@code --schema TOPIC} prints a topic's inputs with
 * their units and an example.
 */
public final class Verify {
    private static final int MISSED = 1;
    private static final int BROKEN = 2;

    static final List<Topic> TOPICS = List.of(
            new FlowerClockTopic(),
            new FlowerForecastTopic(),
            new ForecastCoverageTopic(),
            new BloomCoverageTopic(),
            new SunTopic(),
            new VapourTopic(),
            new ChillTopic(),
            new PollenTubeTopic(),
            new IncompatibilityTopic(),
            new PedigreeTopic(),
            new CrossEvidenceTopic(),
            new SuspensionTopic(),
            new FlowerTrialTopic(),
            new CropLoadTopic(),
            new SeedBudgetTopic(),
            new NurseryTopic(),
            new RoundPlanTopic(),
            new VisitPlanTopic(),
            new AllocationTopic(),
            new WalkingOrderTopic(),
            new StatisticsTopic(),
            new TrialPowerTopic(),
            new SurvivalTopic());

    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            // Amounts are computed exactly as they are written.
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .build();

    private final PrintStream out;

    Verify(PrintStream out) {
        this.out = out;
    }

    public static void main(String[] arguments) {
        System.exit(new Verify(System.out).run(arguments));
    }

    /** Runs every file and returns the exit code; a broken file or case does not keep the others from running. */
    int run(String... arguments) {
        if (arguments.length == 0) {
            out.println("Name at least one file of reference cases: even-hand verify FILE.json...");
            out.println("Or ask what a topic wants: even-hand verify --schema TOPIC; topics are " + names() + ".");
            return BROKEN;
        }
        if (arguments[0].equals("--schema")) {
            return schema(arguments);
        }
        int worst = 0;
        for (String file : arguments) {
            try {
                worst = Math.max(worst, runFile(file));
            } catch (BrokenCaseException e) {
                out.println(file + ": " + e.getMessage());
                worst = BROKEN;
            } catch (RuntimeException e) {
                out.println(file + ": cannot be run: " + sentence(e));
                worst = BROKEN;
            }
        }
        return worst;
    }

    private int schema(String... arguments) {
        if (arguments.length != 2 || TOPICS.stream().noneMatch(t -> t.name().equals(arguments[1]))) {
            out.println("Name one topic: even-hand verify --schema TOPIC; topics are " + names() + ".");
            return BROKEN;
        }
        out.print(schemaOf(arguments[1]));
        return 0;
    }

    static String schemaOf(String topic) {
        try (InputStream in = Verify.class.getResourceAsStream("/topics/" + topic + ".txt")) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new BrokenCaseException("the description of " + topic + " cannot be read.");
        }
    }

    private static String names() {
        return TOPICS.stream().map(Topic::name).collect(Collectors.joining(", "));
    }

    private int runFile(String file) {
        JsonNode document = read(Path.of(file));
        String name = document.path("topic").asString("");
        Topic topic = TOPICS.stream()
                .filter(t -> t.name().equals(name))
                .findFirst()
                .orElseThrow(() ->
                        new BrokenCaseException("the topic '" + name + "' is not known; known are " + names() + "."));
        JsonNode cases = document.path("cases");
        if (!cases.isArray() || cases.isEmpty()) {
            throw new BrokenCaseException("has no list of cases.");
        }
        Tally tally = new Tally();
        for (JsonNode single : cases) {
            runCase(file, topic, single, tally);
        }
        return tally.print(out, name);
    }

    private static JsonNode read(Path file) {
        try {
            return JSON.readTree(Files.readString(file));
        } catch (IOException e) {
            throw new BrokenCaseException("cannot be read: " + e.getMessage());
        } catch (JacksonException e) {
            throw new BrokenCaseException("is not JSON: " + e.getOriginalMessage() + " (line "
                    + e.getLocation().getLineNr() + ", column "
                    + e.getLocation().getColumnNr() + ").");
        }
    }

    private static void runCase(String file, Topic topic, JsonNode single, Tally tally) {
        String name = single.path("name").asString(single.path("id").asString("(no name)"));
        String where = "case " + name;
        boolean refusalWanted = wantsRefusal(single.path("expected"));
        try {
            JsonNode expected = checked(where, single);
            Inputs inputs = new Inputs(where, single.path("inputs"));
            Map<String, Object> answer = topic.answer(inputs)
                    .orElseThrow(() -> new BrokenCaseException(where + ", inputs.mode is not one that is computed; see"
                            + " even-hand verify --schema " + topic.name() + "."));
            inputs.refuseUnused();
            topic.report(expected, answer).forEach(line -> tally.reports.add("  " + name + ", " + line));
            JsonNode compared = topic.offersSomeReadings() ? offered(expected, answer, where) : expected;
            tally.add(name, topic.judge(compared, answer, single.path("tolerance")));
        } catch (BrokenCaseException e) {
            tally.refused(name, file + ": " + e.getMessage(), refusalWanted);
        } catch (InvalidInputException e) {
            tally.refused(name, file + ": " + where + ", inputs: " + e.getMessage(), refusalWanted);
        } catch (RuntimeException e) {
            // Whatever a case holds ends in a sentence; that it came this far is a fault of ours, but no reason to hide
            // the others.
            tally.refused(name, file + ": " + where + " cannot be run: " + sentence(e), refusalWanted);
        }
    }

    /** A case that expects nothing but an error. */
    private static boolean wantsRefusal(JsonNode expected) {
        return expected.size() == 1
                && expected.path("error").isBoolean()
                && expected.path("error").booleanValue();
    }

    private static JsonNode checked(String where, JsonNode single) {
        if (!single.path("inputs").isObject() || !single.path("expected").isObject()) {
            throw new BrokenCaseException(where + " needs 'inputs' and 'expected', each a map.");
        }
        if (single.path("expected").isEmpty()) {
            throw new BrokenCaseException(where + ", expected is empty; with nothing to compare no case passes.");
        }
        Comparison.requireKnownForms(where, single.path("tolerance"));
        return single.path("expected");
    }

    private static String sentence(RuntimeException e) {
        return e.getMessage() == null ? e.getClass().getSimpleName() : e.getMessage();
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
        private final List<String> reports = new ArrayList<>();
        private final List<String> misses = new ArrayList<>();
        private final List<String> broken = new ArrayList<>();
        private int failed;

        void add(String name, List<String> differences) {
            if (differences.isEmpty()) {
                passed++;
                return;
            }
            failed++;
            differences.forEach(d -> misses.add("  " + name + ", " + d));
        }

        void refused(String name, String why, boolean wanted) {
            if (wanted) {
                passed++;
                reports.add("  " + name + " is refused: " + why);
            } else {
                broken.add("  broken: " + why);
            }
        }

        int print(PrintStream out, String topic) {
            out.println(topic + ": " + passed + " passed, " + failed + " failed"
                    + (broken.isEmpty() ? "" : ", " + broken.size() + " broken"));
            reports.forEach(out::println);
            misses.forEach(out::println);
            broken.forEach(out::println);
            return !broken.isEmpty() ? BROKEN : failed > 0 ? MISSED : 0;
        }
    }

    static Optional<Topic> topic(String name) {
        return TOPICS.stream().filter(t -> t.name().equals(name)).findFirst();
    }
}
