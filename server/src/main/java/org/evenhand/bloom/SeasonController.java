package org.evenhand.bloom;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.evenhand.orchard.BlockNoteRequest;
import org.evenhand.orchard.BlockNotes;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record SeasonController(Seasons seasons, BloomDiary diary, HandPollinationNeeds handNeeds, BlockNotes blocks) {

    @GetMapping("/season")
    SeasonView season(Caller caller) {
        return seasons.season(caller);
    }

    @Puts(path = "/bloom-dates/{id}", needs = Duty.WORK)
    BloomDateView putDate(Caller caller, @PathVariable UUID id, @Valid @RequestBody BloomDateRequest request) {
        return diary.put(caller, id, request);
    }

    @Voids(path = "/bloom-dates/{id}/void", needs = Duty.WORK)
    void voidDate(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        diary.voidDate(caller, id, request);
    }

    @GetMapping("/hand-need")
    List<HandPollinationNeeds.View> handNeed(Caller caller) {
        return handNeeds.all(caller);
    }

    @Puts(path = "/block-notes/{id}", needs = Duty.WORK)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void putNote(Caller caller, @PathVariable UUID id, @Valid @RequestBody BlockNoteRequest request) {
        blocks.put(caller, id, request);
    }
}
