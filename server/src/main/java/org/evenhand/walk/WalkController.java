package org.evenhand.walk;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
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

    @PutMapping("/{id}")
    @Needs(Duty.WORK)
    WalkView begin(Caller caller, @PathVariable UUID id, @Valid @RequestBody WalkRequests.Begin request) {
        return walks.begin(caller, id, request);
    }

    @PostMapping("/{id}/close")
    @Needs(Duty.WORK)
    WalkView close(Caller caller, @PathVariable UUID id) {
        return walks.close(caller, id);
    }

    @PostMapping("/{id}/plan-anew")
    @Needs(Duty.WORK)
    WalkView planAnew(Caller caller, @PathVariable UUID id) {
        return walks.planAnew(caller, id);
    }

    @PutMapping("/{walk}/words/{id}")
    @Needs(Duty.WORK)
    WalkView putWord(
            Caller caller,
            @PathVariable UUID walk,
            @PathVariable UUID id,
            @Valid @RequestBody WalkRequests.Word request) {
        return walks.putWord(caller, walk, id, request);
    }

    @Voids("/{walk}/words/{id}/void")
    @Needs(Duty.WORK)
    void voidWord(
            Caller caller, @PathVariable UUID walk, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        walks.voidWord(caller, walk, id, request);
    }

    @PutMapping("/{walk}/photos/{id}")
    @BodyUpTo(CleanPicture.MOST_SENT)
    @Needs(Duty.WORK)
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

    @Voids("/{walk}/photos/{id}/void")
    @Needs(Duty.WORK)
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
