package org.evenhand.pollen;

import jakarta.validation.Valid;
import java.math.BigDecimal;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.LabelSheet;
import org.evenhand.kit.Posts;
import org.evenhand.kit.PublicAddress;
import org.evenhand.kit.ReadsOnly;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Gathering, mixing and labelling. */
@RestController
@RequestMapping("/api")
record MakingController(
        CollectingAdvice collectingAdvice,
        Recipes recipes,
        Labels labels,
        LabelPrinter printer,
        PublicAddress address) {

    @GetMapping("/gathering")
    CollectingAdvice.View collectingAdvice(Caller caller, @RequestParam UUID variety, @RequestParam int doses) {
        return collectingAdvice.of(caller, variety, doses);
    }

    @GetMapping("/recipes/medium")
    Recipes.Medium medium(@RequestParam BigDecimal volumeMl) {
        return recipes.medium(volumeMl);
    }

    @PostMapping("/recipes/suspension")
    @ReadsOnly
    Recipes.Mixture suspension(Caller caller, @Valid @RequestBody Recipes.Ask ask) {
        return recipes.suspension(caller, ask);
    }

    @GetMapping("/recipes/fig-size")
    Recipes.Fig figSize(
            Caller caller, @RequestParam UUID variety, @RequestParam double diameterMm, @RequestParam FigSize.Eye eye) {
        return recipes.figSize(caller, variety, diameterMm, eye);
    }

    @PostMapping("/labels")
    @ReadsOnly
    LabelSheet.Sheet labels(Caller caller, @Valid @RequestBody Labels.Request request) {
        return labels.sheet(caller, request, address.origin());
    }

    @Posts(path = "/printer", needs = Duty.WORK)
    List<LabelPrinter.Printed> print(Caller caller, @Valid @RequestBody Labels.Request request) {
        return labels.print(caller, request, address.origin());
    }

    @GetMapping("/printer")
    List<LabelPrinter.Printed> printed(Caller caller) {
        return printer.cameOut(caller.orchardId());
    }
}
