package org.evenhand.fruitset;

import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.pollination.PollinationView;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Component;

/** Checks out of a file; each names its pollination by tree and minute, and is known by that and its own moment. */
@Component
class CheckImport implements ImportKind<CheckRequest> {
    private static final String POLLINATED_AT = "pollinated_at";
    private static final String CHECKED_AT = "checked_at";

    private final FruitChecks checks;
    private final FruitCheckRepository kept;
    private final Pollinations pollinations;
    private final Orchards orchards;

    CheckImport(FruitChecks checks, FruitCheckRepository kept, Pollinations pollinations, Orchards orchards) {
        this.checks = checks;
        this.kept = kept;
        this.pollinations = pollinations;
        this.orchards = orchards;
    }

    @Override
    public String key() {
        return "checks";
    }

    @Override
    public List<Column> columns(Caller caller) {
        return List.of(
                Column.needed("tree", "pollinationId", Holds.TEXT, "Name of the tree.", "árbol"),
                Column.needed(
                        POLLINATED_AT, POLLINATED_AT, Holds.MOMENT, "When its flowers were pollinated.", "done_at"),
                Column.needed(CHECKED_AT, "checkedAt", Holds.MOMENT, "When they were checked.", "date", "fecha"),
                Column.needed("set", "taken", Holds.WHOLE_NUMBER, "Flowers that have set.", "taken", "cuajadas"),
                Column.needed("failed", "failed", Holds.WHOLE_NUMBER, "Flowers that have failed.", "fallidas"),
                Column.optional("unknown", "unknown", Holds.WHOLE_NUMBER, "Flowers of which nobody knows yet."),
                Column.optional("tag", "tag", Holds.TEXT, "Tag of the flowers, where several were done at once."),
                Column.optional("jar", "jar", Holds.TEXT, "Code of their jar, where several were done at once."),
                Column.optional("dropped", "dropped", Holds.WHOLE_NUMBER, "Fruitlets that fell by themselves."),
                Column.optional("thinned", "thinned", Holds.WHOLE_NUMBER, "Fruitlets thinned by hand."),
                Column.optional("lost", "lost", Holds.WHOLE_NUMBER, "Flowers whose mark is gone."),
                Column.optional("resting", "detail.resting", Holds.WHOLE_NUMBER, "Fruitlets that rest."),
                Column.optional("fruits", "detail.fruits", Holds.WHOLE_NUMBER, "Fruits in all.", "frutos"),
                Column.optional("whole", "detail.whole", Holds.WHOLE_NUMBER, "Fruits of a whole shape."),
                Column.optional("one_sided", "detail.oneSided", Holds.WHOLE_NUMBER, "Fruits swollen on one side."),
                Column.optional("crooked", "detail.crooked", Holds.WHOLE_NUMBER, "Crooked fruits."),
                Column.optional("size_mm", "detail.sizeMm", Holds.NUMBER, "Usual size across in millimetres."),
                Column.optional("note", "note", Holds.TEXT, "Note.", "nota"));
    }

    @Override
    public Class<CheckRequest> requestType() {
        return CheckRequest.class;
    }

    /** The earlier first: each is held against those before it. */
    @Override
    public List<ImportRow> order(List<ImportRow> rows) {
        return rows.stream().sorted(ImportRow.byMoment(CHECKED_AT)).toList();
    }

    @Override
    public Session<CheckRequest> begin(Caller caller, Set<String> confirmed) {
        return new Reading(
                caller,
                kept,
                pollinations,
                ImportRow.byName(orchards.trees(caller), TreeView::name),
                List.copyOf(confirmed));
    }

    private static CheckRequest request(FruitCheck check, List<String> confirmed) {
        CheckView c = check.view();
        return new CheckRequest(
                c.pollinationId(),
                c.checkedAt(),
                c.taken(),
                c.failed(),
                c.unknown(),
                c.dropped(),
                c.thinned(),
                c.lost(),
                c.detail(),
                c.note(),
                confirmed);
    }

