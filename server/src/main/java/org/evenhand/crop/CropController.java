package org.evenhand.crop;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record CropController(CropCatalogue catalogue) {

    @GetMapping("/crops")
    List<CropSheetView> all(Caller caller) {
        return catalogue.all(caller).stream().map(CropSheetView::of).toList();
    }

    @GetMapping("/crops/{crop}/own")
    List<OwnSheetView> history(Caller caller, @PathVariable String crop) {
        return catalogue.history(caller, crop);
    }

    @Puts(path = "/own-sheets/{id}", needs = Duty.MANAGE)
    OwnSheetView change(Caller caller, @PathVariable UUID id, @Valid @RequestBody OwnSheetRequest request) {
        return catalogue.change(caller, id, request);
    }
}
