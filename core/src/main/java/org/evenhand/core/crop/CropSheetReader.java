package org.evenhand.core.crop;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.evenhand.core.FieldProblem;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/** Reads one crop sheet from YAML and refuses it, naming file and field, when anything is wrong with it. */
public final class CropSheetReader {
    private static final double LONGEST_STAGE_HOURS = 24 * 120;
    private static final double LONGEST_KEEPING_HOURS = 24 * 365 * 20;
    private static final String COLOUR = "#[0-9a-f]{6}";

    private final String file;
    private final List<FieldProblem> problems = new ArrayList<>();

    private CropSheetReader(String file) {
        this.file = file;
    }

    /**
     * @param file name used in messages
     * @param yaml the sheet, UTF-8
     * @throws CropSheetException naming every field that is wrong
     */
    public static CropSheet read(String file, InputStream yaml) {
        return new CropSheetReader(file).read(yaml);
    }

    private CropSheet read(InputStream yaml) {
        SheetNode root = new SheetNode("", parse(yaml), problems);
        CropSheet sheet = sheet(root);
        root.refuseUnknownFields();
        checkWhole(sheet);
        stopOnProblems();
        return sheet;
    }

    private Object parse(InputStream yaml) {
        try {
            Object document =
                    new Load(LoadSettings.builder().setAllowDuplicateKeys(false).build()).loadFromInputStream(yaml);
            if (document instanceof Map<?, ?>) {
                return document;
            }
            problems.add(new FieldProblem("(document)", "must be a map of fields."));
        } catch (YamlEngineException e) {
            problems.add(new FieldProblem("(document)", "is not readable YAML: " + e.getMessage()));
        }
        stopOnProblems();
        throw new IllegalStateException("unreachable: a problem was written down");
    }

    private void stopOnProblems() {
        if (!problems.isEmpty()) {
            throw new CropSheetException(file, problems);
        }
    }

    private CropSheet sheet(SheetNode node) {
        SheetNode temperature = node.child("temperature");
        return new CropSheet(
                node.textMatching("crop", "[a-z][a-z0-9-]*", "lower-case letters, digits and dashes"),
                node.text("name"),
                node.text("scientificName"),
                node.text("summary"),
                temperature.sourced("baseC", -10, 40),
                temperature.sourced("referenceC", 0, 45),
                temperature.sourced("capC", 0, 55),
                node.children("stages", 2).stream().map(this::stage).toList(),
                pollen(node.child("pollen")),
                ownVariety(node.child("ownVariety")),
                node.children("checks", 1).stream().map(this::check).toList(),
                node.texts("cautions"));
    }

    private StageSheet stage(SheetNode node) {
        return new StageSheet(
                node.textMatching("key", "[a-z][a-z0-9-]*", "lower-case letters, digits and dashes"),
                node.text("name"),
                node.text("signs"),
                node.choice("phase", Phase.class, p -> p.name().toLowerCase(Locale.ROOT), Phase.BUD),
                node.sourced("meanHours", 0.1, LONGEST_STAGE_HOURS),
                node.wholeSourced("shape", 1, 64),
                node.optionalChild("gate").map(this::gate),
                node.sourced("receptivity", 0, 1),
                node.sourced("shedding", 0, 1),
                glyph(node.child("glyph")));
    }

    private GateRule gate(SheetNode node) {
        GateRule.Edge opens = edge(node.child("opens"));
        GateRule.Edge closes = edge(node.child("closes"));
        boolean sameAnchor = opens.anchor() == closes.anchor();
        double length = closes.hours().value() - opens.hours().value();
        if (sameAnchor && (length == 0 || (opens.anchor() != GateRule.Anchor.CLOCK && length < 0))) {
            node.problem("", "never opens: it closes at or before the hour it opens.");
        }
        return new GateRule(opens, closes, node.sourced("halfTimeMinutes", 1, 24 * 60));
    }

    private GateRule.Edge edge(SheetNode node) {
        GateRule.Anchor anchor = node.choice(
                "from", GateRule.Anchor.class, a -> a.name().toLowerCase(Locale.ROOT), GateRule.Anchor.CLOCK);
        boolean clock = anchor == GateRule.Anchor.CLOCK;
        return new GateRule.Edge(anchor, node.sourced("hours", clock ? 0 : -12, clock ? 24 : 12));
    }

