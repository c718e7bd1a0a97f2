package org.evenhand.orchard;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.springframework.stereotype.Component;

/** Varieties out of a file, known by crop and name. Parents are named, in any order of lines. */
@Component
class VarietyImport implements ImportKind<VarietyRequest> {
    private static final String NAME = "name";
    private static final List<String> KIN = List.of("mother", "father", "sport_of");

    private final Orchards orchards;

    VarietyImport(Orchards orchards) {
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "varieties";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed(NAME, "name", Holds.TEXT, "Its name.", "variety", "cultivar", "variedad", "nombre"),
                Column.needed("crop", "crop", Holds.TEXT, "Key of its crop sheet, as cherimoya.", "cultivo", "species"),
                Column.optional("alleles", "alleles", Holds.TEXT, "S alleles, as S1S3.", "s_alleles", "alelos"),
                Column.optional("ploidy", "ploidy", Holds.WHOLE_NUMBER, "Sets of chromosomes.", "ploidia"),
                Column.optional("mother", "motherId", Holds.TEXT, "Name of its seed parent.", "seed_parent", "madre"),
                Column.optional(
                        "father", "fatherId", Holds.TEXT, "Name of its pollen parent.", "pollen_parent", "padre"),
                Column.optional("sport_of", "sportOfId", Holds.TEXT, "Name of the variety it is a sport of."),
                Column.optional("raised_in", "raisedIn", Holds.WHOLE_NUMBER, "Year it was raised in.", "year", "año"),
                Column.optional("small_flowered", "smallFlowered", Holds.YES_OR_NO, "Whether its flowers are small."),
                Column.optional(
                        "own_pollen",
                        "ownPollen",
                        Holds.NUMBER,
                        "How well its own pollen serves it, 0 to 1.",
                        "self_fertility",
                        "self_fertile"),
                Column.optional("set_share", "setShare", Holds.NUMBER, "Share of pollinated flowers that set, 0 to 1."),
                Column.optional("seeds_per_fruit", "seedsPerFruit", Holds.NUMBER, "Full seeds in a fruit."),
                Column.optional("chill_portions", "chillPortions", Holds.NUMBER, "Chill it needs, in portions."),
                Column.optional("doses_per_flower", "dosesPerFlower", Holds.NUMBER, "Doses one of its flowers gives."),
                Column.optional(
                        "development_rate", "developmentRate", Holds.NUMBER, "Its speed against its crop sheet."),
                Column.optional(
                        "fig_right_from_mm", "figRightFromMm", Holds.NUMBER, "Figs: right from this diameter, mm."),
                Column.optional(
                        "fig_late_from_mm", "figLateFromMm", Holds.NUMBER, "Figs: too late from this diameter, mm."),
                Column.optional("numbers_source", "source", Holds.TEXT, "Where the numbers come from.", "source"));
    }

    @Override
    public Class<VarietyRequest> requestType() {
        return VarietyRequest.class;
    }

    /** Parents before their children, where the file has both. */
    @Override
    public List<ImportRow> order(List<ImportRow> rows) {
        Map<String, ImportRow> byName = new HashMap<>();
        rows.forEach(r -> {
            if (r.text(NAME) != null) {
                byName.putIfAbsent(ImportRow.key(r.text(NAME)), r);
            }
        });
        Set<ImportRow> ordered = new LinkedHashSet<>();
        rows.forEach(r -> addAfterKin(r, byName, ordered, new LinkedHashSet<>()));
        return new ArrayList<>(ordered);
    }

    private static void addAfterKin(
            ImportRow row, Map<String, ImportRow> byName, Set<ImportRow> ordered, Set<ImportRow> onTheWay) {
        // A ring of parents is refused where they are written.
        if (ordered.contains(row) || !onTheWay.add(row)) {
            return;
        }
        KIN.stream()
                .map(row::text)
                .flatMap(n -> Stream.ofNullable(n == null ? null : byName.get(ImportRow.key(n))))
                .forEach(kin -> addAfterKin(kin, byName, ordered, onTheWay));
        ordered.add(row);
    }

    @Override
    public Session<VarietyRequest> begin(Caller caller, Set<String> confirmed) {
        Map<String, Existing<VarietyRequest>> there = new HashMap<>();
        Map<String, List<Kin>> kin = new HashMap<>();
        orchards.varieties(caller).forEach(v -> {
            VarietyRequest request = new VarietyRequest(v.crop(), v.name(), v.breeding(), v.numbers(), null);
            there.put(key(v.crop(), v.name()), new Existing<>(v.id(), v.version(), request));
            kin.computeIfAbsent(ImportRow.key(v.name()), k -> new ArrayList<>()).add(new Kin(v.crop(), v.id()));
        });
        return new Reading(there, kin);
    }

    private record Kin(String crop, UUID id) {}

    private static String key(String crop, String name) {
        return ImportRow.key(crop) + "\n" + ImportRow.key(name);
    }

    private record Reading(Map<String, Existing<VarietyRequest>> there, Map<String, List<Kin>> kin)
            implements Session<VarietyRequest> {
        @Override
        public Line<VarietyRequest> read(ImportRow row) {
            String name = row.required(NAME);
            String crop = row.required("crop");
            Existing<VarietyRequest> found = there.get(key(crop, name));
            Breeding breeding =
                    found == null ? Breeding.UNKNOWN : found.request().breeding();
            VarietyNumbers numbers =
                    found == null ? VarietyNumbers.NONE : found.request().numbers();
            VarietyRequest request = new VarietyRequest(
                    found == null ? crop : found.request().crop(),
                    name,
                    breeding(row, crop, breeding),
                    numbers(row, numbers),
                    null);
            return Line.of(request, found);
        }

        private Breeding breeding(ImportRow row, String crop, Breeding known) {
            return new Breeding(
                    row.textOr("alleles", known.alleles()),
                    row.wholeOr("ploidy", known.ploidy()),
                    kin(row, "mother", crop, known.motherId()),
                    kin(row, "father", crop, known.fatherId()),
                    kin(row, "sport_of", crop, known.sportOfId()),
                    row.wholeOr("raised_in", known.raisedIn()),
                    row.yesOr("small_flowered", known.smallFlowered()),
                    row.numberOr("fig_right_from_mm", known.figRightFromMm()),
                    row.numberOr("fig_late_from_mm", known.figLateFromMm()));
        }

        private static VarietyNumbers numbers(ImportRow row, VarietyNumbers known) {
            return new VarietyNumbers(
                    row.numberOr("own_pollen", known.ownPollen()),
                    row.numberOr("set_share", known.setShare()),
                    row.numberOr("seeds_per_fruit", known.seedsPerFruit()),
                    row.numberOr("chill_portions", known.chillPortions()),
                    row.numberOr("doses_per_flower", known.dosesPerFlower()),
                    row.numberOr("development_rate", known.developmentRate()),
                    row.textOr("numbers_source", known.source()));
        }

        /** One of its own crop before those of others. */
        private UUID kin(ImportRow row, String column, String crop, UUID known) {
            String name = row.text(column);
            if (name == null) {
                return known;
            }
            List<Kin> found = kin.getOrDefault(ImportRow.key(name), List.of());
            return found.stream()
                    .filter(k -> k.crop().equalsIgnoreCase(crop))
                    .findFirst()
                    .or(() -> found.size() == 1 ? found.stream().findFirst() : java.util.Optional.empty())
                    .orElseThrow(() -> new InvalidInputException(
                            column,
                            found.isEmpty()
                                    ? "is '" + name + "', and there is no variety of that name, here or in the file."
                                    : "is '" + name
                                            + "', of which there are several; give the parent its line in this file."))
                    .id();
        }

        @Override
        public void written(VarietyRequest request, UUID id) {
            there.put(key(request.crop(), request.name()), new Existing<>(id, 0, request));
            kin.computeIfAbsent(ImportRow.key(request.name()), k -> new ArrayList<>())
                    .add(new Kin(request.crop(), id));
        }
    }

    @Override
    public void write(Caller caller, UUID id, VarietyRequest r, Long version) {
        orchards.put(caller, id, new VarietyRequest(r.crop(), r.name(), r.breeding(), r.numbers(), version));
    }

    @Override
    public long version(Caller caller, UUID id) {
        return orchards.variety(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        orchards.voidVariety(caller, id, request);
    }
}
