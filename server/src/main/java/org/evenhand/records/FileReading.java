package org.evenhand.records;

import jakarta.persistence.EntityManager;
import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Constraints;
import org.evenhand.kit.Ids;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.QuestionException;
import org.evenhand.orchard.Orchards;
import org.springframework.dao.DataAccessException;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * One file on its way: looked through line by line in a transaction that is kept or rolled back as a whole.
 *
 * @param <R> what a form sends for one of its lines
 */
final class FileReading<R> {
    private static final int MOST_SAMPLED = 5;
    private static final int MOST_SHOWN = 100;
    private static final int LET_GO = 200;

    /** What any reading needs. */
    record Tools(
            ImportRunRepository runs,
            Orchards orchards,
            Validator validator,
            JsonMapper json,
            EntityManager entities,
            TransactionTemplate transaction) {}

    private final Tools tools;
    private final Caller caller;
    private final ImportKind<R> kind;
    private final ImportRequest request;
    private final ImportFile file;
    private final Map<Long, ImportFile.Line> byNumber;
    private final List<ImportKind.Column> known;
    private final Map<String, Integer> columns;
    private final Set<String> confirmed;
    private final List<ImportView.Problem> problems = new ArrayList<>();
    private final Set<Long> problemLines = new HashSet<>();
    private final Map<String, ImportView.Question> questions = new LinkedHashMap<>();
    private final List<ImportView.Change> changes = new ArrayList<>();
    private final List<UUID> written = new ArrayList<>();
    private final List<ImportRun.Changed> changed = new ArrayList<>();
    private int already;
    /** Lines of a file that is one record. */
    private int held;

    private Map<String, String> names;
    private volatile int done;
    private volatile boolean stopped;

    FileReading(Tools tools, Caller caller, ImportKind<R> kind, ImportRequest request, ImportFile file) {
        this.tools = tools;
        this.caller = caller;
        this.kind = kind;
        this.request = request;
        this.file = file;
        this.byNumber = file.lines().stream().collect(Collectors.toMap(ImportFile.Line::number, l -> l));
        this.known = kind.columns(caller);
        this.confirmed = request.confirmed() == null ? Set.of() : Set.copyOf(request.confirmed());
        this.columns = columns();
    }

    private Map<String, Integer> columns() {
        Map<String, Integer> found = new LinkedHashMap<>();
        for (ImportKind.Column c : known) {
            Optional<Integer> at = request.columns() == null
                    ? file.guess(c)
                    : Optional.ofNullable(request.columns().get(c.key())).filter(i -> i >= 0);
            at.filter(i -> i < file.head().size()).ifPresent(i -> found.put(c.key(), i));
        }
        return found;
    }

    /** @param id of the import; null where it is only looked through */
    ImportView run(UUID id) {
        requireColumns();
        ask(
                Imports.DATE_ORDER,
                request.dateOrder(),
                ImportRow::needsOrder,
                ImportKind.Holds.DAY,
                ImportKind.Holds.MOMENT);
        ask(
                Imports.DECIMAL_MARK,
                request.decimalMark(),
                ImportRow::needsMark,
                ImportKind.Holds.NUMBER,
                ImportKind.Holds.WHOLE_NUMBER);
        if (!problems.isEmpty() || !questions.isEmpty()) {
            return view(false);
        }
        boolean imported = Boolean.TRUE.equals(tools.transaction().execute(status -> {
            readAll();
            boolean keep = id != null && (problems.isEmpty() || leavesOut()) && questions.isEmpty();
            if (keep) {
                tools.runs()
                        .saveAndFlush(new ImportRun(
                                id,
                                caller,
                                tools.orchards().now(caller),
                                tools.orchards().details(caller).site().zone(),
                                kind.key(),
                                request.fileName(),
                                kind.wholeFile() ? held + already : file.lines().size(),
                                written,
                                changed));
            } else {
                status.setRollbackOnly();
            }
            return keep;
        }));
        return view(imported);
    }

    private void requireColumns() {
        known.stream()
                .filter(c -> c.needed() && !columns.containsKey(c.key()))
                .forEach(c -> problem(1, c.key(), "is in no column; choose which one it is."));
    }

    /** Asks once for the file what its cells leave open. */
    private void ask(String key, Object answer, Predicate<String> open, ImportKind.Holds... where) {
        Set<ImportKind.Holds> kinds = Set.of(where);
        int lines = (int) file.lines().stream()
                .filter(l -> known.stream()
                        .filter(c -> kinds.contains(c.holds()) && columns.containsKey(c.key()))
                        .anyMatch(c -> open.test(l.cells().get(columns.get(c.key())))))
                .count();
        if (lines > 0 && answer == null) {
            questions.put(key, new ImportView.Question(key, "", lines));
        }
    }

    private void readAll() {
        ImportKind.Session<R> session = kind.begin(caller, confirmed);
        for (ImportRow row : kind.order(rows())) {
            if (stopped) {
                throw new ConflictException(Text.of("conflict.import-stopped"));
            }
            try {
                read(session, row);
            } catch (InvalidInputException e) {
                e.problems().forEach(p -> problem(row.line(), columnOf(p.field()), p.message()));
            } catch (QuestionException e) {
                questions.merge(
                        e.key(),
                        new ImportView.Question(e.key(), e.getMessage(), 1),
                        (a, b) -> new ImportView.Question(a.key(), a.text(), a.lines() + 1));
            } catch (NotFoundException | ConflictException e) {
                problem(row.line(), null, e.getMessage());
            } catch (DataAccessException e) {
                // Nothing more can be asked of the database in this transaction.
                problem(row.line(), null, "does not fit with a record that is there already.");
                return;
            }
            done++;
            if (done % LET_GO == 0) {
                // What was written is written: held on to, each of them would be looked at again at every line.
                tools.entities().clear();
            }
        }
        if (kind.wholeFile()) {
            end(session);
        }
        if (!changed.isEmpty() && !confirmed.contains(Imports.CHANGES)) {
            questions.put(Imports.CHANGES, new ImportView.Question(Imports.CHANGES, "", changed.size()));
        }
    }