    private FlowerGlyph glyph(SheetNode node) {
        return new FlowerGlyph(
                node.textMatching("form", "annona", "annona"),
                node.number("spread", 0, 1),
                node.textMatching("petal", COLOUR, "a colour like #9db06a"),
                node.textMatching("edge", COLOUR, "a colour like #6d8043"),
                node.textMatching("dome", "hidden|tight|loose|bare", "hidden, tight, loose or bare"),
                node.flag("dust"));
    }

    private PollenHabit pollen(SheetNode node) {
        Map<Storage, PollenHabit.KeepingHabit> keeping = new EnumMap<>(Storage.class);
        node.child("keeping").entries((key, entry) -> {
            Optional<Storage> storage = storage(key);
            if (storage.isEmpty()) {
                entry.problem("", "is not a known storage; known are room, fridge, fridge-desiccant, freezer.");
            }
            PollenHabit.KeepingHabit habit = new PollenHabit.KeepingHabit(
                    entry.sourced("halfLifeHours", 0.1, LONGEST_KEEPING_HOURS),
                    entry.sourced("temperatureC", -90, 40),
                    entry.optionalChild("spoilsAfterHours").map(n -> n.asSourced(1, LONGEST_KEEPING_HOURS)));
            storage.ifPresent(s -> keeping.put(s, habit));
            return habit;
        });
        if (keeping.isEmpty()) {
            node.problem("keeping", "must name at least one storage.");
        }
        return new PollenHabit(
                node.sourced("dosesPerFlower", 0.05, 500),
                node.sourced("freshViability", 0.01, 1),
                node.sourced("q10", 1, 10),
                keeping);
    }

    private static Optional<Storage> storage(String key) {
        return java.util.Arrays.stream(Storage.values())
                .filter(s -> s.key().equals(key))
                .findFirst();
    }

    private OwnVariety ownVariety(SheetNode node) {
        OwnVariety rule = new OwnVariety(node.flag("serves"), node.sourced("worth", 0, 1), node.text("why"));
        if (rule.serves() == (rule.worth().value() == 0)) {
            node.problem("worth.value", "must be 0 when it does not serve, and more than 0 when it does.");
        }
        return rule;
    }

    private CheckDay check(SheetNode node) {
        return new CheckDay(node.wholeSourced("day", 1, 400), node.text("name"), node.text("lookFor"));
    }

    private void checkWhole(CropSheet sheet) {
        checkTemperatures(sheet);
        checkStages(sheet);
        for (int i = 1; i < sheet.checks().size(); i++) {
            if (sheet.checks().get(i).days() <= sheet.checks().get(i - 1).days()) {
                problems.add(
                        new FieldProblem("checks[" + i + "].day.value", "must be later than the check before it."));
            }
        }
    }

    private void checkTemperatures(CropSheet sheet) {
        double base = sheet.baseTemperatureC().value();
        double reference = sheet.referenceTemperatureC().value();
        double cap = sheet.capTemperatureC().value();
        if (!(base < reference && reference <= cap)) {
            problems.add(new FieldProblem(
                    "temperature",
                    "must rise from baseC (" + base + ") over referenceC (" + reference + ") to capC (" + cap + ")."));
        }
    }

    private void checkStages(CropSheet sheet) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < sheet.stages().size(); i++) {
            StageSheet stage = sheet.stages().get(i);
            String at = "stages[" + i + "]";
            if (!seen.add(stage.key())) {
                problems.add(new FieldProblem(at + ".key", "'" + stage.key() + "' stands there twice."));
            }
            if (stage.phase().takes() != stage.receptivity().value() > 0) {
                problems.add(new FieldProblem(
                        at + ".receptivity.value", "must be more than 0 in a female stage and 0 in any other."));
            }
            if (stage.phase().gives() != stage.shedding().value() > 0) {
                problems.add(new FieldProblem(
                        at + ".shedding.value", "must be more than 0 in a male stage and 0 in any other."));
            }
        }
    }
}
