package org.evenhand.fruitset;

import jakarta.validation.Valid;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
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
record FruitSetController(FruitChecks checks, LimbCounts limbs, Fruits fruits) {

    @GetMapping("/fruit-set")
    FruitSetView fruitSet(Caller caller) {
        return checks.all(caller);
    }

    @Puts(path = "/checks/{id}", needs = Duty.WORK)
    CheckView putCheck(
            Caller caller,
            @PathVariable UUID id,
            @RequestParam(required = false) Long version,
            @Valid @RequestBody CheckRequest request) {
        return version == null ? checks.put(caller, id, request) : checks.correct(caller, id, request, version);
    }

    @Voids(path = "/checks/{id}/void", needs = Duty.WORK)
    void voidCheck(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        checks.voidCheck(caller, id, request);
    }

    @GetMapping("/limbs")
    List<LimbView> limbs(Caller caller) {
        return limbs.all(caller);
    }

    @Puts(path = "/limb-counts/{id}", needs = Duty.WORK)
    LimbView putLimbCount(
            Caller caller,
            @PathVariable UUID id,
            @RequestParam(required = false) Long version,
            @Valid @RequestBody LimbRequest request) {
        return version == null ? limbs.put(caller, id, request) : limbs.correct(caller, id, request, version);
    }

    @Voids(path = "/limb-counts/{id}/void", needs = Duty.WORK)
    void voidLimbCount(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        limbs.voidCount(caller, id, request);
    }

    @GetMapping("/fruits")
    FruitsView fruits(Caller caller) {
        return fruits.all(caller);
    }

    @GetMapping("/trees/{tree}/fallen")
    List<FruitsView.Candidate> fallen(
            Caller caller, @PathVariable UUID tree, @RequestParam(required = false) Boolean sepalsMissing) {
        return fruits.fallen(caller, tree, sepalsMissing);
    }

    @GetMapping("/fruits/{id}")
    FruitsView.FruitView fruit(Caller caller, @PathVariable UUID id) {
        return fruits.fruit(caller, id);
    }

    @Puts(path = "/fruits/{id}", needs = Duty.WORK)
    FruitsView.FruitView putFruit(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody FruitRequests.Fruit request) {
        return fruits.put(caller, id, request);
    }

    @Puts(path = "/fruits/{id}/end", needs = Duty.WORK)
    FruitsView.FruitView endFruit(Caller caller, @PathVariable UUID id, @Valid @RequestBody FruitRequests.End request) {
        return fruits.end(caller, id, request);
    }

    @Voids(path = "/fruits/{id}/void", needs = Duty.WORK)
    void voidFruit(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        fruits.voidFruit(caller, id, request);
    }
}
