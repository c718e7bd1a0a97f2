package org.evenhand.walk;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
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
@RequestMapping("/api/walks")
record WalkController(Walks walks) {

    @GetMapping
    List<WalkView.Open> open(Caller caller) {
        return walks.open(caller);
    }

    @GetMapping("/{id}")
    WalkView walk(Caller caller, @PathVariable UUID id) {
        return walks.walk(caller, id);
    }

    @Puts(path = "/{id}", needs = Duty.WORK)
    WalkView begin(Caller caller, @PathVariable UUID id, @Valid @RequestBody WalkRequests.Begin request) {
        return walks.begin(caller, id, request);
    }

    @Posts(path = "/{id}/close", needs = Duty.WORK)
    WalkView close(Caller caller, @PathVariable UUID id) {
        return walks.close(caller, id);
    }

    @Posts(path = "/{id}/plan-anew", needs = Duty.WORK)
    WalkView planAnew(Caller caller, @PathVariable UUID id) {
        return walks.planAnew(caller, id);
    }

    @Puts(path = "/{walk}/words/{id}", needs = Duty.WORK)
    WalkView putWord(
            Caller caller,
            @PathVariable UUID walk,
            @PathVariable UUID id,
            @Valid @RequestBody WalkRequests.Word request,
            @RequestParam(required = false) Long version) {
        return version == null
                ? walks.putWord(caller, walk, id, request)
                : walks.correctWord(caller, walk, id, request, version);
    }

    @Voids(path = "/{walk}/words/{id}/void", needs = Duty.WORK)
    void voidWord(
            Caller caller, @PathVariable UUID walk, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        walks.voidWord(caller, walk, id, request);
    }

    @Puts(path = "/{walk}/photos/{id}", needs = Duty.WORK)
    @BodyUpTo(CleanPicture.MOST_SENT)
    WalkView putPhoto(
            Caller caller,
            @PathVariable UUID walk,
            @PathVariable UUID id,
            @Valid @RequestBody WalkRequests.Photo request) {
        return walks.putPhoto(caller, walk, id, request);
    }

    @GetMapping("/{walk}/photos/{id}")
    ResponseEntity<byte[]> photo(Caller caller, @PathVariable UUID walk, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Content-Type", "image/jpeg")
                .header("Cache-Control", "private, max-age=86400")
                .body(walks.photo(caller, walk, id));
    }

    @Voids(path = "/{walk}/photos/{id}/void", needs = Duty.WORK)
    void voidPhoto(
            Caller caller, @PathVariable UUID walk, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        walks.voidPhoto(caller, walk, id, request);
    }

    /** A walk on one page, to carry. */
    @GetMapping(value = "/{id}/paper", produces = "application/pdf")
    ResponseEntity<byte[]> paper(Caller caller, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Content-Type", "application/pdf")
                .header("Content-Disposition", "inline; filename=\"visit.pdf\"")
                .body(walks.paper(caller, id));
    }
}
