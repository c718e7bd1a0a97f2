package org.evenhand.planning;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.PublicAddress;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record CalendarController(Calendars calendars, PublicAddress address) {

    @GetMapping("/calendars")
    List<CalendarView> calendars(Caller caller) {
        return calendars.all(caller);
    }

    @Puts(path = "/calendars/{id}", needs = Duty.WORK)
    CalendarView make(Caller caller, @PathVariable UUID id, @Valid @RequestBody CalendarRequest request) {
        return calendars.make(caller, id, request);
    }

    @Voids(path = "/calendars/{id}/void", needs = Duty.WORK)
    void voidFeed(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        calendars.voidFeed(caller, id, request);
    }

    /** For calendar programs, which cannot sign in: the address itself is the secret. */
    @GetMapping(value = "/feeds/{key}.ics", produces = "text/calendar")
    @Needs(Duty.OPEN)
    ResponseEntity<byte[]> read(@PathVariable String key) {
        return ResponseEntity.ok()
                .header("Content-Type", "text/calendar;charset=UTF-8")
                .header("Cache-Control", "private, max-age=600")
                .body(calendars.read(key, address.origin()).getBytes(java.nio.charset.StandardCharsets.UTF_8));
    }
}
