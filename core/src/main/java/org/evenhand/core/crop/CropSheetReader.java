package org.evenhand.core.crop;

import java.io.InputStream;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;

/**
 * Reads one file of crop sheets from YAML and refuses it, naming file and field, when anything is wrong with it. A file holds one
 * sheet, or one for each flowering type of a species.
 */
final class CropSheetReader {
    private static final double LONGEST_STAGE_HOURS = 24 * 120;
    private static final double LONGEST_KEEPING_HOURS = 24 * 365 * 20;
    private static final String COLOUR = "#[0-9a-f]{6}";
    private static final String KEY = "[a-z][a-z0-9-]*";
    private static final String KEY_RULE = "lower-case letters, digits and dashes";

    private final String file;
    private final SheetNotes notes;

    private CropSheetReader(String file, Map<String, Double> own) {
        this.file = file;
        this.notes = new SheetNotes(own);
    }

    /**
     * @param file name used in messages
     * @param yaml the sheet, UTF-8
     * @param own numbers that replace the file's, by path
     * @return one sheet for each flowering type; one when there are no types
     * @throws CropSheetException naming every field that is wrong
     */
    public static List<CropSheet> read(String file, InputStream yaml, Map<String, Double> own) {
        return new CropSheetReader(file, own).read(yaml);
    }

    private List<CropSheet> read(InputStream yaml) {
        SheetNode root = new SheetNode("", parse(yaml), notes);
        List<SheetNode> types = root.optionalChildren("types");
        List<CropSheet> sheets = new ArrayList<>();
        if (types.isEmpty()) {
            sheets.add(sheet(root, root, Optional.empty()));
        }
        for (SheetNode type : types) {
            sheets.add(sheet(root, type, Optional.of(type.textMatching("type", KEY, KEY_RULE))));
        }
        root.refuseUnknownFields();
        notes.refuseStrayNumbers();
        sheets.forEach(
                sheet -> new SheetRules(sheet, sheet.type().isEmpty() ? "" : path(sheets, sheet), notes).check());
        stopOnProblems();
        return sheets.stream().map(s -> withNumbers(s, sheets)).toList();
    }

    private static String path(List<CropSheet> sheets, CropSheet sheet) {
        return "types[" + sheets.indexOf(sheet) + "].";
    }

    private Object parse(InputStream yaml) {
        try {
            Object document =
                    new Load(LoadSettings.builder().setAllowDuplicateKeys(false).build()).loadFromInputStream(yaml);
            if (document instanceof Map<?, ?>) {
                return document;
            }
            notes.problem("(document)", "must be a map of fields.");
        } catch (YamlEngineException e) {
            notes.problem("(document)", "is not readable YAML: " + e.getMessage());
        }
        stopOnProblems();
        throw new IllegalStateException("unreachable: a problem was written down");
    }

    private void stopOnProblems() {
        if (!notes.problems().isEmpty()) {
            throw new CropSheetException(file, notes.problems());
        }
    }

    /** The sheet with the numbers that are its own: those of the file, less those of the other types. */
    private CropSheet withNumbers(CropSheet s, List<CropSheet> sheets) {
        List<SheetNumber> numbers = notes.numbers().stream()
                .filter(n -> !n.path().startsWith("types[") || n.path().startsWith(path(sheets, s)))
                .toList();
        return new CropSheet(
                s.key(),
                s.crop(),
                s.type(),
                s.name(),
                s.scientificName(),
                s.pollenGroup(),
                s.summary(),
                s.baseTemperatureC(),
                s.referenceTemperatureC(),
                s.capTemperatureC(),
                s.stages(),
                s.flowerKey(),
                s.pollen(),
                s.ownVariety(),
                s.mating(),
                s.hand(),
                s.workHours(),
                s.season(),
                s.pollinationPeriod(),
                s.load(),
                s.cross(),
                s.fruit(),
                s.seeds(),
                s.checks(),
                s.schools(),
                s.cautions(),
                s.protectedSpecies(),
                numbers);
    }

