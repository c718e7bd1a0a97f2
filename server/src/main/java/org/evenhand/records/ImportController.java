package org.evenhand.records;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.BodyLimits;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.ReadsOnly;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Files of records from elsewhere. */
@RestController
@RequestMapping("/api/imports")
record ImportController(Imports imports) {

    @GetMapping("/kinds")
    List<ImportView.Kind> kinds(Caller caller) {
        return imports.kinds(caller);
    }

    @GetMapping
    List<ImportView.Run> runs(Caller caller) {
        return imports.runs(caller);
    }

    /** Looks a file through without writing anything. */
    @Posts(path = "/look", needs = Duty.MANAGE)
    @BodyUpTo(ImportRequest.MOST_CHARACTERS + BodyLimits.USUAL)
    @ReadsOnly
    ImportView look(Caller caller, @Valid @RequestBody ImportRequest request) {
        return imports.look(caller, request);
    }

    @Puts(path = "/{id}", needs = Duty.MANAGE)
    @BodyUpTo(ImportRequest.MOST_CHARACTERS + BodyLimits.USUAL)
    ImportView write(Caller caller, @PathVariable UUID id, @Valid @RequestBody ImportRequest request) {
        return imports.write(caller, id, request);
    }

    @GetMapping("/{id}/progress")
    ImportView.Progress progress(Caller caller, @PathVariable UUID id) {
        return imports.progress(caller, id);
    }

    @Posts(path = "/{id}/stop", needs = Duty.MANAGE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void stop(Caller caller, @PathVariable UUID id) {
        imports.stop(caller, id);
    }

    /** Undoes an import as a whole. */
    @Voids(path = "/{id}/void", needs = Duty.MANAGE)
    void undo(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        imports.undo(caller, id, request);
    }
}
