package org.evenhand.pollen;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record JarController(Jars jars, Blendings pourings) {

    @GetMapping("/lot-codes")
    LotView lotByCode(Caller caller, @RequestParam String code) {
        return jars.byCode(caller, code);
    }

    @GetMapping("/lots/{id}/story")
    LotStory story(Caller caller, @PathVariable UUID id) {
        return jars.story(caller, id);
    }

    @PutMapping("/lots/{id}/correction")
    @Needs(Duty.WORK)
    LotStory correct(Caller caller, @PathVariable UUID id, @Valid @RequestBody LotCorrection correction) {
        return jars.correct(caller, id, correction);
    }

    @PutMapping("/lots/{lot}/steps/{id}")
    @Needs(Duty.WORK)
    LotStory putStep(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Step request) {
        return jars.putStep(caller, lot, id, request);
    }

    @Voids("/lots/{lot}/steps/{id}/void")
    @Needs(Duty.WORK)
    void voidStep(
            Caller caller, @PathVariable UUID lot, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        jars.voidStep(caller, lot, id, request);
    }

    @PutMapping("/lots/{lot}/tests/{id}")
    @Needs(Duty.WORK)
    LotStory putTest(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Test request) {
        return jars.putTest(caller, lot, id, request);
    }

    @Voids("/lots/{lot}/tests/{id}/void")
    @Needs(Duty.WORK)
    void voidTest(
            Caller caller, @PathVariable UUID lot, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        jars.voidTest(caller, lot, id, request);
    }

    @PutMapping("/lots/{lot}/lines/{id}")
    @Needs(Duty.WORK)
    LotStory putLine(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Line request) {
        return jars.putLine(caller, lot, id, request);
    }

    @PostMapping("/lots/{lot}/lines/{id}/undo")
    @Needs(Duty.WORK)
    LotStory undoLine(Caller caller, @PathVariable UUID lot, @PathVariable UUID id) {
        return jars.undoLine(caller, lot, id);
    }

    @PutMapping("/pourings/{id}")
    @Needs(Duty.WORK)
    LotView pour(Caller caller, @PathVariable UUID id, @Valid @RequestBody JarRequests.Blending request) {
        return pourings.put(caller, id, request);
    }
}
