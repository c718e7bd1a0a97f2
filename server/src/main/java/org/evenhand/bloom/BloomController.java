package org.evenhand.bloom;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.Require;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Puts;
import org.evenhand.kit.ReadsOnly;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record BloomController(Readings readings, Boards boards, StageKeys stageKeys) {
    private static final int LONGEST_HOURS = 240;

    @GetMapping("/bloom")
    BloomView bloom(Caller caller, @RequestParam(defaultValue = "72") int hours) {
        return boards.board(caller, Require.within("hours", hours, 1, LONGEST_HOURS));
    }

    /** A question, not a change: it is posted because its answers do not fit an address. */
    @PostMapping("/stage-key")
    @ReadsOnly
    StageKeys.Answer stageKey(Caller caller, @Valid @RequestBody StageKeys.Request request) {
        return stageKeys.answer(caller, request);
    }

    @GetMapping("/trees/{id}/readings")
    List<ReadingView> readingsOfTree(Caller caller, @PathVariable UUID id) {
        return readings.ofTree(caller, id);
    }

    @Puts(path = "/readings/{id}", needs = Duty.WORK)
    ReadingView putReading(
            Caller caller,
            @PathVariable UUID id,
            @RequestParam(required = false) Long version,
            @Valid @RequestBody ReadingRequest request) {
        return version == null ? readings.put(caller, id, request) : readings.correct(caller, id, request, version);
    }

    @Voids(path = "/readings/{id}/void", needs = Duty.WORK)
    void voidReading(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        readings.voidReading(caller, id, request);
    }
}