    /** @param flowering holds the stages and the signs: the file itself, or one of its types */
    private CropSheet sheet(SheetNode node, SheetNode flowering, Optional<String> type) {
        SheetNode temperature = node.child("temperature");
        String crop = node.textMatching("crop", KEY, KEY_RULE);
        String name = node.text("name");
        List<StageSheet> stages =
                flowering.children("stages", 2).stream().map(this::stage).toList();
        return new CropSheet(
                type.map(t -> crop + "-" + t).orElse(crop),
                crop,
                type,
                type.isPresent() ? name + ", " + flowering.text("name") : name,
                node.text("scientificName"),
                node.optionalText("pollenGroup").orElse(crop),
                node.text("summary"),
                temperature.sourced("baseC", -10, 40),
                temperature.sourced("referenceC", 0, 45),
                temperature.sourced("capC", 0, 55),
                stages,
                flowerKey(flowering, stages.size()),
                pollen(node.child("pollen"), node.optionalChild("suspension").map(this::suspension)),
                ownVariety(node.child("ownVariety")),
                mating(node.child("mating")),
                hand(node.child("hand")),
                workHours(node),
                season(node.child("season")),
                node.optionalChild("pollinationPeriod").map(this::pollinationPeriod),
                node.optionalChild("load").map(this::load),
                node.optionalChild("cross").map(this::cross).filter(c -> anyReceives(stages)),
                node.optionalChild("fruit").map(this::fruit),
                node.optionalChild("seeds").map(this::seeds),
                node.children("checks", 1).stream().map(this::check).toList(),
                node.children("schools", 0).stream().map(this::school).toList(),
                node.texts("cautions"),
                node.optionalFlag("protectedSpecies"),
                List.of());
    }

