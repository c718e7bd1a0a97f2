package org.evenhand.findings;

import org.evenhand.core.findings.Factor;
import org.evenhand.kit.Caller;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/findings")
class FindingsController {
    private final Findings findings;

    FindingsController(Findings findings) {
        this.findings = findings;
    }

    @GetMapping
    FindingsView findings(
            @AuthenticationPrincipal Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return findings.of(caller, season, crop);
    }

    @GetMapping("/retention")
    FindingsView.RetentionView retention(
            @AuthenticationPrincipal Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop,
            @RequestParam Factor factor) {
        return findings.retention(caller, season, crop, factor);
    }

    @GetMapping("/causes")
    FindingsView.CausesView causes(
            @AuthenticationPrincipal Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return findings.causes(caller, season, crop);
    }
}