    /** Whether lines that cannot be read are to be left out, and others are there. */
    private boolean leavesOut() {
        return kind.wholeFile() && held > 0 && confirmed.contains(Imports.LEAVE_OUT);
    }

    private void end(ImportKind.Session<R> session) {
        if (!problems.isEmpty() && held > 0 && !leavesOut()) {
            questions.put(Imports.LEAVE_OUT, new ImportView.Question(Imports.LEAVE_OUT, "", problemLines.size()));
        }
        if (questions.isEmpty() && (problems.isEmpty() || leavesOut())) {
            written.addAll(session.end(request.fileName()));
        }
    }

    private List<ImportRow> rows() {
        Site site = tools.orchards().details(caller).site();
        ImportRow.Format format = new ImportRow.Format(site.zone(), request.dateOrder(), request.decimalMark());
        Map<Long, List<ImportRequest.Fix>> fixes = request.fixes() == null
                ? Map.of()
                : request.fixes().stream().collect(Collectors.groupingBy(ImportRequest.Fix::line));
        return file.lines().stream()
                .map(l -> new ImportRow(l.number(), cells(l, fixes.getOrDefault(l.number(), List.of())), format))
                .toList();
    }

    private Map<String, String> cells(ImportFile.Line line, List<ImportRequest.Fix> fixes) {
        Map<String, String> cells = new HashMap<>();
        columns.forEach((key, at) -> cells.put(key, line.cells().get(at)));
        fixes.forEach(f -> cells.put(f.column(), f.value()));
        return cells;
    }

    private void read(ImportKind.Session<R> session, ImportRow row) {
        ImportKind.Line<R> line = session.read(row);
        List<FieldProblem> broken = tools.validator().validate(line.request()).stream()
                .map(v -> Constraints.problem(v.getPropertyPath().toString(), v))
                .toList();
        if (!broken.isEmpty()) {
            throw new InvalidInputException(broken);
        }
        if (line.there().isEmpty() && kind.wholeFile()) {
            session.written(line.request(), null);
            held++;
        } else if (line.there().isEmpty()) {
            UUID id = Ids.newVersion7(tools.orchards().now(caller));
            kind.write(caller, id, line.request(), null);
            session.written(line.request(), id);
            written.add(id);
        } else if (line.there().get().request().equals(line.request())) {
            already++;
        } else {
            change(session, row, line.request(), line.there().get());
        }
    }

    private void change(ImportKind.Session<R> session, ImportRow row, R wanted, ImportKind.Existing<R> there) {
        differences(row.line(), there.request(), wanted);
        kind.write(caller, there.id(), wanted, there.version());
        session.written(wanted, there.id());
        changed.add(new ImportRun.Changed(
                there.id(), kind.version(caller, there.id()), tools.json().writeValueAsString(there.request())));
    }

    private void differences(long line, R before, R after) {
        RecordDifference.of(tools.json().valueToTree(before), tools.json().valueToTree(after))
                .forEach((field, pair) -> changes.add(new ImportView.Change(
                        line,
                        Optional.ofNullable(columnOf(field)).orElse(field),
                        named(pair.before()),
                        named(pair.after()))));
    }

    /** The name of a variety or tree where its id stands. */
    private String named(String value) {
        if (names == null) {
            Map<String, String> all = new HashMap<>();
            tools.orchards().varieties(caller).forEach(v -> all.put(v.id().toString(), v.name()));
            tools.orchards().trees(caller).forEach(t -> all.put(t.id().toString(), t.name()));
            names = all;
        }
        return names.getOrDefault(value, value);
    }

    private String columnOf(String field) {
        String last = field.substring(field.lastIndexOf('.') + 1);
        return known.stream()
                .filter(c -> c.key().equals(field)
                        || c.field().equals(field)
                        || c.field().equals(last))
                .map(ImportKind.Column::key)
                .findFirst()
                .orElse(null);
    }

    private void problem(long line, String column, String message) {
        problemLines.add(line);
        ImportFile.Line of = byNumber.get(line);
        String value = column == null || of == null || !columns.containsKey(column)
                ? ""
                : of.cells().get(columns.get(column));
        problems.add(new ImportView.Problem(line, column, value, message));
    }

    ImportView view(boolean imported) {
        return new ImportView(
                file.head(),
                columns,
                file.lines().stream()
                        .limit(MOST_SAMPLED)
                        .map(ImportFile.Line::cells)
                        .toList(),
                file.lines().size(),
                kind.wholeFile() ? held : written.size(),
                already,
                changed.size(),
                changes.stream().limit(MOST_SHOWN).toList(),
                problems.stream().limit(MOST_SHOWN).toList(),
                problemLines.size(),
                List.copyOf(questions.values()),
                request.dateOrder(),
                request.decimalMark(),
                imported);
    }

    /** Of an import that was written before. */
    ImportView view(ImportRun run) {
        written.addAll(run.written());
        changed.addAll(run.changed());
        held = kind.wholeFile() ? run.lines() : 0;
        already = kind.wholeFile() ? 0 : file.lines().size() - written.size() - changed.size();
        return view(true);
    }

    boolean of(Caller other) {
        return caller.orchardId().equals(other.orchardId());
    }

    ImportView.Progress progress() {
        return new ImportView.Progress(done, file.lines().size());
    }

    /** Stops it at the next line; nothing of it is kept. */
    void stop() {
        stopped = true;
    }
}