    private StageSheet stage(SheetNode node) {
        return new StageSheet(
                node.textMatching("key", KEY, KEY_RULE),
                node.text("name"),
                node.text("signs"),
                node.choice("phase", Phase.class, SheetNode::lower, Phase.BUD),
                node.sourced("meanHours", 0.1, LONGEST_STAGE_HOURS),
                node.wholeSourced("shape", 1, 64),
                node.optionalSourced("bbch", 0, 99),
                node.optionalChild("gate").map(this::gate),
                node.optionalSourced("receptivity", 0, 1).orElse(Sourced.practice(0)),
                node.optionalSourced("shedding", 0, 1).orElse(Sourced.practice(0)),
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
        return new GateRule(opens, closes, node.sourced("halfTimeMinutes", 1, 24 * 60), node.optionalFlag("commits"));
    }

    private GateRule.Edge edge(SheetNode node) {
        GateRule.Anchor anchor = node.choice("from", GateRule.Anchor.class, SheetNode::lower, GateRule.Anchor.CLOCK);
        boolean clock = anchor == GateRule.Anchor.CLOCK;
        return new GateRule.Edge(anchor, node.sourced("hours", clock ? 0 : -12, clock ? 24 : 12));
    }

    private FlowerGlyph glyph(SheetNode node) {
        return new FlowerGlyph(
                node.choice("form", FlowerGlyph.Form.class, SheetNode::lower, FlowerGlyph.Form.ANNONA),
                node.number("spread", 0, 1),
                node.textMatching("petal", COLOUR, "a colour like #9db06a"),
                node.textMatching("edge", COLOUR, "a colour like #6d8043"),
                node.optionalText("accent").isPresent()
                        ? node.textMatching("accent", COLOUR, "a colour like #d99a10")
                        : "#d99a10",
                node.textMatching("dome", "hidden|tight|loose|bare", "hidden, tight, loose or bare"),
                node.flag("dust"));
    }

    private FlowerKey flowerKey(SheetNode node, int stages) {
        return new FlowerKey(
                node.children("look", 1).stream().map(n -> sign(n, stages)).toList(),
                node.children("mistakes", 0).stream()
                        .map(n -> new FlowerKey.Mistake(n.text("stage"), n.text("takenFor"), n.text("say")))
                        .toList());
    }

    private FlowerKey.Sign sign(SheetNode node, int stages) {
        return new FlowerKey.Sign(
                node.textMatching("sign", KEY, KEY_RULE),
                node.text("ask"),
                node.choice("basis", Basis.class, SheetNode::lower, Basis.MEMORY),
                node.children("answers", 2).stream()
                        .map(n -> new FlowerKey.Answer(
                                n.textMatching("key", KEY, KEY_RULE), n.text("name"), n.shares("likely", stages)))
                        .toList());
    }

    private PollenTraits pollen(SheetNode node, Optional<SuspensionTraits> suspension) {
        Map<Storage, PollenTraits.StorageTraits> keeping = new EnumMap<>(Storage.class);
        node.child("keeping").entries((key, entry) -> {
            Optional<Storage> storage = storage(key);
            if (storage.isEmpty()) {
                entry.problem("", "is not a known storage; known are room, fridge, fridge-desiccant, freezer.");
            }
            PollenTraits.StorageTraits traits = new PollenTraits.StorageTraits(
                    entry.sourced("halfLifeHours", 0.1, LONGEST_KEEPING_HOURS),
                    entry.sourced("temperatureC", -90, 40),
                    entry.optionalSourced("spoilsAfterHours", 1, LONGEST_KEEPING_HOURS));
            storage.ifPresent(s -> keeping.put(s, traits));
            return traits;
        });
        if (keeping.isEmpty()) {
            node.problem("keeping", "must name at least one storage.");
        }
        return new PollenTraits(
                node.sourced("dosesPerFlower", 0.05, 500),
                node.sourced("freshViability", 0.01, 1),
                node.sourced("q10", 1, 10),
                node.choices("collect", CollectionMethod.class, CollectionMethod.TAP),
                node.optionalText("whenThere"),
                node.sourced("dryHours", 0.1, 24 * 30),
                node.optionalSourced("freshUseHours", 0.1, 24 * 7),
                node.sourced("dampShutHours", 1, 24 * 30),
                node.sourced("agesDrying", 0, 1),
                node.optionalSourced("lidHalfLifeHours", 0.1, LONGEST_KEEPING_HOURS),
                node.sourced("dampHalfLifeHours", 0.1, LONGEST_KEEPING_HOURS),
                keeping,
                suspension);
    }

    private SuspensionTraits suspension(SheetNode node) {
        return new SuspensionTraits(
                node.sourced("sugarPercent", 0, 60),
                node.sourced("pollenMgPerMl", 0.001, 100),
                node.sourced("doseMl", 0.001, 100),
                node.sourced("waste", 0, 0.95),
                node.sourced("keepsHours", 0.1, 240),
                node.texts("notes"),
                node.optionalChild("sizeWindow").map(CropSheetReader::sizeWindow));
    }

    private static SuspensionTraits.SizeWindow sizeWindow(SheetNode node) {
        SuspensionTraits.SizeWindow window = new SuspensionTraits.SizeWindow(
                node.sourced("rightFromMm", 1, 200), node.sourced("lateFromMm", 1, 200));
        if (!(window.rightFromMm().value() < window.lateFromMm().value())) {
            node.problem("lateFromMm", "must be larger than rightFromMm.");
        }
        return window;
    }

    private static MatingTraits mating(SheetNode node) {
        return new MatingTraits(
                node.choice("alleles", MatingTraits.Alleles.class, SheetNode::lower, MatingTraits.Alleles.NONE),
                node.wholeSourced("ploidy", 1, 12),
                node.optionalChildren("kin").stream()
                        .map(n -> new MatingTraits.Kin(
                                n.textMatching("pollenOf", KEY, KEY_RULE), n.sourced("worth", 0, 1), n.text("why")))
                        .toList(),
                node.texts("cleanBetween"));
    }

    private static Optional<Storage> storage(String key) {
        return java.util.Arrays.stream(Storage.values())
                .filter(s -> s.key().equals(key))
                .findFirst();
    }

    private OwnVariety ownVariety(SheetNode node) {
        OwnVariety rule = new OwnVariety(node.flag("serves"), node.sourced("worth", 0, 1), node.text("why"));
        if (rule.serves() == (rule.compatibilityFactor().value() == 0)) {
            node.problem("worth", "must be 0 when it does not serve, and more than 0 when it does.");
        }
        return rule;
    }

    private HandWorkTraits hand(SheetNode node) {
        return new HandWorkTraits(
                node.flag("selfFertile"),
                node.optionalSourced("dryAirKpa", 0.1, 8),
                node.text("visitors"),
                node.text("strokes"),
                node.optionalTexts("handling"),
                node.optionalSourced("passes", 2, 9),
                node.optionalFlag("flowerToFlower"),
                node.texts("tools"),
                node.children("marks", 1).stream()
                        .map(n -> new Mark(
                                n.text("name"),
                                n.text("how"),
                                n.choice("lasts", Mark.Lasts.class, SheetNode::lower, Mark.Lasts.PETALS)))
                        .toList());
    }

    private List<WorkWindow> workHours(SheetNode node) {
        List<WorkWindow> told = node.optionalChildren("workHours").stream()
                .map(n -> new WorkWindow(edge(n.child("opens")), edge(n.child("closes"))))
                .toList();
        return told.isEmpty() ? List.of(WorkWindow.DAYLIGHT) : told;
    }

    private SeasonTraits season(SheetNode node) {
        return new SeasonTraits(
                node.optionalSourced("afterLeafOutWeeks", 0, 40),
                node.sourced("roundEveryDays", 0.5, 60),
                node.text("rhythm"),
                node.sourced("bloomDays", 1, 365),
                node.optionalSourced("chillPortions", 1, 150),
                node.optionalSourced("warmEnoughC", 0, 30));
    }

    private PollinationPeriod pollinationPeriod(SheetNode node) {
        return new PollinationPeriod(node.sourced("ovuleDays", 0.5, 60), node.sourced("stigmaDays", 0.5, 60));
    }

    private CropLoadTraits load(SheetNode node) {
        return new CropLoadTraits(
                node.sourced("fruitsPerCm2", 0.001, 100),
                node.sourced("youngUntilYears", 0, 15),
                node.sourced("twigMm", 1, 60),
                node.sourced("setShare", 0.001, 1));
    }

    private FruitTraits fruit(SheetNode node) {
        return new FruitTraits(
                node.sourced("numberAtDays", 1, 1000),
                node.sourced("ripeAtDays", 1, 1000),
                node.optionalSourced("setShare", 0.001, 1),
                node.optionalSourced("naturalDrop", 0, 0.999),
                node.optionalFlag("swellsUnpollinated"));
    }

    private SeedTraits seeds(SheetNode node) {
        SeedTraits traits = new SeedTraits(
                node.flag("keptMoist"),
                node.sourced("keepMonths", 0.1, 600),
                node.optionalSourced("coldWeeks", 1, 52),
                node.optionalSourced("coldC", -5, 15),
                node.optionalChild("sowMonth").isPresent()
                        ? Optional.of(node.wholeSourced("sowMonth", 1, 12))
                        : Optional.empty(),
                node.sourced("germinateWeeks", 1, 104),
                node.sourced("potWeeks", 1, 104),
                node.sourced("plantMonths", 0, 60),
                node.sourced("germinates", 0.001, 0.999),
                node.sourced("reachesPot", 0.001, 0.999),
                node.sourced("reachesFruit", 0.001, 0.999),
                node.sourced("fruitYears", 0.5, 40),
                node.optionalSourced("graftedFruitYears", 0.5, 40));
        if (traits.coldWeeks().isPresent() != traits.coldC().isPresent()) {
            node.problem("coldC", "must stand beside coldWeeks, and only there.");
        }
        return traits;
    }

    private CrossTraits cross(SheetNode node) {
        CrossTraits traits = new CrossTraits(
                node.textMatching("prepareAt", KEY, KEY_RULE),
                node.wholeSourced("keep", 1, 20),
                node.optionalSourced("cluster", 2, 60),
                node.optionalText("thin"),
                node.optionalText("emasculate"),
                node.text("bag"),
                node.sourced("atOnce", 0, 1),
                node.sourced("ripeAfterHours", 0, 24 * 14),
                node.sourced("lastsHours", 1, 24 * 30),
                node.wholeSourced("bagOffDays", 1, 200),
                node.sourced("setShare", 0.001, 1),
                node.sourced("seeds", 0.01, 10_000),
                node.wholeSourced("ovules", 1, 10_000));
        if (!(traits.ripeAfterHours().value() < traits.lastsHours().value())) {
            node.problem("lastsHours", "must be more than ripeAfterHours.");
        }
        if (traits.seeds().value() > traits.ovules().value()) {
            node.problem("seeds", "must not be more than ovules.");
        }
        return traits;
    }

    private static boolean anyReceives(List<StageSheet> stages) {
        return stages.stream().anyMatch(s -> s.phase().receives());
    }

    private CheckDay check(SheetNode node) {
        return new CheckDay(node.wholeSourced("day", 1, 400), node.text("name"), node.text("lookFor"));
    }

    private School school(SheetNode node) {
        return new School(
                node.text("question"),
                node.text("one"),
                node.text("other"),
                node.text("ours"),
                node.text("why"),
                node.optionalChild("sets")
                        .map(n ->
                                new School.Choice(n.text("path"), n.number("one", 0, 1e6), n.number("other", 0, 1e6))));
    }
}
