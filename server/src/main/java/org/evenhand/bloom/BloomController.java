package org.evenhand.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.ForecastPoint;
import org.evenhand.kit.Caller;
import org.evenhand.kit.VoidRequest;
import org.evenhand.orchard.Orchards;
import org.evenhand.weather.Weather;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class BloomController {
    private static final int STEP_MINUTES = 30;
    private static final int LONGEST_HOURS = 240;

    private final Readings readings;
    private final Forecasts forecasts;
    private final Orchards orchards;

    BloomController(Readings readings, Forecasts forecasts, Orchards orchards) {
        this.readings = readings;
        this.forecasts = forecasts;
        this.orchards = orchards;
    }

    @GetMapping("/bloom")
    BloomView bloom(@AuthenticationPrincipal Caller caller, @RequestParam(defaultValue = "72") int hours) {
        Require.within("hours", hours, 1, LONGEST_HOURS);
        Instant now = orchards.now(caller);
        Instant until = now.plus(Duration.ofHours(hours));
        List<Instant> moments = IntStream.rangeClosed(0, hours * 60 / STEP_MINUTES)
                .mapToObj(i -> now.plus(Duration.ofMinutes((long) i * STEP_MINUTES)))
                .toList();
        List<BloomView.Row> rows = forecasts.all(caller, now, until).stream()
                .map(f -> BloomView.Row.of(f, f.known() ? f.forecast().at(moments) : List.<ForecastPoint>of()))
                .toList();
        return new BloomView(
                now,
                until,
                STEP_MINUTES,
                total(rows, BloomView.Row::taking),
                total(rows, BloomView.Row::giving),
                rows,
                Weather.SOURCE);
    }

    @GetMapping("/trees/{id}/readings")
    List<ReadingView> readingsOfTree(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        return readings.ofTree(caller, id);
    }

    @PutMapping("/readings/{id}")
    ReadingView putReading(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody ReadingRequest request) {
        return readings.put(caller, id, request);
    }

    @PostMapping("/readings/{id}/void")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void voidReading(@AuthenticationPrincipal Caller caller, @PathVariable UUID id, @RequestBody VoidRequest request) {
        readings.voidReading(caller, id, request);
    }

    private static double total(List<BloomView.Row> rows, Function<BloomView.Row, List<BloomView.Count>> counts) {
        return rows.stream()
                .map(counts)
                .filter(c -> !c.isEmpty())
                .mapToDouble(c -> c.get(0).mean())
                .sum();
    }
}
