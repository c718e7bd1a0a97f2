package org.evenhand;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.UUID;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Requests made up from the description of the API, well-typed, mistyped and hostile: none is answered with a failure of ours, none says
 * what only we should know, and each refusal is a problem detail. As many as {@code -Devenhand.fuzz} says.
 */
class FuzzTest {
    private static final int REQUESTS = Integer.getInteger("evenhand.fuzz", 2_000);
    private static final long SEED = Long.getLong("evenhand.fuzz.seed", 11);

    /** These end the caller's own session or membership, or print; they are tried one by one in other tests. */
    private static final Pattern APART =
            Pattern.compile("/api/(session|account|people|orchards|setup|join|records|printer)(/.*)?");

    /** What only we should know. */
    private static final Pattern LEAKS =
            Pattern.compile("org\\.|java\\.|jakarta|hibernate|SQLState|PSQL|ERROR:|at line|Exception");

    private static final String[] TEXTS = {
        "",
        " ",
        "Lantern",
        "a".repeat(5_000),
        "'; drop table tree; --",
        "<script>alert(1)</script>",
        "\u202Eabc",
        "äöü€🍎",
        "..",
        "%00",
        "../../etc/passwd",
        "null",
        "NaN",
        "=1+1",
        "\\",
        "{}",
        "2026-11-24",
        "2026-11-24T03:00:00Z",
        "+999999999-12-31",
        "-1000000000-01-01T00:00:00Z",
        "PT1H",
        "a\u0000b",
        "\r\n\r\n"
    };
    private static final String[] NUMBERS = {
        "0",
        "1",
        "-1",
        "3",
        "7.5",
        "1e9",
        "1e308",
        "-1e308",
        "1e999999999",
        "1e-999999999",
        "2147483648",
        "9223372036854775808",
        "0.1"
    };

    private final TestServer server = TestServer.get();
    private final Api api = server.newOrchard();
    private final Random random = new Random(SEED);
    private final List<String> ids = new ArrayList<>();
    private JsonNode description;

    @Test
    void nothing_that_is_sent_breaks_it_or_makes_it_talk() {
        description = api.get("/v3/api-docs").expect(200).body();
        records();
        List<String> operations = new ArrayList<>();
        description
                .path("paths")
                .propertyStream()
                .forEach(path -> path.getValue().propertyNames().forEach(method -> {
                    if (!APART.matcher(path.getKey()).matches()) {
                        operations.add(method.toUpperCase(java.util.Locale.ROOT) + " " + path.getKey());
                    }
                }));
        List<String> wrong = new ArrayList<>();
        Map<Integer, Integer> answers = new LinkedHashMap<>();
        for (int i = 0; i < REQUESTS && wrong.size() < 20; i++) {
            String operation = operations.get(i % operations.size());
            String said = one(operation, answers);
            if (said != null) {
                wrong.add(said);
            }
        }
        assertThat(wrong).as("seed %d, answers %s", SEED, answers).isEmpty();
        assertThat(answers.getOrDefault(200, 0))
                .as("that something is let through: %s", answers)
                .isGreaterThan(REQUESTS / 20);
    }

    private void records() {
        String variety = api.variety("Lantern");
        String tree = api.tree(variety, "Lantern 1");
        String reading = api.read(tree, TestServer.NOW, Map.of("shedding", 3)).id();
        String lot = api.lot(tree, TestServer.NOW, 9).id();
        String other = api.tree(api.variety("Pale Ridge"), "Pale Ridge 1");
        ids.addAll(List.of(
                variety,
                tree,
                reading,
                lot,
                other,
                api.pollinate(other, lot, 2, TestServer.NOW).id()));
    }

    /** @return what is wrong with the answer; null for nothing */
    private String one(String operation, Map<Integer, Integer> answers) {
        String method = operation.split(" ")[0];
        String template = operation.split(" ")[1];
        JsonNode described = description.path("paths").path(template).path(method.toLowerCase(java.util.Locale.ROOT));
        String path = path(template, described);
        JsonNode schema = described
                .path("requestBody")
                .path("content")
                .path("application/json")
                .path("schema");
        String body = schema.isMissingNode() ? "" : json(schema, 0);
        Api.Answer answer = switch (method) {
            case "GET" -> api.get(path);
            case "DELETE" -> api.delete(path);
            case "PUT" -> api.putText(path, body);
            default -> api.postText(path, body);
        };
        answers.merge(answer.status(), 1, Integer::sum);
        String asked = method + " " + path + " " + body.substring(0, Math.min(body.length(), 400));
        if (answer.status() >= 500) {
            return answer.status() + " to " + asked + ": " + answer.raw().body();
        }
        String type = answer.raw().headers().firstValue("Content-Type").orElse("");
        if (answer.status() >= 400) {
            if (!type.contains("problem+json")) {
                return answer.status() + " without a problem to " + asked + ": "
                        + answer.raw().body();
            }
            String detail =
                    answer.body().path("detail").asString("") + answer.body().path("errors");
            return LEAKS.matcher(detail.replace(body, "")).find() ? "leaks to " + asked + ": " + detail : null;
        }
        return null;
    }

