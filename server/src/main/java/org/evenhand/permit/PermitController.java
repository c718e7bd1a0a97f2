package org.evenhand.permit;

import jakarta.validation.Valid;
import java.time.LocalDate;
import java.util.UUID;
import org.evenhand.core.permit.PermitScope;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/permits")
record PermitController(Permits permits) {

    @GetMapping
    PermitView.All all(Caller caller) {
        return permits.all(caller);
    }

    /** How permits stand to flowers, or pollen that is moved, of a crop on a day. */
    @GetMapping("/standing")
    PermitView.Notice standing(
            Caller caller, @RequestParam PermitScope scope, @RequestParam String crop, @RequestParam LocalDate day) {
        return permits.standing(caller, scope, crop, day);
    }

    @Puts(path = "/{id}", needs = Duty.MANAGE)
    PermitView put(Caller caller, @PathVariable UUID id, @Valid @RequestBody PermitRequest request) {
        return permits.put(caller, id, request);
    }

    @Puts(path = "/{id}/paper", needs = Duty.MANAGE)
    @BodyUpTo(CleanPicture.MOST_SENT)
    PermitView putPaper(Caller caller, @PathVariable UUID id, @Valid @RequestBody PermitRequest.Paper paper) {
        return permits.putPaper(caller, id, paper);
    }

    @GetMapping(value = "/{id}/paper", produces = "application/pdf")
    ResponseEntity<byte[]> paper(Caller caller, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Content-Disposition", "inline; filename=\"permit-" + id + ".pdf\"")
                .header("X-Content-Type-Options", "nosniff")
                .body(permits.paper(caller, id));
    }

    @Voids(path = "/{id}/void", needs = Duty.MANAGE)
    void remove(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        permits.remove(caller, id, request);
    }
}
