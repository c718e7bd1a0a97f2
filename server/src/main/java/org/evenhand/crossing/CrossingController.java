package org.evenhand.crossing;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.VoidRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.support.ServletUriComponentsBuilder;

@RestController
@RequestMapping("/api/crossings")
class CrossingController {
    private final Crossings crossings;
    private final CrossingLabels labels;

    CrossingController(Crossings crossings, CrossingLabels labels) {
        this.crossings = crossings;
        this.labels = labels;
    }

    @GetMapping
    CrossingView.All all(Caller caller) {
        return crossings.all(caller);
    }

    @PutMapping("/{id}")
    CrossingView put(Caller caller, @PathVariable UUID id, @Valid @RequestBody CrossingRequests.Cross request) {
        return crossings.put(caller, id, request);
    }

    @PostMapping("/{id}/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidCrossing(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        crossings.voidCrossing(caller, id, request);
    }

    @PutMapping("/{crossing}/steps/{id}")
    CrossingView putStep(
            Caller caller,
            @PathVariable UUID crossing,
            @PathVariable UUID id,
            @Valid @RequestBody CrossingRequests.Step request) {
        return crossings.putStep(caller, crossing, id, request);
    }

    @PostMapping("/{crossing}/steps/{id}/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidStep(
            Caller caller,
            @PathVariable UUID crossing,
            @PathVariable UUID id,
            @Valid @RequestBody VoidRequest request) {
        crossings.voidStep(caller, crossing, id, request);
    }

    @PostMapping("/labels")
    LabelSheet.Sheet labels(Caller caller, @Valid @RequestBody CrossingRequests.Labels request) {
        String origin =
                ServletUriComponentsBuilder.fromCurrentContextPath().build().toUriString();
        return labels.sheet(caller, request, origin);
    }
}
