package org.evenhand.mating;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Component;

/** Wanted crosses out of a file; known by mother and father. */
@Component
class WantedCrossImport implements ImportKind<WantedCrossRequest> {
    private final CrossRequests requests;
    private final CrossRequestRepository kept;
    private final Orchards orchards;

    WantedCrossImport(CrossRequests requests, CrossRequestRepository kept, Orchards orchards) {
        this.requests = requests;
        this.kept = kept;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "wanted-crosses";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("mother", "motherId", Holds.TEXT, "Name of the seed parent.", "seed_parent", "madre"),
                Column.needed("father", "fatherId", Holds.TEXT, "Name of the pollen parent.", "pollen_parent", "padre"),
                Column.optional("flowers", "flowers", Holds.WHOLE_NUMBER, "Flowers wanted; or seeds.", "flores"),
                Column.optional("seeds", "seeds", Holds.WHOLE_NUMBER, "Seeds wanted; or flowers.", "semillas"),
                Column.optional("priority", "priority", Holds.WHOLE_NUMBER, "0 to 3; higher comes first."),
                Column.optional("note", "note", Holds.TEXT, "Note.", "nota"));
    }

    @Override
    public Class<WantedCrossRequest> requestType() {
        return WantedCrossRequest.class;
    }

    private record Pair(UUID mother, UUID father) {}

    @Override
    public Session<WantedCrossRequest> begin(Caller caller, Set<String> confirmed) {
        Map<Pair, Existing<WantedCrossRequest>> there = new HashMap<>();
        kept.findByOrchardIdAndVoidedAtIsNullOrderByRecordedAtAscIdAsc(caller.orchardId())
                .forEach(c -> there.put(
                        new Pair(c.motherId(), c.fatherId()),
                        new Existing<>(
                                c.id(),
                                c.version(),
                                new WantedCrossRequest(
                                        c.motherId(),
                                        c.fatherId(),
                                        c.flowers(),
                                        c.seeds(),
                                        c.priority(),
                                        c.note(),
                                        null))));
        return new Reading(there, ImportRow.byName(orchards.varieties(caller), VarietyView::name));
    }

    private record Reading(Map<Pair, Existing<WantedCrossRequest>> there, Map<String, VarietyView> varieties)
            implements Session<WantedCrossRequest> {
        @Override
        public Line<WantedCrossRequest> read(ImportRow row) {
            Pair pair = new Pair(
                    row.named("mother", varieties, "variety").id(),
                    row.named("father", varieties, "variety").id());
            Existing<WantedCrossRequest> found = there.get(pair);
            WantedCrossRequest known = found == null ? null : found.request();
            return Line.of(
                    new WantedCrossRequest(
                            pair.mother(),
                            pair.father(),
                            row.wholeOr("flowers", known == null ? null : known.flowers()),
                            row.wholeOr("seeds", known == null ? null : known.seeds()),
                            row.wholeOr("priority", known == null ? Integer.valueOf(1) : known.priority()),
                            row.textOr("note", known == null ? "" : known.note()),
                            null),
                    found);
        }

        @Override
        public void written(WantedCrossRequest request, UUID id) {
            there.put(new Pair(request.motherId(), request.fatherId()), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, WantedCrossRequest r, Long version) {
        requests.want(
                caller,
                id,
                new WantedCrossRequest(
                        r.motherId(), r.fatherId(), r.flowers(), r.seeds(), r.priority(), r.note(), version));
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        requests.voidCrossRequest(caller, id, request);
    }
}
