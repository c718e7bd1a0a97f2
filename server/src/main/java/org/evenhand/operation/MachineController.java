package org.evenhand.operation;

import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The machine, for those who run it and those who reach it. */
@RestController
@RequestMapping("/api/machine")
record MachineController(Machine machine) {

    @GetMapping("/phones")
    MachineView.Phones phones() {
        return machine.phones();
    }

    /** Open, as a phone has to trust it before anybody signs in there; it says nothing that each connection does not say. */
    @GetMapping(value = "/certificate", produces = "application/x-x509-ca-cert")
    @Needs(Duty.OPEN)
    ResponseEntity<byte[]> certificate() {
        return ResponseEntity.ok()
                .header("Content-Disposition", "attachment; filename=\"even-hand.crt\"")
                .body(machine.certificate());
    }

    @GetMapping("/status")
    @Needs(Duty.OWN)
    MachineView.Status status() {
        return machine.status();
    }
}
