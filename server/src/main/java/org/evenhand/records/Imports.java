package org.evenhand.records;

import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.Base64;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.account.Accounts;
import org.evenhand.core.FieldProblem;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.Constraints;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.Ids;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.ImportRow;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.QuestionException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/**
 * Imports files of records, all lines or none. Looking a file through is importing it and taking it back: what is foreseen is what would
 * happen. Each line goes the way a form goes.
 */
@Service
class Imports {
    private static final int MOST_SAMPLED = 5;
    private static final int MOST_SHOWN = 100;

    /** Asked once for a file in which a day could be meant two ways. */
    static final String DATE_ORDER = "date-order";

    /** Asked once for a file in which a comma could mean two things. */
    static final String DECIMAL_MARK = "decimal-mark";

    /** Asked where a file says something else of records that are there. */
    static final String CHANGES = "changes";

    private final Map<String, ImportKind<?>> kinds;
    private final ImportRunRepository runs;
    private final Orchards orchards;
    private final Accounts accounts;
    private final IdempotentWriter once;
    private final Validator validator;
    private final JsonMapper json;
    private final TransactionTemplate transaction;
    private final Map<UUID, Reading<?>> underWay = new ConcurrentHashMap<>();

    Imports(
            List<ImportKind<?>> kinds,
            ImportRunRepository runs,
            Orchards orchards,
            Accounts accounts,
            IdempotentWriter once,
            Validator validator,
            JsonMapper json,
            PlatformTransactionManager transactions) {
        this.kinds = kinds.stream()
                .collect(Collectors.toMap(ImportKind::key, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        this.runs = runs;
        this.orchards = orchards;
        this.accounts = accounts;
        this.once = once;
        this.validator = validator;
        this.json = json;
        this.transaction = new TransactionTemplate(transactions);
    }

    List<ImportView.Kind> kinds(Caller caller) {
        return kinds.values().stream()
                .map(k -> new ImportView.Kind(k.key(), k.columns(caller)))
                .toList();
    }

    /** Files that were imported and not undone, the latest first. */
    @Transactional(readOnly = true)
    public List<ImportView.Run> runs(Caller caller) {
        Map<UUID, String> names = accounts.names(caller);
        return runs.findTop50ByOrchardIdAndVoidedAtIsNullOrderByRecordedAtDescIdDesc(caller.orchardId()).stream()
                .map(r -> new ImportView.Run(
                        r.id(),
                        r.kind(),
                        r.fileName(),
                        r.recordedAt(),
                        names.getOrDefault(r.recordedBy(), ""),
                        r.lines(),
                        r.written().size(),
                        r.changed().size(),
                        r.version()))
                .toList();
    }

    /** What would become of a file; nothing is written. */
    ImportView look(Caller caller, ImportRequest request) {
        return reading(caller, request).run(null);
    }

    /**
     * Imports a file, where nothing is wrong with it and nothing has to be asked; else tells what is.
     *
     * @param id of the import, by which it can be followed, stopped and undone; one that is there already is not imported again
     */
    ImportView write(Caller caller, UUID id, ImportRequest request) {
        Optional<ImportRun> before = once.written(runs, caller, id);
        Reading<?> reading = reading(caller, request);
        if (before.isPresent()) {
            return reading.view(before.get());
        }
        underWay.put(id, reading);
        try {
            return reading.run(id);
        } finally {
            underWay.remove(id);
        }
    }

    ImportView.Progress progress(Caller caller, UUID id) {
        Reading<?> reading = require(caller, id);
        return new ImportView.Progress(reading.done, reading.file.lines().size());
    }

    /** Stops an import that is under way; nothing of it is kept. */
    void stop(Caller caller, UUID id) {
        require(caller, id).stopped = true;
    }

    private Reading<?> require(Caller caller, UUID id) {
        Reading<?> reading = underWay.get(id);
        if (reading == null || !reading.caller.orchardId().equals(caller.orchardId())) {
            throw new NotFoundException("import under way", id);
        }
        return reading;
    }

    /** Removes what an import wrote and puts back what it changed; all of it, or it is refused. */
    @Transactional
    public void undo(Caller caller, UUID id, VoidRequest request) {
        runs.voidOnce(caller, id, request, orchards.now(caller)).ifPresent(run -> {
            ImportKind<?> kind = kind(run.kind());
            for (ImportRun.Changed changed : run.changed()) {
                if (kind.version(caller, changed.id()) != changed.version()) {
                    throw new ConflictException(Text.of("conflict.import-changed"));
                }
                putBack(caller, kind, changed);
            }
            List<UUID> written = run.written();
            for (int i = written.size() - 1; i >= 0; i--) {
                UUID record = written.get(i);
                kind.remove(caller, record, new VoidRequest(kind.version(caller, record), request.reason()));
            }
        });
    }

    private <R> void putBack(Caller caller, ImportKind<R> kind, ImportRun.Changed changed) {
        R before = json.readValue(changed.before(), kind.requestType());
        kind.write(caller, changed.id(), before, changed.version());
    }

    private ImportKind<?> kind(String key) {
        ImportKind<?> kind = kinds.get(key);
        if (kind == null) {
            throw new NotFoundException("kind of record '" + key + "'");
        }
        return kind;
    }

    private Reading<?> reading(Caller caller, ImportRequest request) {
        return reading(caller, kind(request.kind()), request);
    }

    private <R> Reading<R> reading(Caller caller, ImportKind<R> kind, ImportRequest request) {
        byte[] bytes;
        try {
            bytes = Base64.getDecoder().decode(request.data());
        } catch (IllegalArgumentException e) {
            throw new InvalidInputException("data", "is no base64.");
        }
        return new Reading<>(caller, kind, request, ImportFile.read(bytes));
    }

    /** One file on its way. */
    private final class Reading<R> {
        private final Caller caller;
        private final ImportKind<R> kind;
        private final ImportRequest request;
        private final ImportFile file;
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
        private volatile int done;
        private volatile boolean stopped;

        Reading(Caller caller, ImportKind<R> kind, ImportRequest request, ImportFile file) {
            this.caller = caller;
            this.kind = kind;
            this.request = request;
            this.file = file;
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
            ask(DATE_ORDER, request.dateOrder(), ImportRow::needsOrder, ImportKind.Holds.DAY, ImportKind.Holds.MOMENT);
            ask(
                    DECIMAL_MARK,
                    request.decimalMark(),
                    ImportRow::needsMark,
                    ImportKind.Holds.NUMBER,
                    ImportKind.Holds.WHOLE_NUMBER);
            if (!problems.isEmpty() || !questions.isEmpty()) {
                return view(false);
            }
            boolean imported = Boolean.TRUE.equals(transaction.execute(status -> {
                readAll();
                boolean keep = id != null && problems.isEmpty() && questions.isEmpty();
                if (keep) {
                    runs.saveAndFlush(new ImportRun(
                            id,
                            caller,
                            orchards.now(caller),
                            orchards.details(caller).site().zone(),
                            kind.key(),
                            request.fileName(),
                            file.lines().size(),
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
        private void ask(
                String key, Object answer, java.util.function.Predicate<String> open, ImportKind.Holds... where) {
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
            }
            if (!changes.isEmpty() && !confirmed.contains(CHANGES)) {
                questions.put(CHANGES, new ImportView.Question(CHANGES, "", changed.size()));
            }
        }

        private List<ImportRow> rows() {
            Site site = orchards.details(caller).site();
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
            List<FieldProblem> broken = validator.validate(line.request()).stream()
                    .map(v -> Constraints.problem(v.getPropertyPath().toString(), v))
                    .toList();
            if (!broken.isEmpty()) {
                throw new InvalidInputException(broken);
            }
            if (line.there().isEmpty()) {
                UUID id = Ids.newVersion7(orchards.now(caller));
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
                    there.id(), kind.version(caller, there.id()), json.writeValueAsString(there.request())));
        }

        private void differences(long line, R before, R after) {
            tools.jackson.databind.JsonNode one = json.valueToTree(before);
            tools.jackson.databind.JsonNode other = json.valueToTree(after);
            RecordDifference.of(one, other)
                    .forEach((field, pair) -> changes.add(new ImportView.Change(
                            line, Optional.ofNullable(columnOf(field)).orElse(field), pair.before(), pair.after())));
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
            String value = column == null || !columns.containsKey(column)
                    ? ""
                    : file.lines().stream()
                            .filter(l -> l.number() == line)
                            .findFirst()
                            .map(l -> l.cells().get(columns.get(column)))
                            .orElse("");
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
                    written.size(),
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
            already = file.lines().size() - written.size() - changed.size();
            return view(true);
        }
    }
}
