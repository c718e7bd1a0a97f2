package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;

/** An orchard as it is sent: degrees north and east, °C. */
public record OrchardRequest(
        @NotBlank @Size(max = 80) String name,
        @NotNull Double latitude,
        @NotNull Double longitude,
        @NotBlank @Size(max = 60) String zone,
        @NotNull Double typicalMinimumC,
        @NotNull Double typicalMaximumC,
        @Schema(description = OPTIONAL) List<@NotNull @Valid TypicalMonth> typicalMonths,
        @NotNull Units units,
        @Schema(description = OPTIONAL) Long version) {

    /** The checked details. */
    public OrchardDetails details() {
        return new OrchardDetails(
                name.strip(),
                new Site(latitude, longitude, zoneId()),
                usual(),
                TypicalMonth.days(typicalMonths),
                units);
    }

    private ZoneId zoneId() {
        try {
            return ZoneId.of(zone.strip());
        } catch (DateTimeException e) {
            throw new InvalidInputException(
                    "zone", "'" + zone + "' is not a time zone; one looks like Pacific/Auckland.");
        }
    }

    private DailyTemperatures usual() {
        try {
            return new DailyTemperatures(typicalMinimumC, typicalMaximumC);
        } catch (InvalidInputException e) {
            throw new InvalidInputException(e.problems().stream()
                    .map(p -> p.of(
                            p.field().replace("minimumC", "typicalMinimumC").replace("maximumC", "typicalMaximumC")))
                    .toList());
        }
    }
}
