package org.evenhand.story;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.VoidRequest;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record StoryController(Stories stories, RecordHistory history, Search search) {

    /** @param version the version that was seen */
    record RestoreRequest(@NotNull Long version) {}

    @GetMapping("/story")
    StoryView story(
            Caller caller,
            @RequestParam(required = false) UUID tree,
            @RequestParam(required = false) UUID variety,
            @RequestParam(required = false) String block,
            @RequestParam(required = false) UUID lot,
            @RequestParam(required = false) UUID cross,
            @RequestParam(required = false) UUID person,
            @RequestParam(required = false) List<String> kinds,
            @RequestParam(defaultValue = "false") boolean removed,
            @RequestParam(required = false) Instant before) {
        return stories.story(
                caller,
                new StoryAsked(
                        tree, variety, block, lot, cross, person, kinds == null ? List.of() : kinds, removed, before));
    }

    @GetMapping("/story/{kind}/{id}/history")
    StoryView.History history(Caller caller, @PathVariable String kind, @PathVariable UUID id) {
        return history.of(caller, stories.kind(kind, id), id);
    }

    /** What else changes, before a record is removed or restored. */
    @GetMapping("/story/{kind}/{id}/effects")
    StoryView.Effects effects(Caller caller, @PathVariable String kind, @PathVariable UUID id) {
        return stories.effects(caller, kind, id);
    }

    @Posts(path = "/story/{kind}/{id}/remove", needs = Duty.WORK)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            Caller caller, @PathVariable String kind, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        stories.remove(caller, kind, id, request);
    }

    @Posts(path = "/story/{kind}/{id}/restore", needs = Duty.WORK)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void restore(
            Caller caller,
            @PathVariable String kind,
            @PathVariable UUID id,
            @Valid @RequestBody RestoreRequest request) {
        stories.restore(caller, kind, id, request.version());
    }

    @GetMapping("/search")
    List<StoryView.Hit> search(Caller caller, @RequestParam String q) {
        return search.find(caller, q);
    }
}
