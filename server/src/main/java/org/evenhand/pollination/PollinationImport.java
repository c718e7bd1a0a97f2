package org.evenhand.pollination;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.availability.Strokes;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.cropload.LimbClass;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollen.PollenShelf;
import org.springframework.stereotype.Component;

/** Pollinations out of a file; known by tree, minute, jar and tag. Their doses are drawn from jars that are there. */
@Component
class PollinationImport implements ImportKind<PollinationRequest> {
    private static final String DONE_AT = "done_at";

    private final Pollinations pollinations;
    private final PollinationRepository kept;
    private final PollenShelf shelf;
    private final Orchards orchards;

    PollinationImport(Pollinations pollinations, PollinationRepository kept, PollenShelf shelf, Orchards orchards) {
        this.pollinations = pollinations;
        this.kept = kept;
        this.shelf = shelf;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "pollinations";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "treeId", Holds.TEXT, "Name of the tree.", "árbol"),
                Column.needed("flowers", "flowers", Holds.WHOLE_NUMBER, "How many flowers.", "flores"),
                Column.needed(DONE_AT, "doneAt", Holds.MOMENT, "When.", "time", "date", "fecha"),
                Column.optional("jar", "lotId", Holds.TEXT, "Code of the jar, or its note.", "lot", "frasco"),
                Column.optional("mark", "mark", Holds.TEXT, "What marks them.", "marca"),
                Column.optional("colour", "colour", Holds.TEXT, "Colour of the mark.", "color"),
                Column.optional("tag", "tag", Holds.TEXT, "Number on their tag.", "etiqueta"),
                Column.optional("treatment", "how.treatment", Holds.TEXT, "HAND, NATURE or BAGGED; empty: by hand."),
                Column.optional("stage", "how.stage", Holds.TEXT, "Stage, by its key on the crop sheet.", "estado"),
                Column.optional("strokes", "how.strokes", Holds.TEXT, "FULL or LIGHT; empty: not known."),
                Column.optional("tool", "how.tool", Holds.TEXT, "Brush or other tool.", "pincel"),
                Column.optional("limb", "how.limb", Holds.TEXT, "TRUNK, STOUT, TWIG or BRANCH_END.", "rama"));
    }

    @Override
    public Class<PollinationRequest> requestType() {
        return PollinationRequest.class;
    }

    /** The earlier first, so that a jar is drawn from in the order of time. */
    @Override
    public List<ImportRow> order(List<ImportRow> rows) {
        return rows.stream().sorted(ImportRow.byMoment(DONE_AT)).toList();
    }

    @Override
    public Session<PollinationRequest> begin(Caller caller, Set<String> confirmed) {
        List<LotView> jars = shelf.all(caller, orchards.now(caller));
        return new Reading(
                caller,
                kept,
                ImportRow.byName(orchards.trees(caller), TreeView::name),
                ImportRow.byName(jars, LotView::code),
                jars.stream()
                        .filter(j -> !j.note().isBlank())
                        .collect(Collectors.groupingBy(j -> ImportRow.key(j.note()))));
    }

    /** What stands of a pollination that a form would send again; what it belongs to stays with it. */
    private static PollinationRequest request(Pollination p) {
        return new PollinationRequest(
                p.treeId(),
                p.lotId(),
                p.flowers(),
                p.doneAt(),
                p.mark(),
                p.colour(),
                p.tag(),
                null,
                null,
                null,
                null,
                null,
                p.how(),
                null,
                null);
    }

    private record Reading(
            Caller caller,
            PollinationRepository kept,
            Map<String, TreeView> trees,
            Map<String, LotView> jars,
            Map<String, List<LotView>> byNote)
            implements Session<PollinationRequest> {
        @Override
        public Line<PollinationRequest> read(ImportRow row) {
            UUID tree = row.named("tree", trees, "tree").id();
            Instant at = Given.required(DONE_AT, row.moment(DONE_AT));
            Integer flowers = Given.required("flowers", row.wholeOr("flowers", null));
            UUID jar = row.text("jar") == null ? null : jar(row).id();
            Optional<Pollination> found = there(tree, at, jar, row.textOr("tag", ""));
            PollinationRequest known = found.map(PollinationImport::request)
                    .orElse(PollinationRequest.simple(
                            tree,
                            jar,
                            flowers,
                            at,
                            "",
                            // What nobody wrote down is not known: today's school of the orchard may not have been
                            // theirs.
                            new PollinationHow(Treatment.HAND, null, Strokes.AS_SHEET, "", null)));
            return Line.of(
                    new PollinationRequest(
                            tree,
                            jar,
                            flowers,
                            known.doneAt(),
                            row.textOr("mark", known.mark()),
                            row.textOr("colour", known.colour()),
                            row.textOr("tag", known.tag()),
                            null,
                            null,
                            null,
                            null,
                            null,
                            how(row, known.how()),
                            null,
                            null),
                    found.map(p -> new Existing<>(p.id(), p.version(), known)).orElse(null));
        }

        private LotView jar(ImportRow row) {
            LotView coded = jars.get(ImportRow.key(row.text("jar")));
            if (coded != null) {
                return coded;
            }
            List<LotView> noted = byNote.getOrDefault(ImportRow.key(row.text("jar")), List.of());
            if (noted.size() != 1) {
                throw new InvalidInputException(
                        "jar",
                        "is '" + row.text("jar") + "'; "
                                + (noted.isEmpty()
                                        ? "no jar has this code or note. Import the jars first."
                                        : "several jars have this note. Write the code of one."));
            }
            return noted.get(0);
        }

        private static PollinationHow how(ImportRow row, PollinationHow known) {
            boolean byHand = row.choiceOr("treatment", Treatment.class, known.treatment()) == Treatment.HAND;
            return new PollinationHow(
                    row.choiceOr("treatment", Treatment.class, known.treatment()),
                    row.textOr("stage", known.stage()),
                    row.choiceOr("strokes", Strokes.class, byHand ? known.strokes() : null),
                    row.textOr("tool", known.tool()),
                    row.choiceOr("limb", LimbClass.class, known.limb()));
        }

        private Optional<Pollination> there(UUID tree, Instant at, UUID jar, String tag) {
            Instant minute = at.truncatedTo(ChronoUnit.MINUTES);
            return kept.ofTree(caller.orchardId(), tree, minute, minute.plus(1, ChronoUnit.MINUTES)).stream()
                    .filter(p -> Objects.equals(p.lotId(), jar) && p.tag().equalsIgnoreCase(tag))
                    .findFirst();
        }

        @Override
        public void written(PollinationRequest request, UUID id) {
            // What was written is found where all others are.
        }
    }

    @Override
    public void write(Caller caller, UUID id, PollinationRequest request, Long version) {
        if (version == null) {
            pollinations.put(caller, id, request);
        } else {
            pollinations.correct(caller, id, request, version);
        }
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        pollinations.voidPollination(caller, id, request);
    }
}
