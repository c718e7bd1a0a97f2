package org.evenhand.core.weather;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/**
 * The air of a stretch of time, hour by hour, put together from the best that is known of each hour.
 *
 * <p>A measured hour counts as it is. Gaps between measured hours of up to {@link #LONGEST_BRIDGE_HOURS} hours are bridged in a
 * straight line. Beyond that the hour is rebuilt from its day's lowest and highest, then from a typed forecast, then from the
 * orchard's usual day; each hour says which.
 */
public final class WeatherSeries {
    /** Longest gap that is bridged, hours without a measurement. */
    public static final int LONGEST_BRIDGE_HOURS = 6;

    /** A day's range shapes hours as far as the next, and a gap is bridged for less: a change reaches no farther than this. */
    public static final Duration SHAPED_WITHIN = Duration.ofHours(36);

    private final HourlyTemperatures temperatures;
    private final double[] humidity;
    private final List<WeatherSource> sources;

    private WeatherSeries(HourlyTemperatures temperatures, double[] humidity, List<WeatherSource> sources) {
        this.temperatures = temperatures;
        this.humidity = humidity;
        this.sources = List.copyOf(sources);
    }

    /**
     * One measured hour.
     *
     * @param celsius °C
     * @param humidity relative humidity in percent, where known
     */
    public record Measured(double celsius, OptionalDouble humidity) {}

    /**
     * What is known of the air at a place.
     *
     * @param usual what a day is like as a rule
     * @param hours measured hours by their whole hour
     * @param days days of files
     * @param forecast days of typed forecasts
     */
    public record Known(
            TypicalYear usual,
            Map<Instant, Measured> hours,
            Map<LocalDate, DayRange> days,
            Map<LocalDate, DayRange> forecast) {

        /** Under cover without any measurement nights are held off and days are warm: a guess of ours until it is told, °C. */
        private static final DailyTemperatures GUESSED_UNDER_COVER = new DailyTemperatures(15, 24);

        public static Known onlyUsual(DailyTemperatures usual) {
            return new Known(TypicalYear.always(usual), Map.of(), Map.of(), Map.of());
        }

        /**
         * The same of a part of the place that has an air of its own. Under cover nothing from outside counts; in the open what is not
         * known there is taken from the place.
         *
         * @param own what is known of the part; its usual day is not looked at
         * @param ownDay the part's typical day, where it is told
         */
        public Known ofPart(boolean underCover, Optional<DailyTemperatures> ownDay, Known own) {
            Optional<TypicalYear> typical = ownDay.map(TypicalYear::always);
            return underCover
                    ? new Known(
                            typical.orElse(TypicalYear.always(GUESSED_UNDER_COVER)),
                            own.hours(),
                            own.days(),
                            own.forecast())
                    : new Known(
                            typical.orElse(usual),
                            both(hours, own.hours()),
                            both(days, own.days()),
                            both(forecast, own.forecast()));
        }

        private static <K, V> Map<K, V> both(Map<K, V> place, Map<K, V> part) {
            Map<K, V> both = new HashMap<>(place);
            both.putAll(part);
            return both;
        }
    }

    /** The air from a moment, set back to its whole hour, for a number of hours. */
    public static WeatherSeries of(Site site, Known known, Instant from, int hours) {
        Instant start = from.truncatedTo(ChronoUnit.HOURS);
        Days days = new Days(site, known);
        List<Double> celsius = new ArrayList<>();
        List<WeatherSource> sources = new ArrayList<>();
        double[] humidity = new double[hours + 1];
        for (int h = 0; h <= hours; h++) {
            Instant at = start.plus(Duration.ofHours(h));
            Measured measured = known.hours().get(at);
            celsius.add(measured != null ? measured.celsius() : days.at(at));
            sources.add(measured != null ? WeatherSource.MEASURED : days.source(at));
            humidity[h] = measured != null && measured.humidity().isPresent()
                    ? measured.humidity().getAsDouble()
                    : Double.NaN;
        }
        bridge(celsius, humidity, sources);
        fillHumidity(humidity, days, start);
        return new WeatherSeries(HourlyTemperatures.of(start, celsius), humidity, sources);
    }

