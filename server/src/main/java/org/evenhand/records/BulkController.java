package org.evenhand.records;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.Turns;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/records")
class BulkController {
    private static final long LARGEST = 4_000_000_000L;
    private static final Duration PATIENCE = Duration.ofMinutes(10);

    private final BulkImports imports;
    /** One at a time: each fills the database's disk as fast as it writes. */
    private final Turns turns = new Turns(1, PATIENCE);

    BulkController(BulkImports imports) {
        this.imports = imports;
    }

    @PostMapping(value = "/pollinations", consumes = "text/csv")
    @Needs(Duty.MANAGE)
    @BodyUpTo(LARGEST)
    RecordsImported pollinations(Caller caller, HttpServletRequest request) throws IOException {
        return taken(caller, BulkImports.Kind.POLLINATIONS, request);
    }

    @PostMapping(value = "/looks", consumes = "text/csv")
    @Needs(Duty.MANAGE)
    @BodyUpTo(LARGEST)
    RecordsImported looks(Caller caller, HttpServletRequest request) throws IOException {
        return taken(caller, BulkImports.Kind.CHECKS, request);
    }

    /** On disk first: whoever sends slowly holds no connection of the database. */
    private RecordsImported taken(Caller caller, BulkImports.Kind kind, HttpServletRequest request) throws IOException {
        Path file = Files.createTempFile("even-hand-records", ".csv");
        try {
            try (InputStream body = request.getInputStream()) {
                Files.copy(body, file, StandardCopyOption.REPLACE_EXISTING);
            }
            return turns.take(() -> read(caller, kind, file));
        } finally {
            Files.deleteIfExists(file);
        }
    }

    private RecordsImported read(Caller caller, BulkImports.Kind kind, Path file) {
        try (InputStream csv = Files.newInputStream(file)) {
            return imports.take(caller, kind, csv);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
