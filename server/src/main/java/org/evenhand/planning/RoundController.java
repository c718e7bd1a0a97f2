package org.evenhand.planning;

import jakarta.validation.Valid;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.evenhand.pollination.PollinationRequest;
import org.evenhand.pollination.PollinationView;
import org.evenhand.pollination.Pollinations;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record RoundController(Rounds rounds, Pollinations pollinations) {

    @GetMapping("/round")
    RoundView round(Caller caller, @RequestParam(required = false) Instant at) {
        return rounds.plan(caller, at);
    }

    @GetMapping("/pollinations")
    List<PollinationView> pollinations(Caller caller) {
        return pollinations.latest(caller);
    }

    @Puts(path = "/pollinations/{id}", needs = Duty.WORK)
    PollinationView putPollination(
            Caller caller,
            @PathVariable UUID id,
            @RequestParam(required = false) Long version,
            @Valid @RequestBody PollinationRequest request) {
        return version == null
                ? pollinations.put(caller, id, request)
                : pollinations.correct(caller, id, request, version);
    }

    @Voids(path = "/pollinations/{id}/void", needs = Duty.WORK)
    void voidPollination(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        pollinations.voidPollination(caller, id, request);
    }
}