    private static void bridge(List<Double> celsius, double[] humidity, List<WeatherSource> sources) {
        int before = -1;
        for (int h = 0; h < sources.size(); h++) {
            if (sources.get(h) != WeatherSource.MEASURED) {
                continue;
            }
            int missing = h - before - 1;
            if (before >= 0 && missing > 0 && missing <= LONGEST_BRIDGE_HOURS) {
                for (int m = before + 1; m < h; m++) {
                    double part = (double) (m - before) / (h - before);
                    celsius.set(m, celsius.get(before) + part * (celsius.get(h) - celsius.get(before)));
                    humidity[m] = humidity[before] + part * (humidity[h] - humidity[before]);
                    sources.set(m, WeatherSource.BRIDGED);
                }
            }
            before = h;
        }
    }

    private static void fillHumidity(double[] humidity, Days days, Instant start) {
        for (int h = 0; h < humidity.length; h++) {
            if (Double.isNaN(humidity[h])) {
                humidity[h] = days.humidity(start.plus(Duration.ofHours(h)));
            }
        }
    }

    public HourlyTemperatures temperatures() {
        return temperatures;
    }

    public Instant start() {
        return temperatures.start();
    }

    /** Where each hour comes from, one for each value of the temperatures. */
    public List<WeatherSource> sources() {
        return sources;
    }

    /** Where the hour that holds a moment comes from. */
    public WeatherSource sourceAt(Instant at) {
        int hour = (int) Math.floor(temperatures.hoursTo(at));
        return sources.get(Math.min(Math.max(hour, 0), sources.size() - 1));
    }

    /** Relative humidity of the hour that holds a moment, %, where it is known. */
    public OptionalDouble humidityAt(Instant at) {
        int hour = (int) Math.floor(temperatures.hoursTo(at));
        boolean known = hour >= 0 && hour < humidity.length && !Double.isNaN(humidity[hour]);
        return known ? OptionalDouble.of(humidity[hour]) : OptionalDouble.empty();
    }

    /** Vapour pressure deficit at a moment, kPa, where the humidity is known. */
    public OptionalDouble deficitAt(Instant at) {
        int hour = (int) Math.floor(temperatures.hoursTo(at));
        if (hour < 0 || hour >= humidity.length || Double.isNaN(humidity[hour])) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(
                Vapour.at(temperatures.celsiusAtHour(hour), humidity[hour]).deficitKpa());
    }

    /** The days of a place, each with its curve. */
    private static final class Days {
        private final Site site;
        private final Known known;
        private final Map<LocalDate, DailyTemperatures.SunHours> suns = new HashMap<>();

        Days(Site site, Known known) {
            this.site = site;
            this.known = known;
        }

        double at(Instant at) {
            LocalDate date = date(at);
            return DailyTemperatures.at(site, at, this::temperatures, suns, date);
        }

        WeatherSource source(Instant at) {
            LocalDate date = date(at);
            if (known.days().containsKey(date)) {
                return WeatherSource.DAILY;
            }
            return known.forecast().containsKey(date) ? WeatherSource.FORECAST : WeatherSource.USUAL;
        }

        double humidity(Instant at) {
            DayRange day = range(date(at));
            return day == null ? Double.NaN : day.meanHumidity().orElse(Double.NaN);
        }

        private DailyTemperatures temperatures(LocalDate date) {
            DayRange day = range(date);
            return day == null ? known.usual().on(date) : day.temperatures();
        }

        private @Nullable DayRange range(LocalDate date) {
            DayRange day = known.days().get(date);
            return day == null ? known.forecast().get(date) : day;
        }

        private LocalDate date(Instant at) {
            return at.atZone(site.zone()).toLocalDate();
        }
    }
}
