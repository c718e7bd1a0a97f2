package org.evenhand.fruitset;

import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.VoidRequest;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class FruitSetController {
    private final FruitChecks checks;

    FruitSetController(FruitChecks checks) {
        this.checks = checks;
    }

    @GetMapping("/fruit-set")
    FruitSetView fruitSet(@AuthenticationPrincipal Caller caller) {
        return checks.all(caller);
    }

    @PutMapping("/checks/{id}")
    CheckView putCheck(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody CheckRequest request) {
        return checks.put(caller, id, request);
    }

    @PostMapping("/checks/{id}/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidCheck(@AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody VoidRequest request) {
        checks.voidCheck(caller, id, request);
    }
}
