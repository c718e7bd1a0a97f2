package org.evenhand.crossing;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Component;

/** Crosses of this year and of earlier ones out of a file; known by year and number, or else by year, tree, father and note. */
@Component
class CrossImport implements ImportKind<ControlledCrossRequests.Cross> {
    private final ControlledCrosses crosses;
    private final ControlledCrossRepository kept;
    private final Orchards orchards;

    CrossImport(ControlledCrosses crosses, ControlledCrossRepository kept, Orchards orchards) {
        this.crosses = crosses;
        this.kept = kept;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "crosses";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("year", "year", Holds.WHOLE_NUMBER, "Year it was made in.", "season", "año"),
                Column.needed(
                        "tree", "treeId", Holds.TEXT, "Name of the mother tree.", "mother", "seed_parent", "madre"),
                Column.needed("father", "fatherId", Holds.TEXT, "Name of the father.", "pollen_parent", "padre"),
                Column.needed("flowers", "planned", Holds.WHOLE_NUMBER, "Flowers meant.", "planned", "flores"),
                Column.optional(
                        "number", "number", Holds.WHOLE_NUMBER, "Number within the year, where it has one.", "número"),
                Column.optional("bag", "bag", Holds.YES_OR_NO, "Whether flowers are covered; yes if empty."),
                Column.optional("visits", "visits", Holds.TEXT, "AT_ONCE, WHEN_RIPE or TWICE; TWICE if empty."),
                Column.optional(
                        "emasculate", "emasculate", Holds.YES_OR_NO, "Whether anthers are taken out; yes if empty."),
                Column.optional("note", "note", Holds.TEXT, "Note.", "nota"));
    }

    @Override
    public Class<ControlledCrossRequests.Cross> requestType() {
        return ControlledCrossRequests.Cross.class;
    }

    private record Known(int year, Integer number, UUID tree, UUID father, String note) {
        static Known numbered(int year, int number) {
            return new Known(year, number, null, null, null);
        }
    }

    private static Known of(ControlledCrossRequests.Cross r) {
        return new Known(r.year(), null, r.treeId(), r.fatherId(), Given.stripped(r.note()));
    }

    @Override
    public Session<ControlledCrossRequests.Cross> begin(Caller caller, Set<String> confirmed) {
        Map<Known, Existing<ControlledCrossRequests.Cross>> there = new HashMap<>();
        kept.findByOrchardIdAndVoidedAtIsNullOrderByYearAscNumberAsc(caller.orchardId())
                .forEach(c -> {
                    Existing<ControlledCrossRequests.Cross> found = new Existing<>(c.id(), c.version(), c.request());
                    there.put(Known.numbered(c.year(), c.number()), found);
                    there.put(of(c.request()), found);
                });
        return new Reading(
                there,
                ImportRow.byName(orchards.trees(caller), TreeView::name),
                ImportRow.byName(orchards.varieties(caller), VarietyView::name));
    }

    private record Reading(
            Map<Known, Existing<ControlledCrossRequests.Cross>> there,
            Map<String, TreeView> trees,
            Map<String, VarietyView> varieties)
            implements Session<ControlledCrossRequests.Cross> {
        @Override
        public Line<ControlledCrossRequests.Cross> read(ImportRow row) {
            Integer year = Given.required("year", row.wholeOr("year", null));
            UUID tree = row.named("tree", trees, "tree").id();
            UUID father = row.named("father", varieties, "variety").id();
            Integer number = row.wholeOr("number", null);
            String note = row.textOr("note", "");
            Existing<ControlledCrossRequests.Cross> found = there.get(
                    number == null ? new Known(year, null, tree, father, note) : Known.numbered(year, number));
            ControlledCrossRequests.Cross known = found == null ? null : found.request();
            return Line.of(
                    new ControlledCrossRequests.Cross(
                            tree,
                            father,
                            known == null ? null : known.crossRequestId(),
                            row.wholeOr("flowers", known == null ? null : known.planned()),
                            row.yesOr("bag", known == null ? null : known.bag()),
                            row.choiceOr("visits", CrossProtocol.Visits.class, known == null ? null : known.visits()),
                            row.yesOr("emasculate", known == null ? null : known.emasculate()),
                            year,
                            known == null ? number : known.number(),
                            note,
                            null),
                    found);
        }

        @Override
        public void written(ControlledCrossRequests.Cross request, UUID id) {
            Existing<ControlledCrossRequests.Cross> now = new Existing<>(id, 0, request);
            there.put(of(request), now);
            if (request.number() != null) {
                there.put(Known.numbered(request.year(), request.number()), now);
            }
        }
    }

    @Override
    public void write(Caller caller, UUID id, ControlledCrossRequests.Cross request, Long version) {
        crosses.put(caller, id, request.withVersion(version));
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        crosses.voidCross(caller, id, request);
    }
}
