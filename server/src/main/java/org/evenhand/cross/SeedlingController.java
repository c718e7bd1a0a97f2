package org.evenhand.cross;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Posts;
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
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record SeedlingController(Seedlings seedlings, SeedLabels labels, PublicAddress address) {
    @GetMapping("/seedlings")
    List<SeedlingView.Row> all(Caller caller) {
        return seedlings.all(caller);
    }

    @GetMapping("/seedlings/{id}")
    SeedlingView one(Caller caller, @PathVariable UUID id) {
        return seedlings.one(caller, id);
    }

    @Posts(path = "/seed-lots/{lot}/seedlings", needs = Duty.WORK)
    List<SeedlingView.Row> number(
            Caller caller, @PathVariable UUID lot, @Valid @RequestBody SeedlingRequests.Numbers request) {
        return seedlings.number(caller, lot, request);
    }

    @Puts(path = "/seedlings/{id}", needs = Duty.WORK)
    SeedlingView correct(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody SeedlingRequests.Correction request) {
        return seedlings.correct(caller, id, request);
    }

    @Voids(path = "/seedlings/{id}/void", needs = Duty.WORK)
    void voidSeedling(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        seedlings.voidSeedling(caller, id, request);
    }

    @Voids(path = "/seedlings/void", needs = Duty.WORK)
    void voidAll(Caller caller, @Valid @RequestBody SeedlingRequests.Removal removal) {
        seedlings.voidAll(caller, removal);
    }

    @Puts(path = "/seedlings/{seedling}/steps/{id}", needs = Duty.WORK)
    SeedlingView putStep(
            Caller caller,
            @PathVariable UUID seedling,
            @PathVariable UUID id,
            @Valid @RequestBody SeedlingRequests.Step request) {
        return seedlings.putStep(caller, seedling, id, request);
    }

    @Voids(path = "/seedlings/{seedling}/steps/{id}/void", needs = Duty.WORK)
    void voidStep(
            Caller caller,
            @PathVariable UUID seedling,
            @PathVariable UUID id,
            @Valid @RequestBody VoidRequest request) {
        seedlings.voidStep(caller, seedling, id, request);
    }

    /** Makes a variety of it. */
    @Puts(path = "/seedlings/{id}/variety", needs = Duty.MANAGE)
    SeedlingView name(Caller caller, @PathVariable UUID id, @Valid @RequestBody SeedlingRequests.Name request) {
        return seedlings.name(caller, id, request);
    }

    @PostMapping("/seedlings/labels")
    @ReadsOnly
    LabelSheet.Sheet labels(Caller caller, @Valid @RequestBody SeedlingRequests.Labels request) {
        return labels.sheet(caller, request, address.origin());
    }
}
