package org.evenhand.bloom;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Component;

/** Readings out of a file, a column for each stage; known by tree, moment and limb. */
@Component
class ReadingImport implements ImportKind<ReadingRequest> {
    private final Readings readings;
    private final Orchards orchards;
    private final CropCatalogue crops;

    ReadingImport(Readings readings, Orchards orchards, CropCatalogue crops) {
        this.readings = readings;
        this.orchards = orchards;
        this.crops = crops;
    }

    @Override
    public String key() {
        return "readings";
    }

    @Override
    public List<Column> columns(Caller caller) {
        List<Column> columns = new ArrayList<>(List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree.", "árbol", "tree_name"),
                Column.needed("taken_at", "takenAt", Holds.MOMENT, "When it was read.", "time", "date", "fecha"),
                Column.optional("limb", "limb", Holds.TEXT, "Limb; empty for the tree.", "rama"),
                Column.optional("share", "share", Holds.NUMBER, "Share of the flowers counted, up to 1."),
                Column.optional("note", "note", Holds.TEXT, "Note.", "nota")));
        stages(caller)
                .forEach((key, name) ->
                        columns.add(Column.optional(key, key, Holds.WHOLE_NUMBER, "Flowers: " + name + ".", name)));
        return columns;
    }

    /** Stages of the crops that grow here, with their names. */
    private Map<String, String> stages(Caller caller) {
        Map<String, String> stages = new LinkedHashMap<>();
        orchards.trees(caller).stream()
                .map(TreeView::crop)
                .distinct()
                .sorted()
                .map(crop -> crops.of(caller, crop))
                .map(CropSheet::stages)
                .flatMap(List::stream)
                .forEach((StageSheet s) -> stages.putIfAbsent(s.key(), s.name()));
        return stages;
    }

    @Override
    public Class<ReadingRequest> requestType() {
        return ReadingRequest.class;
    }

    /** The earlier first: each is held against those before it. */
    @Override
    public List<ImportRow> order(List<ImportRow> rows) {
        return rows.stream().sorted(ImportRow.byMoment("taken_at")).toList();
    }

    @Override
    public Session<ReadingRequest> begin(Caller caller, Set<String> confirmed) {
        Map<When, Existing<ReadingRequest>> there = new HashMap<>();
        readings.all(caller)
                .forEach(r -> there.put(
                        new When(r.treeId(), r.takenAt(), r.limb()),
                        new Existing<>(
                                r.id(),
                                r.version(),
                                new ReadingRequest(
                                        r.treeId(), r.takenAt(), r.counts(), r.note(), r.limb(), r.share()))));
        return new Reading(
                there,
                ImportRow.byName(orchards.trees(caller), TreeView::name),
                crops,
                caller,
                stages(caller).keySet());
    }

    private record When(UUID tree, Instant at, String limb) {}

    private record Reading(
            Map<When, Existing<ReadingRequest>> there,
            Map<String, TreeView> trees,
            CropCatalogue crops,
            Caller caller,
            Set<String> stages)
            implements Session<ReadingRequest> {
        @Override
        public Line<ReadingRequest> read(ImportRow row) {
            TreeView tree = row.named("tree", trees, "tree");
            Instant at = Given.required("taken_at", row.moment("taken_at"));
            String limb = row.textOr("limb", "");
            Existing<ReadingRequest> found = there.get(new When(tree.id(), at, limb));
            return Line.of(
                    new ReadingRequest(
                            tree.id(),
                            at,
                            counts(row, tree, found),
                            row.textOr(
                                    "note", found == null ? "" : found.request().note()),
                            limb,
                            row.numberOr(
                                    "share",
                                    found == null
                                            ? Double.valueOf(1)
                                            : found.request().share())),
                    found);
        }

        /** Flowers by stage; a stage of another crop is left to the rules, which refuse it. */
        private Map<String, Integer> counts(ImportRow row, TreeView tree, Existing<ReadingRequest> found) {
            Map<String, Integer> counts = new LinkedHashMap<>();
            CropSheet sheet = crops.of(caller, tree.crop());
            if (found == null && sheet.stages().stream().map(StageSheet::key).noneMatch(row::has)) {
                throw new InvalidInputException(
                        "counts",
                        "No column of the file is a stage of " + sheet.name() + "; choose at least one, as "
                                + sheet.stages().get(0).key() + ".");
            }
            for (StageSheet s : sheet.stages()) {
                counts.put(
                        s.key(),
                        row.wholeOr(
                                s.key(),
                                found == null
                                        ? Integer.valueOf(0)
                                        : found.request().counts().getOrDefault(s.key(), 0)));
            }
            stages.stream().filter(s -> !counts.containsKey(s)).forEach(s -> {
                Integer flowers = row.wholeOr(s, 0);
                if (flowers != 0) {
                    counts.put(s, flowers);
                }
            });
            return counts;
        }

        @Override
        public void written(ReadingRequest request, UUID id) {
            there.put(new When(request.treeId(), request.takenAt(), request.limb()), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, ReadingRequest request, Long version) {
        if (version == null) {
            readings.put(caller, id, request);
        } else {
            readings.correct(caller, id, request, version);
        }
    }

    @Override
    public long version(Caller caller, UUID id) {
        return readings.version(caller, id);
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        readings.voidReading(caller, id, request);
    }
}
