package org.evenhand.fruitset;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
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
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.springframework.stereotype.Component;

/** Single fruits out of a file; known by their number in its season, or by tree and the moment they ended. */
@Component
class FruitImport implements ImportKind<FruitRequests.Fruit> {
    private static final String NUMBERED_AT = "numbered_at";
    private static final String ENDED_AT = "ended_at";

    /** Columns that say something of a fruit that has ended; a note is one too. */
    private static final List<String> OF_ITS_END = List.of(
            "ended",
            "weight_g",
            "length_mm",
            "width_mm",
            "shape",
            "seeds",
            "empty_seeds",
            "sepals_missing",
            "taste",
            "note");

    private final Fruits fruits;
    private final FruitRepository kept;
    private final Orchards orchards;

    FruitImport(Fruits fruits, FruitRepository kept, Orchards orchards) {
        this.fruits = fruits;
        this.kept = kept;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "fruits";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree.", "árbol"),
                Column.optional("number", "number", Holds.WHOLE_NUMBER, "Number written on it.", "número"),
                Column.optional(NUMBERED_AT, "numberedAt", Holds.MOMENT, "When it was numbered.", "numerado"),
                Column.optional("ended", "end.kind", Holds.TEXT, "HARVESTED, FALLEN or TAKEN_OFF; empty: it hangs."),
                Column.optional(ENDED_AT, "end.at", Holds.MOMENT, "When it ended.", "harvested_at", "date", "fecha"),
                Column.optional("weight_g", "end.weightG", Holds.NUMBER, "Weight in grams.", "weight", "peso"),
                Column.optional("length_mm", "end.lengthMm", Holds.NUMBER, "Length in millimetres.", "length"),
                Column.optional("width_mm", "end.widthMm", Holds.NUMBER, "Width in millimetres.", "width"),
                Column.optional("shape", "end.shape", Holds.TEXT, "WHOLE, ONE_SIDED or CROOKED.", "forma"),
                Column.optional("seeds", "end.seeds", Holds.WHOLE_NUMBER, "Seeds in it.", "pips", "semillas"),
                Column.optional("empty_seeds", "end.emptySeeds", Holds.WHOLE_NUMBER, "Empty ones among them."),
                Column.optional("sepals_missing", "end.sepalsMissing", Holds.YES_OR_NO, "Whether its sepals lack."),
                Column.optional("taste", "end.taste", Holds.WHOLE_NUMBER, "Taste, 1 to 5.", "sabor"),
                Column.optional("note", "end.note", Holds.TEXT, "Note.", "nota"));
    }

    @Override
    public Class<FruitRequests.Fruit> requestType() {
        return FruitRequests.Fruit.class;
    }

    @Override
    public Session<FruitRequests.Fruit> begin(Caller caller, Set<String> confirmed) {
        ZoneId zone = orchards.details(caller).site().zone();
        Map<Name, Existing<FruitRequests.Fruit>> there = new HashMap<>();
        for (Fruit f : kept.findByOrchardIdAndVoidedAtIsNull(caller.orchardId())) {
            FruitRequests.Fruit request = new FruitRequests.Fruit(
                    f.treeId(), f.pollinationId(), f.number(), f.numberedAt(), f.end(), List.copyOf(confirmed));
            there.put(name(request, zone), new Existing<>(f.id(), f.version(), request));
        }
        return new Reading(
                there, ImportRow.byName(orchards.trees(caller), TreeView::name), List.copyOf(confirmed), zone);
    }

    /** A number is written on a day, and once a season; a fruit without one is known by the moment it ended. */
    private record Name(UUID tree, Integer number, LocalDate numberedOn, Instant ended) {}

    private static Name name(FruitRequests.Fruit f, ZoneId zone) {
        return f.number() == null
                ? new Name(
                        f.treeId(), null, null, f.end() == null ? null : f.end().at())
                : new Name(
                        f.treeId(),
                        f.number(),
                        f.numberedAt() == null
                                ? null
                                : f.numberedAt().atZone(zone).toLocalDate(),
                        null);
    }

    private record Reading(
            Map<Name, Existing<FruitRequests.Fruit>> there,
            Map<String, TreeView> trees,
            List<String> confirmed,
            ZoneId zone)
            implements Session<FruitRequests.Fruit> {
        @Override
        public Line<FruitRequests.Fruit> read(ImportRow row) {
            Instant endedAt = row.has(ENDED_AT) ? row.moment(ENDED_AT) : null;
            if (endedAt == null && OF_ITS_END.stream().anyMatch(c -> row.text(c) != null)) {
                throw new InvalidInputException(
                        ENDED_AT, "is missing; what a fruit was like is known once it was harvested or fell.");
            }
            FruitRequests.Fruit named = new FruitRequests.Fruit(
                    row.named("tree", trees, "tree").id(),
                    null,
                    row.wholeOr("number", null),
                    row.has(NUMBERED_AT) ? row.moment(NUMBERED_AT) : null,
                    endedAt == null ? null : end(row, endedAt, null),
                    confirmed);
            Existing<FruitRequests.Fruit> found = there.get(name(named, zone));
            if (found == null) {
                return Line.of(named, null);
            }
            FruitRequests.Fruit known = found.request();
            return Line.of(
                    new FruitRequests.Fruit(
                            known.treeId(),
                            known.pollinationId(),
                            known.number(),
                            known.numberedAt(),
                            endedAt == null ? known.end() : end(row, endedAt, known.end()),
                            confirmed),
                    found);
        }

        private static FruitEnd end(ImportRow row, Instant at, FruitEnd known) {
            return new FruitEnd(
                    row.choiceOr("ended", FruitEnd.Kind.class, known == null ? null : known.kind()),
                    at,
                    row.numberOr("weight_g", known == null ? null : known.weightG()),
                    row.numberOr("length_mm", known == null ? null : known.lengthMm()),
                    row.numberOr("width_mm", known == null ? null : known.widthMm()),
                    row.choiceOr("shape", FruitEnd.Shape.class, known == null ? null : known.shape()),
                    row.wholeOr("seeds", known == null ? null : known.seeds()),
                    row.wholeOr("empty_seeds", known == null ? null : known.emptySeeds()),
                    row.yesOr("sepals_missing", known == null ? null : known.sepalsMissing()),
                    row.wholeOr("taste", known == null ? null : known.taste()),
                    row.textOr("note", known == null ? "" : known.note()));
        }

        @Override
        public void written(FruitRequests.Fruit request, UUID id) {
            there.put(name(request, zone), new Existing<>(id, 0, request));
        }
    }

    @Override
    public void write(Caller caller, UUID id, FruitRequests.Fruit request, Long version) {
        if (version == null) {
            fruits.put(caller, id, request);
        } else if (request.end() == null) {
            fruits.hang(caller, id, version);
        } else {
            fruits.end(caller, id, new FruitRequests.End(request.end(), request.confirmed(), version));
        }
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        fruits.voidFruit(caller, id, request);
    }
}
