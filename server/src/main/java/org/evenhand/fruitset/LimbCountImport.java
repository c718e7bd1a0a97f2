package org.evenhand.fruitset;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Component;

/** Fruits counted by limb out of a file; known by tree, limb and moment. */
@Component
class LimbCountImport implements ImportKind<LimbRequest> {
    private static final String COUNTED_AT = "counted_at";

    private final LimbCounts counts;
    private final LimbCountRepository kept;
    private final Orchards orchards;

    LimbCountImport(LimbCounts counts, LimbCountRepository kept, Orchards orchards) {
        this.counts = counts;
        this.kept = kept;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "limb-counts";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree.", "árbol"),
                Column.needed("limb", "limb", Holds.TEXT, "Name of the limb.", "rama"),
                Column.needed(
                        COUNTED_AT, "countedAt", Holds.MOMENT, "When they were counted.", "time", "date", "fecha"),
                Column.needed("fruits", "fruits", Holds.WHOLE_NUMBER, "Fruits on it.", "frutos"),
                Column.optional("thinned", "takenOff", Holds.WHOLE_NUMBER, "Fruits taken off since the count before."),
                Column.optional("note", "note", Holds.TEXT, "Note.", "nota"));
    }

    @Override
    public Class<LimbRequest> requestType() {
        return LimbRequest.class;
    }

    /** The earlier first, as they are written down in the orchard. */
    @Override
    public List<ImportRow> order(List<ImportRow> rows) {
        return rows.stream().sorted(ImportRow.byMoment(COUNTED_AT)).toList();
    }

    @Override
    public Session<LimbRequest> begin(Caller caller, Set<String> confirmed) {
        Map<When, Existing<LimbRequest>> there = new HashMap<>();
        kept.findByOrchardIdAndCountedAtAfterAndVoidedAtIsNullOrderByCountedAtAscIdAsc(
                        caller.orchardId(), Instant.EPOCH)
                .forEach(c -> there.put(
                        new When(c.treeId(), c.limb(), c.countedAt()),
                        new Existing<>(
                                c.id(),
                                c.version(),
                                new LimbRequest(
                                        c.treeId(), c.limb(), c.countedAt(), c.fruits(), c.takenOff(), c.note()))));
        return new Reading(there, ImportRow.byName(orchards.trees(caller), TreeView::name));
    }

    private record When(UUID tree, String limb, Instant at) {}

    private record Reading(Map<When, Existing<LimbRequest>> there, Map<String, TreeView> trees)
            implements Session<LimbRequest> {
        @Override
        public Line<LimbRequest> read(ImportRow row) {
            UUID tree = row.named("tree", trees, "tree").id();
            String limb = row.required("limb");
            Instant at = Given.required(COUNTED_AT, row.moment(COUNTED_AT));
            Existing<LimbRequest> found = there.get(new When(tree, limb, at));
            return Line.of(
                    new LimbRequest(
                            tree,
                            limb,
                            at,
                            row.wholeOr(
                                    "fruits",
                                    found == null ? null : found.request().fruits()),
                            row.wholeOr(
                                    "thinned",
                                    found == null
                                            ? Integer.valueOf(0)
                                            : found.request().takenOff()),
                            row.textOr(
                                    "note", found == null ? "" : found.request().note())),
                    found);
        }

        @Override
        public void written(LimbRequest request, UUID id) {
            there.put(new When(request.treeId(), request.limb(), request.countedAt()), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, LimbRequest request, Long version) {
        if (version == null) {
            counts.put(caller, id, request);
        } else {
            counts.correct(caller, id, request, version);
        }
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        counts.voidCount(caller, id, request);
    }
}
