package org.evenhand.cross;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.cross.SeedDemand;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.PublicAddress;
import org.evenhand.kit.Puts;
import org.evenhand.kit.ReadsOnly;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.evenhand.kit.Within;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/seed-lots")
record SeedLotController(SeedLots lots, SeedDemands demands, SeedLabels labels, PublicAddress address) {
    @GetMapping
    SeedLotView.All all(Caller caller) {
        return lots.all(caller);
    }

    /** Each lot over the years. */
    @GetMapping("/rivers")
    List<SeedLotView.River> rivers(Caller caller) {
        return lots.rivers(caller);
    }

    @GetMapping("/{id}")
    SeedLotView lot(Caller caller, @PathVariable UUID id) {
        return lots.lot(caller, id);
    }

    @Puts(path = "/{id}", needs = Duty.WORK)
    SeedLotView put(Caller caller, @PathVariable UUID id, @Valid @RequestBody SeedLotRequests.Lot request) {
        return lots.put(caller, id, request);
    }

    @Voids(path = "/{id}/void", needs = Duty.WORK)
    void voidLot(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        lots.voidLot(caller, id, request);
    }

    @Puts(path = "/{lot}/steps/{id}", needs = Duty.WORK)
    SeedLotView putStep(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody SeedLotRequests.Step request) {
        return lots.putStep(caller, lot, id, request);
    }

    @Voids(path = "/{lot}/steps/{id}/void", needs = Duty.WORK)
    void voidStep(
            Caller caller, @PathVariable UUID lot, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        lots.voidStep(caller, lot, id, request);
    }

    @PostMapping("/{id}/labels")
    @ReadsOnly
    LabelSheet.Sheet labels(Caller caller, @PathVariable UUID id, @Valid @RequestBody SeedLotRequests.Labels request) {
        return labels.sheet(caller, id, request, address.origin());
    }

    /** What as many judged trees of a crop take. */
    @GetMapping("/demand")
    SeedDemandView demand(
            Caller caller,
            @RequestParam String crop,
            @RequestParam @Within(min = 1, max = SeedDemand.MOST_TREES) int trees) {
        return demands.demand(caller, crop, trees);
    }
}
