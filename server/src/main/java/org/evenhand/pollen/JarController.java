package org.evenhand.pollen;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
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
record JarController(Jars jars, Blendings pourings) {

    @GetMapping("/lot-codes")
    LotView lotByCode(Caller caller, @RequestParam String code) {
        return jars.byCode(caller, code);
    }

    @GetMapping("/lots/{id}/story")
    LotStory story(Caller caller, @PathVariable UUID id) {
        return jars.story(caller, id);
    }

    @Puts(path = "/lots/{id}/correction", needs = Duty.WORK)
    LotStory correct(Caller caller, @PathVariable UUID id, @Valid @RequestBody LotCorrection correction) {
        return jars.correct(caller, id, correction);
    }

    @Puts(path = "/lots/{lot}/steps/{id}", needs = Duty.WORK)
    LotStory putStep(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Step request,
            @RequestParam(required = false) Long version) {
        return version == null
                ? jars.putStep(caller, lot, id, request)
                : jars.correctStep(caller, lot, id, request, version);
    }

    @Voids(path = "/lots/{lot}/steps/{id}/void", needs = Duty.WORK)
    void voidStep(
            Caller caller, @PathVariable UUID lot, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        jars.voidStep(caller, lot, id, request);
    }

    @Puts(path = "/lots/{lot}/tests/{id}", needs = Duty.WORK)
    LotStory putTest(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Test request,
            @RequestParam(required = false) Long version) {
        return version == null
                ? jars.putTest(caller, lot, id, request)
                : jars.correctTest(caller, lot, id, request, version);
    }

    @Voids(path = "/lots/{lot}/tests/{id}/void", needs = Duty.WORK)
    void voidTest(
            Caller caller, @PathVariable UUID lot, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        jars.voidTest(caller, lot, id, request);
    }

    @Puts(path = "/lots/{lot}/lines/{id}", needs = Duty.WORK)
    LotStory putLine(
            Caller caller,
            @PathVariable UUID lot,
            @PathVariable UUID id,
            @Valid @RequestBody JarRequests.Line request) {
        return jars.putLine(caller, lot, id, request);
    }

    @Posts(path = "/lots/{lot}/lines/{id}/undo", needs = Duty.WORK)
    LotStory undoLine(Caller caller, @PathVariable UUID lot, @PathVariable UUID id) {
        return jars.undoLine(caller, lot, id);
    }

    @Puts(path = "/pourings/{id}", needs = Duty.WORK)
    LotView pour(Caller caller, @PathVariable UUID id, @Valid @RequestBody JarRequests.Blending request) {
        return pourings.put(caller, id, request);
    }
}
