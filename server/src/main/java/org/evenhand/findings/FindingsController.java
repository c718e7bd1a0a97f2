package org.evenhand.findings;

import org.evenhand.core.findings.Factor;
import org.evenhand.fruitset.OutcomeBook;
import org.evenhand.kit.Caller;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/findings")
record FindingsController(Findings findings, Failures failures, SeasonReports reports) {

    @GetMapping
    FindingsView findings(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return findings.of(caller, season, crop);
    }

    @GetMapping("/retention")
    FindingsView.RetentionView retention(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop,
            @RequestParam Factor factor) {
        return findings.retention(caller, season, crop, factor);
    }

    @GetMapping("/causes")
    FindingsView.CausesView causes(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return findings.causes(caller, season, crop);
    }

    @GetMapping("/worst")
    FailureView.Worst worst(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return failures.worst(caller, season, crop);
    }

    @GetMapping("/failure")
    FailureView failure(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop,
            @RequestParam OutcomeBook.Kind kind,
            @RequestParam String key) {
        return failures.of(caller, season, crop, kind, key);
    }

    @GetMapping("/season")
    SeasonReportView season(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return reports.of(caller, season, crop);
    }

    @GetMapping("/season.pdf")
    ResponseEntity<byte[]> seasonPdf(
            Caller caller,
            @RequestParam(required = false) Integer season,
            @RequestParam(required = false) String crop) {
        return ResponseEntity.ok()
                .contentType(MediaType.APPLICATION_PDF)
                .header("Content-Disposition", "attachment; filename=\"season-report.pdf\"")
                .body(reports.pdf(caller, season, crop));
    }
}
