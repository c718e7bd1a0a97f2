package org.evenhand.judging;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record JudgingController(Judging judging, Scores scores) {
    @GetMapping("/judging")
    JudgingView judging(Caller caller, @RequestParam String crop) {
        return judging.of(caller, crop);
    }

    @GetMapping("/judging/crosses")
    JudgingView.Crosses crosses(Caller caller, @RequestParam String crop) {
        return judging.crosses(caller, crop);
    }

    /** Of one seedling or variety. */
    @GetMapping("/scores")
    JudgingView.Card card(Caller caller, @RequestParam String crop, @RequestParam UUID plant) {
        return scores.card(caller, crop, plant);
    }

    @Posts(path = "/scores", needs = Duty.WORK)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void write(Caller caller, @Valid @RequestBody ScoresRequest request) {
        scores.write(caller, request);
    }

    @Voids(path = "/scores/void", needs = Duty.WORK)
    void voidScores(Caller caller, @Valid @RequestBody ScoresRequest.Removal removal) {
        scores.voidAll(caller, removal);
    }

    @Puts(path = "/traits/{id}", needs = Duty.MANAGE)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void put(Caller caller, @PathVariable UUID id, @Valid @RequestBody TraitRequest request) {
        scores.put(caller, id, request);
    }

    @Voids(path = "/traits/{id}/void", needs = Duty.MANAGE)
    void voidTrait(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        scores.voidTrait(caller, id, request);
    }
}
