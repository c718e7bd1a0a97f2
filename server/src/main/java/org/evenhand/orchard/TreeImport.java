package org.evenhand.orchard;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.springframework.stereotype.Component;

/** Trees out of a file, known by name. */
@Component
class TreeImport implements ImportKind<TreeRequest> {
    private final Orchards orchards;
    private final TreeCare care;

    TreeImport(Orchards orchards, TreeCare care) {
        this.orchards = orchards;
        this.care = care;
    }

    @Override
    public String key() {
        return "trees";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("name", "name", Holds.TEXT, "Its name.", "tree", "árbol", "nombre"),
                Column.needed("variety", "varietyId", Holds.TEXT, "Name of its variety.", "cultivar", "variedad"),
                Column.optional("crop", "crop", Holds.TEXT, "Crop, where two have a variety of that name.", "cultivo"),
                Column.optional("block", "block", Holds.TEXT, "Block it stands in.", "bloque", "parcela"),
                Column.optional("row_number", "row", Holds.WHOLE_NUMBER, "Row in the block.", "row", "fila"),
                Column.optional("place", "position", Holds.WHOLE_NUMBER, "Place in the row.", "position", "lugar"),
                Column.optional("planted_on", "plantedOn", Holds.DAY, "Day it was planted.", "planted", "plantado"),
                Column.optional("stood_until", "stoodUntil", Holds.DAY, "Last day it stood, if felled.", "felled"));
    }

    @Override
    public Class<TreeRequest> requestType() {
        return TreeRequest.class;
    }

    @Override
    public Session<TreeRequest> begin(Caller caller, Set<String> confirmed) {
        Map<String, Existing<TreeRequest>> there = new HashMap<>();
        orchards.trees(caller)
                .forEach(t -> there.put(
                        ImportRow.key(t.name()),
                        new Existing<>(
                                t.id(),
                                t.version(),
                                new TreeRequest(
                                        t.varietyId(),
                                        t.name(),
                                        t.block(),
                                        t.row(),
                                        t.position(),
                                        t.plantedOn(),
                                        t.stoodUntil(),
                                        List.copyOf(confirmed),
                                        null))));
        return new Reading(there, orchards.varieties(caller), List.copyOf(confirmed));
    }

    private record Reading(
            Map<String, Existing<TreeRequest>> there, List<VarietyView> varieties, List<String> confirmed)
            implements Session<TreeRequest> {
        @Override
        public Line<TreeRequest> read(ImportRow row) {
            String name = row.required("name");
            Existing<TreeRequest> found = there.get(ImportRow.key(name));
            TreeRequest known = found == null ? null : found.request();
            return Line.of(
                    new TreeRequest(
                            variety(row),
                            name,
                            row.textOr("block", known == null ? "" : known.block()),
                            row.wholeOr("row_number", known == null ? 0 : known.row()),
                            row.wholeOr("place", known == null ? 0 : known.position()),
                            row.dayOr("planted_on", known == null ? null : known.plantedOn()),
                            row.dayOr("stood_until", known == null ? null : known.stoodUntil()),
                            confirmed,
                            null),
                    found);
        }

        private UUID variety(ImportRow row) {
            String name = row.required("variety");
            String crop = row.text("crop");
            List<VarietyView> found = varieties.stream()
                    .filter(v -> v.name().equalsIgnoreCase(name))
                    .filter(v -> crop == null || v.crop().equalsIgnoreCase(crop))
                    .toList();
            if (found.size() == 1) {
                return found.get(0).id();
            }
            throw new InvalidInputException(
                    "variety",
                    "is '" + name + "', "
                            + (found.isEmpty()
                                    ? "and there is no variety of that name."
                                    : "and there are varieties of that name of several crops; add a column crop."));
        }

        @Override
        public void written(TreeRequest request, UUID id) {
            there.put(ImportRow.key(request.name()), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, TreeRequest r, Long version) {
        care.put(
                caller,
                id,
                new TreeRequest(
                        r.varietyId(),
                        r.name(),
                        r.block(),
                        r.row(),
                        r.position(),
                        r.plantedOn(),
                        r.stoodUntil(),
                        r.confirmed(),
                        version));
    }

    @Override
    public long version(Caller caller, UUID id) {
        return orchards.tree(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        orchards.voidTree(caller, id, request);
    }
}
