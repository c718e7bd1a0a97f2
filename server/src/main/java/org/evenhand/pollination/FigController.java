package org.evenhand.pollination;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record FigController(Figs figs) {

    @GetMapping("/trees/{id}/figs")
    FigsView of(Caller caller, @PathVariable UUID id) {
        return figs.of(caller, id);
    }

    @Puts(path = "/figs/{id}", needs = Duty.WORK)
    FigsView put(
            Caller caller,
            @PathVariable UUID id,
            @Valid @RequestBody FigsView.Request request,
            @RequestParam(required = false) Long version) {
        return version == null ? figs.put(caller, id, request) : figs.correct(caller, id, request, version);
    }

    @Voids(path = "/figs/{id}/void", needs = Duty.WORK)
    void voidMeasure(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        figs.voidMeasure(caller, id, request);
    }
}
