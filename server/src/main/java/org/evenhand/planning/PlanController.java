package org.evenhand.planning;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.availability.Settings;
import org.evenhand.availability.SettingsRequest;
import org.evenhand.availability.SettingsView;
import org.evenhand.cropload.LearnedNumbers;
import org.evenhand.cropload.LearnedView;
import org.evenhand.cropload.TargetRequest;
import org.evenhand.cropload.TargetView;
import org.evenhand.cropload.Targets;
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
record PlanController(
        Plans plans,
        PollenOverrides pollen,
        Settings settings,
        Targets targets,
        LearnedNumbers learned,
        PlanOverrides overrides) {

    @GetMapping("/plan")
    PlanView plan(Caller caller, @RequestParam(defaultValue = "6") int days) {
        return plans.plan(caller, days);
    }

    @GetMapping("/learned")
    LearnedView learned(Caller caller) {
        return learned.of(caller);
    }

    @GetMapping("/round-settings")
    SettingsView settings(Caller caller) {
        return settings.of(caller);
    }

    @Puts(path = "/round-settings/{id}", needs = Duty.MANAGE)
    SettingsView putSettings(Caller caller, @PathVariable UUID id, @Valid @RequestBody SettingsRequest request) {
        return settings.put(caller, id, request);
    }

    @GetMapping("/targets")
    List<TargetView.Budget> targets(Caller caller) {
        return targets.budgets(caller);
    }

    @Puts(path = "/targets/{id}", needs = Duty.MANAGE)
    TargetView putTarget(Caller caller, @PathVariable UUID id, @Valid @RequestBody TargetRequest request) {
        return targets.put(caller, id, request);
    }

    @Voids(path = "/targets/{id}/void", needs = Duty.MANAGE)
    void voidTarget(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        targets.voidTarget(caller, id, request);
    }

    @Puts(path = "/pollen-overrides/{id}", needs = Duty.WORK)
    PlanView.Chosen putPollen(Caller caller, @PathVariable UUID id, @Valid @RequestBody PollenOverrideRequest request) {
        return pollen.put(caller, id, request);
    }

    @Voids(path = "/pollen-overrides/{id}/void", needs = Duty.WORK)
    void voidPollen(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        pollen.voidOverride(caller, id, request);
    }

    @Puts(path = "/plan-overrides/{id}", needs = Duty.WORK)
    PlanView.OverrideView putOverride(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody OverrideRequest request) {
        return overrides.put(caller, id, request);
    }

    /** What an override would cost, before it is made. */
    @PostMapping("/plan-overrides/cost")
    @ReadsOnly
    PlanView.OverrideCost overrideCost(Caller caller, @Valid @RequestBody OverrideRequest request) {
        return plans.cost(caller, request);
    }

    @Voids(path = "/plan-overrides/{id}/void", needs = Duty.WORK)
    void voidOverride(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        overrides.voidOverride(caller, id, request);
    }
}
