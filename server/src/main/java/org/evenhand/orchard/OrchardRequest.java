package org.evenhand.orchard;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.Units;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.kit.Given;

/** An orchard as it is sent: degrees north and east, °C. */
public record OrchardRequest(
        String name,
        Double latitude,
        Double longitude,
        String zone,
        Double usualMinimumC,
        Double usualMaximumC,
        @Schema(description = OPTIONAL) List<TypicalMonth> usualMonths,
        Units units,
        @Schema(description = OPTIONAL) Long version) {

    /** The checked details. */
    public OrchardDetails details() {
        return new OrchardDetails(
                Given.text("name", name, 80),
                new Site(Given.required("latitude", latitude), Given.required("longitude", longitude), zoneId()),
                usual(),
                TypicalMonth.days(usualMonths),
                Given.required("units", units));
    }

    private ZoneId zoneId() {
        try {
            return ZoneId.of(Given.text("zone", zone, 60));
        } catch (DateTimeException e) {
            throw new InvalidInputException(
                    "zone", "'" + zone + "' is not a time zone; one looks like Pacific/Auckland.");
        }
    }

    private DailyTemperatures usual() {
        try {
            return new DailyTemperatures(
                    Given.required("usualMinimumC", usualMinimumC), Given.required("usualMaximumC", usualMaximumC));
        } catch (InvalidInputException e) {
            throw new InvalidInputException(e.problems().stream()
                    .map(p -> new org.evenhand.core.FieldProblem(
                            p.field().replace("minimumC", "usualMinimumC").replace("maximumC", "usualMaximumC"),
                            p.message()))
                    .toList());
        }
    }
}
