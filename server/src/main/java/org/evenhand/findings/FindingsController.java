package org.evenhand.findings;

import org.evenhand.kit.Caller;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/findings")
class FindingsController {
    private final Findings findings;

    FindingsController(Findings findings) {
        this.findings = findings;
    }

    @GetMapping
    FindingsView findings(@AuthenticationPrincipal Caller caller) {
        return findings.of(caller);
    }
}
