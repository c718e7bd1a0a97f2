package org.evenhand.bloom;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.Month;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.core.bloom.clock.BloomConditions;
import org.evenhand.core.bloom.forecast.BudSupply;
import org.evenhand.core.bloom.season.BloomDates;
import org.evenhand.core.bloom.season.BloomProgress;
import org.evenhand.core.bloom.season.Overlap;
import org.evenhand.core.bloom.season.PollenTube;
import org.evenhand.core.bloom.season.SeasonConventions;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.weather.HourlyTemperatures;
import org.evenhand.core.weather.WeatherSeries;
import org.evenhand.core.weather.WeatherSource;
import org.evenhand.core.weather.WinterRest;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.weather.Places;
import org.evenhand.weather.Weather;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Foresees the season: chill and heat, when each variety flowers, and whose pollen reaches whom. */
@Service
public class Seasons {
    private static final int SEASON_DAYS = 365;

    private final BloomDiary diary;
    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Weather weather;

    /** Foreseeing a season takes a second, so it is kept while nothing it rests on has changed. */
    private final Cache<Basis, SeasonView> known = Caffeine.newBuilder()
            .maximumSize(200)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    Seasons(BloomDiary diary, Orchards orchards, CropCatalogue crops, Weather weather) {
        this.diary = diary;
        this.orchards = orchards;
        this.crops = crops;
        this.weather = weather;
    }

    private record Basis(
            UUID orchard,
            Weather.Version weather,
            LocalDate today,
            List<BloomDateView> dates,
            List<VarietyView> varieties,
            List<CropSheet> sheets) {}

    @Transactional(readOnly = true)
    SeasonView season(Caller caller) {
        OrchardDetails orchard = orchards.details(caller);
        List<VarietyView> varieties = orchards.varieties(caller);
        List<BloomDateView> dates = diary.all(caller);
        List<CropSheet> sheets =
                varieties.stream().map(v -> crops.of(caller, v.crop())).toList();
        Basis basis = new Basis(
                caller.orchardId(), weather.version(caller, orchard), orchards.today(caller), dates, varieties, sheets);
        return known.get(basis, b -> new Answer(caller, orchard, b).view());
    }

    /** The course of each variety in this season, where its days are known or foreseen. */
    @Transactional(readOnly = true)
    public Map<UUID, BloomProgress> courses(Caller caller) {
        Map<UUID, BloomProgress> courses = new HashMap<>();
        for (SeasonView.Variety variety : season(caller).varieties()) {
            SeasonView.Course course = variety.course();
            if (course != null) {
                courses.put(
                        variety.varietyId(),
                        new BloomProgress(
                                days(course.from(), course.receptive()), days(course.from(), course.shedding())));
            }
        }
        return courses;
    }

    private static TreeMap<LocalDate, Double> days(LocalDate from, double[] shares) {
        TreeMap<LocalDate, Double> days = new TreeMap<>();
        for (int d = 0; d < shares.length; d++) {
            if (shares[d] > 0) {
                days.put(from.plusDays(d), shares[d]);
            }
        }
        return days;
    }

    /** One look at a season. */
    private final class Answer {
        private final Caller caller;
        private final OrchardDetails orchard;
        private final ZoneId zone;
        private final Basis basis;
        private final LocalDate start;
        private final int year;
        private final Map<String, Winter> winters = new HashMap<>();
        private final Map<UUID, Set<String>> placesOfVariety;
        private final Map<UUID, BloomProgress> courses = new HashMap<>();

        Answer(Caller caller, OrchardDetails orchard, Basis basis) {
            this.caller = caller;
            this.orchard = orchard;
            this.zone = orchard.site().zone();
            this.basis = basis;
            this.start = startBefore(basis.today());
            this.year = orchard.site().bloomYear(start);
            Places places = weather.places(caller);
            this.placesOfVariety = orchards.standing(caller).stream()
                    .collect(Collectors.groupingBy(
                            TreeView::varietyId, Collectors.mapping(t -> places.of(t.block()), Collectors.toSet())));
        }

        private boolean south() {
            return orchard.site().latitude() < 0;
        }

