package org.evenhand.records;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.FilterInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.orchard.Orchards;
import org.springframework.core.io.InputStreamResource;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** All records of an orchard out into open files, and back from them. */
@RestController
@RequestMapping("/api/records")
record PackageController(PackageExport export, PackageImport imports, RecordTables recordTables, Orchards orchards) {
    private static final String ZIP = "application/zip";
    private static final String CSV = "text/csv";

    /** A table that can be exported. */
    @Schema(name = "RecordTable")
    record TableView(String name, String about) {}

    /**
     * What came in with a package.
     *
     * @param lines how many lines each table has
     */
    @Schema(name = "PackageImported")
    record Imported(Map<String, Long> lines) {}

    @GetMapping("/tables")
    List<TableView> tables() {
        return recordTables.all().stream()
                .map(t -> new TableView(t.name(), t.about()))
                .toList();
    }

    @GetMapping(value = "/tables/{name}.csv", produces = CSV)
    ResponseEntity<Resource> table(
            Caller caller,
            @PathVariable String name,
            @RequestParam(required = false) UUID tree,
            @RequestParam(required = false) UUID variety,
            @RequestParam(required = false) UUID jar,
            @RequestParam(required = false) UUID cross,
            @RequestParam(required = false) String block,
            @RequestParam(required = false) LocalDate from,
            @RequestParam(required = false) LocalDate until,
            @RequestParam(defaultValue = "false") boolean removed)
            throws IOException {
        Path file = export.table(caller, name, new TableFilter(tree, variety, jar, cross, block, from, until, removed));
        return sent(file, MediaType.parseMediaType("text/csv;charset=UTF-8"), name(caller, name, ".csv"));
    }

    /** Everything, in one file. */
    @GetMapping(value = "/package", produces = ZIP)
    ResponseEntity<Resource> everything(Caller caller) throws IOException {
        return sent(export.everything(caller), MediaType.parseMediaType(ZIP), name(caller, "", ".zip"));
    }

    /** Reads a package into an orchard that has no records yet. */
    @PostMapping(value = "/package", consumes = ZIP)
    @BodyUpTo(PackageFile.LARGEST_PACKED)
    @Needs(Duty.OWN)
    Imported read(Caller caller, HttpServletRequest request) throws IOException {
        Path file = Files.createTempFile("even-hand-import", ".zip");
        try (InputStream body = request.getInputStream()) {
            PackageFile.save(body, file);
            return new Imported(imports.read(caller, file));
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private String name(Caller caller, String what, String ending) {
        return PackageExport.fileName(orchards.details(caller).name(), what, orchards.today(caller), ending);
    }

    private static ResponseEntity<Resource> sent(Path file, MediaType type, String name) throws IOException {
        return ResponseEntity.ok()
                .contentType(type)
                .contentLength(Files.size(file))
                .header("Content-Disposition", "attachment; filename=\"" + name + "\"")
                .body(new InputStreamResource(new FilterInputStream(Files.newInputStream(file)) {
                    @Override
                    public void close() throws IOException {
                        super.close();
                        Files.deleteIfExists(file);
                    }
                }));
    }
}
