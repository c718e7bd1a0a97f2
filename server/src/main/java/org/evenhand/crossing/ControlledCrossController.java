package org.evenhand.crossing;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.PublicAddress;
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
@RequestMapping("/api/crosses")
record ControlledCrossController(ControlledCrosses controlledCrosses, CrossLabels labels, PublicAddress address) {

    /** Of all years. */
    @GetMapping("/made")
    List<ControlledCrossView.Made> made(Caller caller) {
        return controlledCrosses.made(caller);
    }

    @GetMapping
    ControlledCrossView.All all(Caller caller) {
        return controlledCrosses.all(caller);
    }

    @Puts(path = "/{id}", needs = Duty.WORK)
    ControlledCrossView put(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody ControlledCrossRequests.Cross request) {
        return controlledCrosses.put(caller, id, request);
    }

    @Voids(path = "/{id}/void", needs = Duty.WORK)
    void voidCross(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        controlledCrosses.voidCross(caller, id, request);
    }

    @Puts(path = "/{controlledCross}/steps/{id}", needs = Duty.WORK)
    ControlledCrossView putStep(
            Caller caller,
            @PathVariable UUID controlledCross,
            @PathVariable UUID id,
            @Valid @RequestBody ControlledCrossRequests.Step request,
            @RequestParam(required = false) Long version) {
        return version == null
                ? controlledCrosses.putStep(caller, controlledCross, id, request)
                : controlledCrosses.correctStep(caller, controlledCross, id, request, version);
    }

    @Voids(path = "/{controlledCross}/steps/{id}/void", needs = Duty.WORK)
    void voidStep(
            Caller caller,
            @PathVariable UUID controlledCross,
            @PathVariable UUID id,
            @Valid @RequestBody VoidRequest request) {
        controlledCrosses.voidStep(caller, controlledCross, id, request);
    }

    @PostMapping("/labels")
    @ReadsOnly
    LabelSheet.Sheet labels(Caller caller, @Valid @RequestBody ControlledCrossRequests.Labels request) {
        return labels.sheet(caller, request, address.origin());
    }
}
