package org.evenhand.weather;

import jakarta.validation.Valid;
import java.util.UUID;
import org.evenhand.kit.BodyUpTo;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Duty;
import org.evenhand.kit.Posts;
import org.evenhand.kit.Puts;
import org.evenhand.kit.VoidRequest;
import org.evenhand.kit.Voids;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
record WeatherController(WeatherBook book) {
    /** A month of hours fits into it. */
    private static final long LARGEST_POST = 100_000;

    @GetMapping("/weather")
    WeatherRequests.Overview overview(Caller caller, @RequestParam(required = false) String block) {
        return book.overview(caller, block);
    }

    @Puts(path = "/weather/forecasts/{id}", needs = Duty.WORK)
    WeatherRequests.Taken forecast(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody WeatherRequests.Forecast request) {
        return book.forecast(caller, id, request);
    }

    @Puts(path = "/weather/stations/{id}", needs = Duty.MANAGE)
    WeatherRequests.StationKey newStation(
            Caller caller, @PathVariable UUID id, @Valid @RequestBody WeatherRequests.NewStation request) {
        return book.newStation(caller, id, request);
    }

    @Voids(path = "/weather/records/{id}/void", needs = Duty.MANAGE)
    void voidRecord(Caller caller, @PathVariable UUID id, @Valid @RequestBody VoidRequest request) {
        book.voidRecord(caller, id, request);
    }

    /** What a station posts, signed with its key instead of a person's session. */
    @Posts(path = "/station/hours", needs = Duty.OPEN)
    @BodyUpTo(LARGEST_POST)
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void post(@RequestHeader(StationKeys.HEADER) String key, @Valid @RequestBody WeatherRequests.Post request) {
        book.post(key, request);
    }
}
