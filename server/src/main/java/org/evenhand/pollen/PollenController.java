package org.evenhand.pollen;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.evenhand.orchard.Orchards;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/lots")
record PollenController(PollenShelf shelf, ReceivedJars received, Orchards orchards) {

    @GetMapping
    List<LotView> lots(Caller caller) {
        return shelf.all(caller, orchards.now(caller));
    }

    @GetMapping("/{id}")
    LotView lot(Caller caller, @PathVariable UUID id) {
        return shelf.lot(caller, id);
    }

    @Puts(path = "/{id}", needs = Duty.WORK)
    LotView putLot(Caller caller, @PathVariable UUID id, @Valid @RequestBody LotRequest request) {
        return shelf.put(caller, id, request);
    }

    @Puts(path = "/{id}/received", needs = Duty.WORK)
    LotView putReceived(Caller caller, @PathVariable UUID id, @Valid @RequestBody ReceivedPollenRequest request) {
        return received.put(caller, id, request);
    }

    @Voids(path = "/{id}/void", needs = Duty.WORK)
    void voidLot(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        shelf.voidLot(caller, id, request);
    }
}
