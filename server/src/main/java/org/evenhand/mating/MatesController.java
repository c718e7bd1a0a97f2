package org.evenhand.mating;

import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.VoidRequest;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class MatesController {
    private final Mates mates;
    private final Wishes wishes;

    MatesController(Mates mates, Wishes wishes) {
        this.mates = mates;
        this.wishes = wishes;
    }

    @GetMapping("/mates")
    MatesView mates(@AuthenticationPrincipal Caller caller) {
        return mates.all(caller);
    }

    @GetMapping("/mates/pair")
    MatesView.Pair pair(@AuthenticationPrincipal Caller caller, @RequestParam UUID mother, @RequestParam UUID father) {
        return mates.pair(caller, mother, father);
    }

    @GetMapping("/lots/{id}/serves")
    List<MatesView.Served> served(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return mates.servedBy(caller, id);
    }

    @GetMapping("/trees/{id}/servers")
    MatesView.Servers servers(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return mates.serversOf(caller, id);
    }

    @GetMapping("/wishes")
    List<MatesView.Wish> wishes(@AuthenticationPrincipal Caller caller) {
        return wishes.all(caller);
    }

    @PutMapping("/wishes/{id}")
    MatesView.Wish putWish(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody WishRequest request) {
        return wishes.put(caller, id, request);
    }

    @PostMapping("/wishes/{id}/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidWish(@AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody VoidRequest request) {
        wishes.voidWish(caller, id, request);
    }
}
