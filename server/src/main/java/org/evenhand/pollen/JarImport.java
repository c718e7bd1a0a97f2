package org.evenhand.pollen;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.Storage;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Component;

/** Jars out of a file, each from one tree; known by tree and moment. They get codes of this orchard, which nothing else has. */
@Component
class JarImport implements ImportKind<LotRequest> {
    private static final String COLLECTED_AT = "collected_at";

    private final PollenShelf shelf;
    private final Orchards orchards;

    JarImport(PollenShelf shelf, Orchards orchards) {
        this.shelf = shelf;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "jars";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree it is from.", "árbol"),
                Column.needed("flowers", "flowers", Holds.WHOLE_NUMBER, "Flowers that were collected.", "flores"),
                Column.needed(COLLECTED_AT, "collectedAt", Holds.MOMENT, "When.", "time", "date", "fecha"),
                Column.needed("storage", "storage", Holds.TEXT, "ROOM, FRIDGE, FRIDGE_DESICCANT or FREEZER.", "stored"),
                Column.optional("method", "method", Holds.TEXT, "How it was collected, as TAP.", "método"),
                Column.optional("doses", "doses", Holds.WHOLE_NUMBER, "Doses; else by the crop sheet.", "dosis"),
                Column.optional("note", "note", Holds.TEXT, "Note, as its old label.", "nota", "label"));
    }

    @Override
    public Class<LotRequest> requestType() {
        return LotRequest.class;
    }

    @Override
    public Session<LotRequest> begin(Caller caller, Set<String> confirmed) {
        Map<When, Jar> there = new HashMap<>();
        shelf.all(caller, orchards.now(caller))
                .forEach(l -> l.sources()
                        .forEach(s -> there.put(
                                new When(s.treeId(), l.collectedAt()),
                                new Jar(l.id(), l.version(), l.code(), s.flowers()))));
        return new Reading(there, ImportRow.byName(orchards.trees(caller), TreeView::name), List.copyOf(confirmed));
    }

    private record When(UUID tree, Instant at) {}

    private record Jar(UUID id, long version, String code, int flowers) {}

    private record Reading(Map<When, Jar> there, Map<String, TreeView> trees, List<String> confirmed)
            implements Session<LotRequest> {
        @Override
        public Line<LotRequest> read(ImportRow row) {
            UUID tree = row.named("tree", trees, "tree").id();
            Instant at = Given.required(COLLECTED_AT, row.moment(COLLECTED_AT));
            Integer flowers = Given.required("flowers", row.wholeOr("flowers", null));
            row.required("storage");
            LotRequest request = new LotRequest(
                    List.of(new LotRequest.Source(tree, flowers)),
                    at,
                    row.choiceOr("storage", Storage.class, null),
                    row.choiceOr("method", CollectionMethod.class, null),
                    row.wholeOr("doses", null),
                    row.textOr("note", ""),
                    confirmed);
            Jar jar = there.get(new When(tree, at));
            if (jar != null && jar.flowers() != flowers) {
                throw new InvalidInputException(
                        "flowers",
                        "are " + flowers + ", but jar " + jar.code() + " of that tree and moment is of " + jar.flowers()
                                + ". A jar is corrected on its page.");
            }
            return Line.of(request, jar == null ? null : new Existing<>(jar.id(), jar.version(), request));
        }

        @Override
        public void written(LotRequest request, UUID id) {
            LotRequest.Source source = request.sources().get(0);
            there.put(
                    new When(source.treeId(), request.collectedAt()), new Jar(id, 0, "in this file", source.flowers()));
        }
    }

    /** A jar is never changed by a file: what differs is refused when it is read. */
    @Override
    public void write(Caller caller, UUID id, LotRequest request, Long version) {
        shelf.put(caller, id, request);
    }

    @Override
    public long version(Caller caller, UUID id) {
        return shelf.lot(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        shelf.voidLot(caller, id, request);
    }
}
