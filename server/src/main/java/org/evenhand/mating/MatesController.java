package org.evenhand.mating;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.ReadsOnly;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record MatesController(Mates mates, ManyCrosses many, CrossRequests crossRequests) {

    @GetMapping("/mates")
    MatesView mates(Caller caller) {
        return mates.all(caller);
    }

    @GetMapping("/mates/pair")
    MatesView.Pair pair(Caller caller, @RequestParam UUID mother, @RequestParam UUID father) {
        return mates.pair(caller, mother, father);
    }

    /** Mothers against fathers; posted as there can be hundreds. */
    @PostMapping("/mates/many")
    @ReadsOnly
    ManyCrossesView many(Caller caller, @Valid @RequestBody ManyCrossesRequest request) {
        return many.of(caller, request);
    }

    /** How many wanted crosses were written down. */
    @Posts(path = "/cross-requests", needs = Duty.MANAGE)
    Written putAll(Caller caller, @Valid @RequestBody ManyCrossesRequest.Wanted request) {
        return new Written(crossRequests.putAll(caller, request));
    }

    @Voids(path = "/cross-requests/void", needs = Duty.MANAGE)
    void voidAll(Caller caller, @Valid @RequestBody ManyCrossesRequest.Removal removal) {
        crossRequests.voidAll(caller, removal);
    }

    /** How many records were written. */
    @Schema(name = "WrittenCrosses")
    record Written(int written) {}

    @GetMapping("/lots/{id}/serves")
    List<MatesView.Served> served(Caller caller, @PathVariable UUID id) {
        return mates.servedBy(caller, id);
    }

    @GetMapping("/trees/{id}/servers")
    MatesView.Servers servers(Caller caller, @PathVariable UUID id) {
        return mates.serversOf(caller, id);
    }

    @GetMapping("/cross-requests")
    List<MatesView.CrossRequest> crossRequests(Caller caller) {
        return crossRequests.all(caller);
    }

    @Puts(path = "/cross-requests/{id}", needs = Duty.MANAGE)
    MatesView.CrossRequest putCrossRequest(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody WantedCrossRequest request) {
        return crossRequests.put(caller, id, request);
    }

    @Voids(path = "/cross-requests/{id}/void", needs = Duty.MANAGE)
    void voidCrossRequest(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        crossRequests.voidCrossRequest(caller, id, request);
    }
}
