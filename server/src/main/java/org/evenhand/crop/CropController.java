package org.evenhand.crop;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/crops")
class CropController {
    private final CropCatalogue catalogue;

    CropController(CropCatalogue catalogue) {
        this.catalogue = catalogue;
    }

    @GetMapping
    List<CropSheetView> all() {
        return catalogue.all().stream().map(CropSheetView::of).toList();
    }
}
