package org.evenhand.records;

import jakarta.persistence.EntityManager;
import jakarta.validation.Validator;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.account.Accounts;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Text;
import org.evenhand.kit.Caller;
import org.evenhand.kit.ConflictException;
import org.evenhand.kit.IdempotentWriter;
import org.evenhand.kit.ImportKind;
import org.evenhand.kit.Job;
import org.evenhand.kit.NotFoundException;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
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
class Imports implements Job {
    /** Asked once for a file in which a day could be meant two ways. */
    static final String DATE_ORDER = "date-order";

    /** Asked once for a file in which a comma could mean two things. */
    static final String DECIMAL_MARK = "decimal-mark";

    /** Asked where a file says something else of records that are there. */
    static final String CHANGES = "changes";

    /** Asked where lines of a file that is one record cannot be read. */
    static final String LEAVE_OUT = "leave-out";

    private final Map<String, ImportKind<?>> kinds;
    private final ImportRunRepository runs;
    private final Orchards orchards;
    private final Accounts accounts;
    private final IdempotentWriter once;
    private final JsonMapper json;
    private final FileReading.Tools tools;
    private final Map<UUID, FileReading<?>> underWay = new ConcurrentHashMap<>();

    Imports(
            List<ImportKind<?>> kinds,
            ImportRunRepository runs,
            Orchards orchards,
            Accounts accounts,
            IdempotentWriter once,
            Validator validator,
            JsonMapper json,
            EntityManager entities,
            PlatformTransactionManager transactions) {
        this.kinds = kinds.stream()
                .collect(Collectors.toMap(ImportKind::key, Function.identity(), (a, b) -> a, LinkedHashMap::new));
        this.runs = runs;
        this.orchards = orchards;
        this.accounts = accounts;
        this.once = once;
        this.json = json;
        this.tools =
                new FileReading.Tools(runs, orchards, validator, json, entities, new TransactionTemplate(transactions));
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
                        rowsWritten(r),
                        r.changed().size(),
                        r.version()))
                .toList();
    }

    private int rowsWritten(ImportRun run) {
        return kind(run.kind()).wholeFile() && !run.written().isEmpty()
                ? run.lines()
                : run.written().size();
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
        FileReading<?> reading = reading(caller, request);
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

    @Override
    public Kind kind() {
        return Kind.IMPORTS;
    }

    @Override
    public long waiting() {
        return underWay.size();
    }

    ImportView.Progress progress(Caller caller, UUID id) {
        return require(caller, id).progress();
    }

    /** Stops an import that is under way; nothing of it is kept. */
    void stop(Caller caller, UUID id) {
        require(caller, id).stop();
    }

    private FileReading<?> require(Caller caller, UUID id) {
        FileReading<?> reading = underWay.get(id);
        if (reading == null || !reading.of(caller)) {
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

    private FileReading<?> reading(Caller caller, ImportRequest request) {
        return reading(caller, kind(request.kind()), request);
    }

    private <R> FileReading<R> reading(Caller caller, ImportKind<R> kind, ImportRequest request) {
        byte[] bytes;
        try {
            bytes = Base64.getDecoder().decode(request.data());
        } catch (IllegalArgumentException e) {
            throw new InvalidInputException("data", "is no base64.");
        }
        return new FileReading<>(tools, caller, kind, request, ImportFile.read(bytes, kind.mostLines()));
    }
}