        /** Rest begins in early November in the north, in early May in the south. */
        private LocalDate startBefore(LocalDate day) {
            Month month = south() ? Month.MAY : Month.NOVEMBER;
            LocalDate thisYear = LocalDate.of(day.getYear(), month, 1);
            return day.isBefore(thisYear) ? thisYear.minusYears(1) : thisYear;
        }

        private LocalDate startOf(int bloomYear) {
            return LocalDate.of(south() ? bloomYear : bloomYear - 1, south() ? Month.MAY : Month.NOVEMBER, 1);
        }

        private Instant midnight(LocalDate date) {
            return date.atStartOfDay(zone).toInstant();
        }

        /** The air of the winter and spring before bloom at one place, as known, and where nothing is known as the mean of past seasons. */
        private final class Winter {
            private final String place;
            private final Map<LocalDate, WeatherSeries> airs = new HashMap<>();
            private final double[] coming;

            Winter(String place) {
                this.place = place;
                this.coming = coming();
            }

            private WeatherSeries air(LocalDate seasonStart) {
                return airs.computeIfAbsent(
                        seasonStart, s -> weather.air(caller, place, midnight(s), midnight(s.plusDays(SEASON_DAYS))));
            }

            private double[] coming() {
                double[] hours = air(start).temperatures().toArray();
                List<WeatherSource> sources = air(start).sources();
                List<WeatherSeries> past = pastStarts().stream().map(this::air).toList();
                for (int h = 0; h < hours.length; h++) {
                    int hour = h;
                    if (sources.get(h) == WeatherSource.USUAL) {
                        hours[h] = past.stream()
                                .filter(a ->
                                        hour < a.sources().size() && a.sources().get(hour) != WeatherSource.USUAL)
                                .mapToDouble(a -> a.temperatures().celsiusAtHour(hour))
                                .average()
                                .orElse(hours[h]);
                    }
                }
                return hours;
            }
        }

        private Winter winter(String place) {
            return winters.computeIfAbsent(place, Winter::new);
        }

        /** The place of a variety's trees; the orchard where they stand in several. */
        private String place(VarietyView v) {
            Set<String> of = placesOfVariety.getOrDefault(v.id(), Set.of(Places.ORCHARD));
            return of.size() == 1 ? of.iterator().next() : Places.ORCHARD;
        }

        private List<LocalDate> pastStarts() {
            return basis.dates().stream()
                    .map(BloomDateView::year)
                    .filter(y -> y < year)
                    .distinct()
                    .map(this::startOf)
                    .toList();
        }

        SeasonView view() {
            List<SeasonView.Variety> varieties =
                    basis.varieties().stream().map(this::variety).toList();
            return new SeasonView(year, start, basis.today(), rest(), varieties, pairs());
        }

        private SeasonView.Rest rest() {
            Winter winter = winter(Places.ORCHARD);
            int hours = (int) Math.min(winter.coming.length, ChronoUnit.DAYS.between(start, basis.today()) * 24);
            WinterRest rest = new WinterRest();
            List<SeasonView.Week> weeks = new ArrayList<>();
            for (int h = 0; h < hours; h++) {
                rest.hour(winter.coming[h]);
                if ((h + 1) % (24 * 7) == 0) {
                    LocalDate until = start.plusDays((h + 1) / 24);
                    weeks.add(new SeasonView.Week(until, rest.chillPortions(), rest.growingDegreeHours()));
                }
            }
            double known = knownShare(winter.air(start), hours);
            return new SeasonView.Rest(
                    hours,
                    known,
                    WinterRest.enoughKnown(known),
                    rest.chillingHours(),
                    rest.hoursBelow(),
                    rest.utahUnits(),
                    rest.utahSinceLowest(),
                    rest.chillPortions(),
                    rest.growingDegreeHours(),
                    weeks);
        }

        private static double knownShare(WeatherSeries air, int hours) {
            long measured = air.sources().stream()
                    .limit(hours)
                    .filter(s -> s != WeatherSource.USUAL && s != WeatherSource.FORECAST)
                    .count();
            return hours == 0 ? 0 : (double) measured / hours;
        }

