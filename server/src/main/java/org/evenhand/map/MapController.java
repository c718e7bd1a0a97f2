package org.evenhand.map;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record MapController(Maps maps, MapFiles files) {
    private static final long LARGEST_FILE = 20_000_000;

    /** A file that was chosen, with the questions that were answered by yes. */
    record ImportRequest(
            @NotNull GeoJson.FeatureCollection file,
            @Schema(description = OPTIONAL) List<String> confirmed) {}

    @GetMapping("/map")
    MapView map(Caller caller) {
        return maps.map(caller);
    }

    @Puts(path = "/tree-spots/{id}", needs = Duty.WORK)
    MapView.Measured putSpot(Caller caller, @PathVariable UUID id, @Valid @RequestBody TreeSpotRequest request) {
        return maps.put(caller, id, request);
    }

    @Voids(path = "/tree-spots/{id}/void", needs = Duty.WORK)
    void voidSpot(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        maps.voidSpot(caller, id, request);
    }

    @Puts(path = "/block-rows/{id}", needs = Duty.MANAGE)
    MapView putRows(Caller caller, @PathVariable UUID id, @Valid @RequestBody BlockRowsRequest request) {
        maps.put(caller, id, request);
        return maps.map(caller);
    }

    /** Trees whose place on earth is known, as GeoJSON. */
    @GetMapping(
            value = "/map.geojson",
            produces = {GeoJson.MEDIA_TYPE, MediaType.APPLICATION_JSON_VALUE})
    ResponseEntity<GeoJson.FeatureCollection> geoJson(Caller caller) {
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(GeoJson.MEDIA_TYPE))
                .header("Content-Disposition", "attachment; filename=\"orchard.geojson\"")
                .body(files.trees(caller));
    }

    @Posts(path = "/map/import", needs = Duty.MANAGE)
    @BodyUpTo(LARGEST_FILE)
    MapFiles.Imported read(Caller caller, @Valid @RequestBody ImportRequest request) {
        return files.read(caller, request.file(), request.confirmed() == null ? List.of() : request.confirmed());
    }
}
