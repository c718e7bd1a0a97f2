package org.evenhand.orchard;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.TypicalYear;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Needs;
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
record OrchardController(Orchards orchards, TreeCare care) {

    /** Where the demo clock is to stand. */
    record DemoClockRequest(@NotNull Instant now) {}

    @GetMapping("/orchard")
    OrchardView orchard(Caller caller) {
        return orchards.orchard(caller);
    }

    @Puts(path = "/orchard", needs = Duty.OWN)
    OrchardView changeOrchard(Caller caller, @Valid @RequestBody OrchardRequest request) {
        return orchards.change(caller, request);
    }

    /** A first guess of the ordinary days of every month, from that of the month it is now. */
    @GetMapping("/orchard/typical-year")
    List<TypicalMonth> typicalYear(Caller caller, @RequestParam double minimumC, @RequestParam double maximumC) {
        return orchards.typicalYear(caller, new DailyTemperatures(minimumC, maximumC));
    }

    /** A first guess from the latitude alone, degrees, south negative; asked before there is an orchard. */
    @GetMapping("/typical-year")
    @Needs(Duty.OPEN)
    List<TypicalMonth> typicalYear(@RequestParam double latitude) {
        return TypicalYear.guess(new Site(latitude, 0, ZoneOffset.UTC)).months().stream()
                .map(TypicalMonth::of)
                .toList();
    }

    @Puts(path = "/demo-clock", needs = Duty.WORK)
    OrchardView moveDemoClock(Caller caller, @Valid @RequestBody DemoClockRequest request) {
        return orchards.moveDemoClock(caller, request.now());
    }

    @GetMapping("/varieties")
    List<VarietyView> varieties(Caller caller) {
        return orchards.varieties(caller);
    }

    @Puts(path = "/varieties/{id}", needs = Duty.MANAGE)
    VarietyView putVariety(Caller caller, @PathVariable UUID id, @Valid @RequestBody VarietyRequest request) {
        return orchards.put(caller, id, request);
    }

    @GetMapping("/trees")
    List<TreeView> trees(Caller caller) {
        return orchards.trees(caller);
    }

    @Puts(path = "/trees/{id}", needs = Duty.MANAGE)
    TreeView putTree(Caller caller, @PathVariable UUID id, @Valid @RequestBody TreeRequest request) {
        return care.put(caller, id, request);
    }

    @Posts(path = "/trees/{id}/graft", needs = Duty.MANAGE)
    TreeView graft(Caller caller, @PathVariable UUID id, @Valid @RequestBody GraftRequest request) {
        return care.graft(caller, id, request);
    }

    @Posts(path = "/varieties/{id}/merge", needs = Duty.MANAGE)
    VarietyView merge(Caller caller, @PathVariable UUID id, @Valid @RequestBody MergeRequest request) {
        return care.merge(caller, id, request);
    }

    @Voids(path = "/trees/{id}/void", needs = Duty.MANAGE)
    void voidTree(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        orchards.voidTree(caller, id, request);
    }
}
