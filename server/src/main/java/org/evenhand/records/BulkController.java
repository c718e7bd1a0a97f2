package org.evenhand.records;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/records")
class BulkController {
    private final BulkImports imports;

    BulkController(BulkImports imports) {
        this.imports = imports;
    }

    @PostMapping(value = "/pollinations", consumes = "text/csv")
    @Needs(Duty.MANAGE)
    RecordsImported pollinations(Caller caller, HttpServletRequest request) throws IOException {
        return taken(caller, BulkImports.Kind.POLLINATIONS, request);
    }

    @PostMapping(value = "/looks", consumes = "text/csv")
    @Needs(Duty.MANAGE)
    RecordsImported looks(Caller caller, HttpServletRequest request) throws IOException {
        return taken(caller, BulkImports.Kind.CHECKS, request);
    }

    private RecordsImported taken(Caller caller, BulkImports.Kind kind, HttpServletRequest request) throws IOException {
        // The body itself: a file of millions of lines is never held as a whole.
        try (InputStream csv = request.getInputStream()) {
            return imports.take(caller, kind, csv);
        }
    }
}