    private record Reading(
            Caller caller,
            FruitCheckRepository kept,
            Pollinations pollinations,
            Map<String, TreeView> trees,
            List<String> confirmed)
            implements Session<CheckRequest> {
        @Override
        public Line<CheckRequest> read(ImportRow row) {
            PollinationView checked = pollination(row);
            Instant at = Given.required(CHECKED_AT, row.moment(CHECKED_AT));
            Integer taken = Given.required("set", row.wholeOr("set", null));
            Integer failed = Given.required("failed", row.wholeOr("failed", null));
            Optional<FruitCheck> found = there(checked.id(), at);
            CheckRequest known = found.map(c -> request(c, confirmed))
                    .orElse(new CheckRequest(
                            checked.id(), at, taken, failed, 0, 0, 0, 0, CheckDetail.NONE, "", confirmed));
            return Line.of(
                    new CheckRequest(
                            checked.id(),
                            known.checkedAt(),
                            taken,
                            failed,
                            row.wholeOr("unknown", known.unknown()),
                            row.wholeOr("dropped", known.dropped()),
                            row.wholeOr("thinned", known.thinned()),
                            row.wholeOr("lost", known.lost()),
                            detail(row, known.detail()),
                            row.textOr("note", known.note()),
                            confirmed),
                    found.map(c -> new Existing<>(c.id(), c.version(), known)).orElse(null));
        }

        private PollinationView pollination(ImportRow row) {
            TreeView tree = row.named("tree", trees, "tree");
            Instant minute =
                    Given.required(POLLINATED_AT, row.moment(POLLINATED_AT)).truncatedTo(ChronoUnit.MINUTES);
            List<PollinationView> done =
                    pollinations.ofTree(caller, tree.id(), minute, minute.plus(1, ChronoUnit.MINUTES)).stream()
                            .filter(p -> row.text("tag") == null || p.tag().equalsIgnoreCase(row.text("tag")))
                            .filter(p -> row.text("jar") == null || p.lotCode().equalsIgnoreCase(row.text("jar")))
                            .toList();
            if (done.size() != 1) {
                throw new InvalidInputException(
                        POLLINATED_AT,
                        done.isEmpty()
                                ? "is a minute at which nothing was pollinated on " + tree.name()
                                        + ". Import the pollinations first."
                                : "is a minute at which " + done.size() + " lots of flowers were pollinated on "
                                        + tree.name() + ". Give their tag or their jar.");
            }
            return done.get(0);
        }

        private Optional<FruitCheck> there(UUID pollination, Instant at) {
            Instant minute = at.truncatedTo(ChronoUnit.MINUTES);
            return kept
                    .findByOrchardIdAndPollinationIdInAndVoidedAtIsNullOrderByCheckedAtAscIdAsc(
                            caller.orchardId(), List.of(pollination))
                    .stream()
                    .filter(c -> c.checkedAt().truncatedTo(ChronoUnit.MINUTES).equals(minute))
                    .findFirst();
        }

        private static CheckDetail detail(ImportRow row, CheckDetail known) {
            return new CheckDetail(
                    row.wholeOr("resting", known.resting()),
                    row.wholeOr("fruits", known.fruits()),
                    row.wholeOr("whole", known.whole()),
                    row.wholeOr("one_sided", known.oneSided()),
                    row.wholeOr("crooked", known.crooked()),
                    row.numberOr("size_mm", known.sizeMm()));
        }

        @Override
        public void written(CheckRequest request, UUID id) {
            // What was written is found where all others are.
        }
    }

    @Override
    public void write(Caller caller, UUID id, CheckRequest request, Long version) {
        if (version == null) {
            checks.put(caller, id, request);
        } else {
            checks.correct(caller, id, request, version);
        }
    }

    @Override
    public long version(Caller caller, UUID id) {
        return kept.require(caller, id).version();
    }

    @Override
    public void remove(Caller caller, UUID id, VoidRequest request) {
        checks.voidCheck(caller, id, request);
    }
}
