package org.evenhand.findings;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.LabelGrid;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.UriComponentsBuilder;

@RestController
@RequestMapping("/api")
record ComparisonController(Comparisons comparisons) {

    @GetMapping("/comparisons")
    List<ComparisonView> comparisons(Caller caller) {
        return comparisons.all(caller);
    }

    @GetMapping("/trial-size")
    ComparisonView.Size size(
            @RequestParam double one, @RequestParam double other, @RequestParam(defaultValue = "0.8") double power) {
        return comparisons.size(one, other, power);
    }

    @Puts(path = "/comparisons/{id}", needs = Duty.MANAGE)
    ComparisonView put(Caller caller, @PathVariable UUID id, @Valid @RequestBody ComparisonView.Request request) {
        return comparisons.put(caller, id, request);
    }

    @GetMapping("/comparisons/{id}/tags")
    LabelSheet.Sheet tags(
            Caller caller,
            @PathVariable UUID id,
            @RequestParam(defaultValue = "A4_5_BY_13") LabelGrid grid,
            UriComponentsBuilder origin) {
        return comparisons.tags(caller, id, grid, origin.build().toUriString());
    }

    @Puts(path = "/comparisons/{id}/sheet/{changeId}", needs = Duty.MANAGE)
    ComparisonView apply(Caller caller, @PathVariable UUID id, @PathVariable UUID changeId) {
        return comparisons.apply(caller, id, changeId);
    }

    @Voids(path = "/comparisons/{id}/void", needs = Duty.MANAGE)
    void voidComparison(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        comparisons.voidComparison(caller, id, request);
    }
}