        private SeasonView.Variety variety(VarietyView v) {
            CropSheet sheet = crops.of(caller, v.crop());
            List<BloomDateView> history = basis.dates().stream()
                    .filter(d -> d.varietyId().equals(v.id()))
                    .toList();
            Optional<BloomDateView> now =
                    history.stream().filter(d -> d.year() == year).findFirst();
            Optional<Double> chill = chillPortions(v, sheet);
            Winter winter = winter(place(v));
            Optional<BloomDates> first = outlook(winter, history, chill, BloomDateView::firstBloom);
            Optional<BloomDates> full = outlook(winter, history, chill, BloomDateView::fullBloom);
            Optional<Course> course = course(winter, sheet, history, now, first, full);
            course.ifPresent(c -> courses.put(v.id(), c.course()));
            return new SeasonView.Variety(
                    v.id(),
                    v.name(),
                    v.crop(),
                    history,
                    first.map(SeasonView.Outlook::of).orElse(null),
                    full.map(SeasonView.Outlook::of).orElse(null),
                    now.map(d -> d.firstBloom() != null).orElse(false),
                    chill.orElse(null),
                    begin(sheet, now),
                    sheet.season().rhythm(),
                    course.map(Course::view).orElse(null),
                    course.flatMap(c -> visits(winter, sheet, c.full())).orElse(null));
        }

        private static LocalDate begin(CropSheet sheet, Optional<BloomDateView> now) {
            return now.map(BloomDateView::leafOut)
                    .flatMap(leafOut -> sheet.season().begins(leafOut))
                    .orElse(null);
        }

        private Optional<BloomDates> outlook(
                Winter winter,
                List<BloomDateView> history,
                Optional<Double> chill,
                Function<BloomDateView, LocalDate> day) {
            List<BloomDates.PastSeason> past = history.stream()
                    .filter(d -> d.year() < year && day.apply(d) != null)
                    .map(d -> past(winter, startOf(d.year()), day.apply(d)))
                    .flatMap(Optional::stream)
                    .toList();
            return BloomDates.of(past, start, Arrays.copyOf(winter.coming, knownHours(winter)), chill);
        }

        /** The variety's own number, else the crop sheet's. */
        private static Optional<Double> chillPortions(VarietyView variety, CropSheet sheet) {
            return Optional.ofNullable(variety.numbers().chillPortions())
                    .or(() -> sheet.season().chillPortions().map(c -> c.value()));
        }

        /** Hours of the coming season up to today, and those that somebody has forecast. */
        private int knownHours(Winter winter) {
            List<WeatherSource> sources = winter.air(start).sources();
            int known = (int) Math.max(0, ChronoUnit.DAYS.between(start, basis.today()) * 24);
            while (known < sources.size() && sources.get(known) != WeatherSource.USUAL) {
                known++;
            }
            return Math.min(known, winter.coming.length);
        }

        /** A past season; its hours are used when nearly all of them are known. Days before their season's start are left out. */
        private Optional<BloomDates.PastSeason> past(Winter winter, LocalDate seasonStart, LocalDate bloom) {
            if (bloom.isBefore(seasonStart) || !bloom.isBefore(seasonStart.plusDays(SEASON_DAYS))) {
                return Optional.empty();
            }
            int hours = (int) (ChronoUnit.DAYS.between(seasonStart, bloom) + 1) * 24;
            WeatherSeries air = winter.air(seasonStart);
            return Optional.of(new BloomDates.PastSeason(
                    seasonStart,
                    bloom,
                    knownShare(air, hours) >= SeasonConventions.KNOWN_ENOUGH
                            ? Optional.of(air.temperatures().toArray())
                            : Optional.empty()));
        }

        private record Course(BloomProgress course, SeasonView.Course view, LocalDate full) {}

        private Optional<Course> course(
                Winter winter,
                CropSheet sheet,
                List<BloomDateView> history,
                Optional<BloomDateView> now,
                Optional<BloomDates> first,
                Optional<BloomDates> full) {
            LocalDate from = now.map(BloomDateView::firstBloom)
                    .or(() -> first.map(BloomDates::expected))
                    .orElse(null);
            if (from == null) {
                return Optional.empty();
            }
            long days = (long) sheet.season().bloomDays().value();
            LocalDate guess = full.map(BloomDates::expected)
                    .filter(d -> !d.isBefore(from))
                    .orElse(from.plusDays(Math.round(days * SeasonConventions.FULL_BLOOM_AFTER)));
            LocalDate peak = now.map(BloomDateView::fullBloom).orElse(guess);
            LocalDate last = now.map(BloomDateView::lastBloom)
                    .orElse(usualLast(history, peak).orElse(from.plusDays(days)));
            LocalDate end = last.isBefore(peak) ? peak : last;
            BloomProgress course = BloomProgress.of(supply(winter, sheet, from, end), zone, from, peak, end);
            return Optional.of(new Course(course, view(course, from), peak));
        }

