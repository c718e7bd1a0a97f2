package org.evenhand.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.core.weather.SunDay;
import org.evenhand.orchard.OrchardDetails;
import org.springframework.stereotype.Service;

/** What the air and the sun do at an orchard. Until weather is recorded every day is the orchard's usual day. */
@Service
public class Weather {
    /** Says which weather a number rests on. */
    public static final String SOURCE = "USUAL_DAY";

    /** Hourly temperatures that cover a stretch of time, starting on a whole hour. */
    public HourlyTemperatures temperatures(OrchardDetails orchard, Instant from, Instant until) {
        Instant start = from.truncatedTo(ChronoUnit.HOURS);
        int hours = (int) Duration.between(start, until).toHours() + 2;
        return orchard.usual().repeated(orchard.site(), start, hours);
    }

    /** The sun's days that touch a stretch of time. */
    public List<SunDay> suns(Site site, Instant from, Instant until) {
        List<SunDay> days = new ArrayList<>();
        LocalDate last = until.atZone(site.zone()).toLocalDate();
        for (LocalDate date = from.atZone(site.zone()).toLocalDate(); !date.isAfter(last); date = date.plusDays(1)) {
            days.add(SunDay.of(site, date));
        }
        return days;
    }
}