    private String path(String template, JsonNode described) {
        StringBuilder query = new StringBuilder();
        String path = template;
        for (JsonNode parameter : described.path("parameters")) {
            String name = parameter.path("name").asString();
            String value = text(parameter.path("schema"));
            if (parameter.path("in").asString().equals("path")) {
                String fit = value.isBlank() || value.matches("[.]+") ? newOrKnown() : value;
                path = path.replace("{" + name + "}", encoded(fit));
            } else if (parameter.path("required").asBoolean() || random.nextBoolean()) {
                query.append(query.isEmpty() ? '?' : '&')
                        .append(name)
                        .append('=')
                        .append(encoded(value));
            }
        }
        return path + query;
    }

    private static String encoded(String value) {
        return URLEncoder.encode(value, StandardCharsets.UTF_8).replace("+", "%20");
    }

    private String newOrKnown() {
        return random.nextBoolean() ? Api.newId() : ids.get(random.nextInt(ids.size()));
    }

    /** A value of a parameter, without quotes. */
    private String text(JsonNode schema) {
        return json(schema, 0).replaceAll("^\"|\"$", "").replace("\\u0000", "\u0000");
    }

    private String json(JsonNode given, int depth) {
        JsonNode schema = given;
        if (schema.has("$ref")) {
            String ref = schema.path("$ref").asString();
            schema = description.path("components").path("schemas").path(ref.substring(ref.lastIndexOf('/') + 1));
        }
        // One place in eight holds something of another kind.
        if (random.nextInt(8) == 0) {
            return hostile();
        }
        if (schema.has("enum")) {
            return quoted(schema.path("enum")
                    .get(random.nextInt(schema.path("enum").size()))
                    .asString());
        }
        return switch (schema.path("type").asString("object")) {
            case "string" -> string(schema.path("format").asString(""));
            case "integer", "number" ->
                random.nextInt(3) > 0 ? String.valueOf(random.nextInt(40)) : NUMBERS[random.nextInt(NUMBERS.length)];
            case "boolean" -> String.valueOf(random.nextBoolean());
            case "array" -> array(schema.path("items"), depth);
            default -> object(schema, depth);
        };
    }

    private String array(JsonNode items, int depth) {
        List<String> all = new ArrayList<>();
        int size = depth > 5 ? 0 : random.nextInt(3);
        for (int i = 0; i < size; i++) {
            all.add(json(items, depth + 1));
        }
        return "[" + String.join(",", all) + "]";
    }

    private String object(JsonNode schema, int depth) {
        List<String> fields = new ArrayList<>();
        List<String> required = new ArrayList<>();
        schema.path("required").forEach(r -> required.add(r.asString()));
        schema.path("properties").propertyStream().forEach(property -> {
            boolean must = required.contains(property.getKey());
            if (depth < 6 && (must ? random.nextInt(20) > 0 : random.nextBoolean())) {
                fields.add(quoted(property.getKey()) + ":" + json(property.getValue(), depth + 1));
            }
        });
        if (schema.path("properties").isEmpty() && random.nextBoolean()) {
            fields.add(quoted(random.nextBoolean() ? "parted" : TEXTS[random.nextInt(TEXTS.length)]) + ":"
                    + NUMBERS[random.nextInt(NUMBERS.length)]);
        }
        return "{" + String.join(",", fields) + "}";
    }

    private String string(String format) {
        if (random.nextInt(5) == 0) {
            return quoted(TEXTS[random.nextInt(TEXTS.length)]);
        }
        return quoted(
                switch (format) {
                    case "uuid" -> newOrKnown();
                    case "date" -> "2026-11-" + (10 + random.nextInt(20));
                    case "date-time" -> "2026-11-" + (10 + random.nextInt(14)) + "T0" + random.nextInt(9) + ":00:00Z";
                    default ->
                        new String[] {
                                    "cherimoya",
                                    "Lantern",
                                    "North",
                                    UUID.randomUUID().toString()
                                }
                                [random.nextInt(4)];
                });
    }

    private String hostile() {
        return switch (random.nextInt(6)) {
            case 0 -> "null";
            case 1 -> "[]";
            case 2 -> "{}";
            case 3 -> NUMBERS[random.nextInt(NUMBERS.length)];
            case 4 -> "true";
            default -> quoted(TEXTS[random.nextInt(TEXTS.length)]);
        };
    }

    private static String quoted(String text) {
        return tools.jackson.databind.json.JsonMapper.shared().writeValueAsString(text);
    }
}
