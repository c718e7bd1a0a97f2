package org.evenhand.photo;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.CleanPicture;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record PhotoController(RecordPhotos photos) {

    @Puts(path = "/record-photos/{id}", needs = Duty.WORK)
    @BodyUpTo(CleanPicture.MOST_SENT)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Caller caller, @PathVariable UUID id, @Valid @RequestBody PhotoRequest request) {
        photos.put(caller, id, request);
    }

    @GetMapping(value = "/record-photos/{id}", produces = "image/jpeg")
    ResponseEntity<byte[]> photo(Caller caller, @PathVariable UUID id) {
        return ResponseEntity.ok()
                .header("Cache-Control", "private, max-age=86400")
                .body(photos.jpeg(caller, id));
    }

    @Voids(path = "/record-photos/{id}/void", needs = Duty.WORK)
    void remove(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        photos.remove(caller, id, request);
    }

    @GetMapping("/trees/{id}/stage-photos")
    List<PhotoView> stages(Caller caller, @PathVariable UUID id) {
        return photos.stages(caller, id);
    }
}