        /** The last flowers came as long after full bloom as in the mean of the past years. */
        private static Optional<LocalDate> usualLast(List<BloomDateView> history, LocalDate peak) {
            var days = history.stream()
                    .filter(d -> d.lastBloom() != null)
                    .mapToLong(d -> ChronoUnit.DAYS.between(d.fullBloom(), d.lastBloom()))
                    .average();
            return days.isPresent() ? Optional.of(peak.plusDays(Math.round(days.getAsDouble()))) : Optional.empty();
        }

        private BudSupply supply(Winter winter, CropSheet sheet, LocalDate from, LocalDate end) {
            HourlyTemperatures hours = HourlyTemperatures.of(
                            midnight(start),
                            Arrays.stream(winter.coming).boxed().toList())
                    .startingAt(midnight(from));
            Instant until = midnight(end.plusDays(30));
            // Only the clock is wanted here, no supply of buds before the first flowers.
            return BudSupply.of(sheet, BloomConditions.of(sheet, orchard.site(), hours, until), hours.start());
        }

        private static SeasonView.Course view(BloomProgress course, LocalDate from) {
            LocalDate last = java.util.stream.Stream.of(course.receptive(), course.shedding())
                    .filter(m -> !m.isEmpty())
                    .map(m -> m.lastKey())
                    .max(LocalDate::compareTo)
                    .orElse(from);
            int days = (int) ChronoUnit.DAYS.between(from, last) + 1;
            double[] receptive = new double[days];
            double[] shedding = new double[days];
            Arrays.setAll(receptive, d -> rounded(course.receptive().getOrDefault(from.plusDays(d), 0.0)));
            Arrays.setAll(shedding, d -> rounded(course.shedding().getOrDefault(from.plusDays(d), 0.0)));
            return new SeasonView.Course(from, receptive, shedding);
        }

        private static double rounded(double share) {
            return Math.round(share * 1000) / 1000.0;
        }

        /** Until when a second visit still helps, at the daily means from full bloom on. */
        private Optional<SeasonView.Visits> visits(Winter winter, CropSheet sheet, LocalDate full) {
            return sheet.pollinationPeriod().map(period -> {
                int from = (int) ChronoUnit.DAYS.between(start, full);
                List<Double> means = new ArrayList<>();
                for (int d = from; d < from + 30 && (d + 1) * 24 <= winter.coming.length; d++) {
                    means.add(Arrays.stream(winter.coming, d * 24, (d + 1) * 24)
                            .average()
                            .orElseThrow());
                }
                OptionalInt tube = PollenTube.daysToArrive(means);
                return new SeasonView.Visits(
                        means.stream().limit(7).mapToDouble(m -> m).average().orElse(Double.NaN),
                        PollenTube.effectiveVisits(
                                means,
                                period.ovuleDays().value(),
                                period.stigmaDays().value()),
                        tube.isPresent() ? tube.getAsInt() : null);
            });
        }

        private List<SeasonView.Pair> pairs() {
            MatingPartners partners = MatingPartners.of(basis.varieties(), crop -> crops.of(caller, crop));
            List<SeasonView.Pair> pairs = new ArrayList<>();
            courses.forEach((giver, sheds) -> courses.forEach((taker, receives) -> {
                CrossCompatibility cross = CrossCompatibility.of(partners.of(taker), partners.of(giver));
                if (!giver.equals(taker) && cross.serves()) {
                    Overlap o = Overlap.of(sheds, receives);
                    pairs.add(new SeasonView.Pair(
                            giver,
                            taker,
                            o.kind(),
                            o.fresh().map(BloomProgress.Days::first).orElse(null),
                            o.fresh().map(BloomProgress.Days::last).orElse(null),
                            o.keepDays()));
                }
            }));
            return pairs;
        }
    }
}
