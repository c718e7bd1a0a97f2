package org.evenhand.demo;

import java.time.Instant;
import java.time.InstantSource;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.Month;
import java.time.MonthDay;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.evenhand.account.Accounts;
import org.evenhand.availability.PollenAge;
import org.evenhand.availability.Settings;
import org.evenhand.availability.SettingsRequest;
import org.evenhand.availability.SettingsView;
import org.evenhand.availability.Strokes;
import org.evenhand.bloom.BloomDateRequest;
import org.evenhand.bloom.BloomDiary;
import org.evenhand.bloom.ReadingRequest;
import org.evenhand.bloom.Readings;
import org.evenhand.core.Units;
import org.evenhand.core.bloom.season.HandPollinationNeed;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.crossing.CrossProtocol;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.core.weather.DailyTemperatures;
import org.evenhand.core.weather.Site;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.cropload.TargetRequest;
import org.evenhand.cropload.Targets;
import org.evenhand.crossing.ControlledCrossRequests;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.findings.ComparisonView;
import org.evenhand.findings.Comparisons;
import org.evenhand.fruitset.CheckRequest;
import org.evenhand.fruitset.FruitChecks;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossRequests;
import org.evenhand.mating.WantedCrossRequest;
import org.evenhand.orchard.BlockNoteRequest;
import org.evenhand.orchard.BlockNotes;
import org.evenhand.orchard.Breeding;
import org.evenhand.orchard.OrchardDetails;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeRequest;
import org.evenhand.orchard.VarietyRequest;
import org.evenhand.pollen.LotRequest;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.pollination.Figs;
import org.evenhand.pollination.FigsView;
import org.evenhand.pollination.PollinationHow;
import org.evenhand.pollination.PollinationRequest;
import org.evenhand.pollination.Pollinations;
import org.evenhand.weather.WeatherBook;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/**
 * Fills an empty database with Heron Bank, an invented orchard on an invented southern coast, as it is on a late-November
 * afternoon of the latest season. Everything in it goes through the same doors as a grower's own records.
 */
@Component
@ConditionalOnProperty("even-hand.demo")
class DemoOrchard implements ApplicationRunner {
    static final String OWNER_EMAIL = "ines@heron-bank.example";
    static final String HELPER_EMAIL = "tomas@heron-bank.example";
    static final String PASSWORD = "black cup soft brush";
    private static final ZoneId ZONE = ZoneId.of("Pacific/Auckland");
    private static final MonthDay AFTERNOON = MonthDay.of(Month.NOVEMBER, 24);
    private static final Logger LOG = LoggerFactory.getLogger(DemoOrchard.class);
    private static final String[] STAGES = {"closed", "parted", "half-open", "wide-tight", "shedding", "brown"};

    private final Accounts accounts;
    private final Orchards orchards;
    private final Readings readings;
    private final PollenShelf shelf;
    private final Pollinations pollinations;
    private final FruitChecks checks;
    private final WeatherBook weather;
    private final BloomDiary diary;
    private final BlockNotes blocks;
    private final CropCatalogue crops;
    private final CrossRequests crossRequests;
    private final Settings settings;
    private final Targets targets;
    private final ControlledCrosses controlledCrosses;
    private final Figs figs;
    private final DemoLastSeason lastSeason;
    private final Comparisons comparisons;
    private final DemoMap map;
    private final DemoSeeds seeds;
    private final DemoSeedlings seedlings;
    private final InstantSource clock;
    private final String fixedMoment;

    DemoOrchard(
            Accounts accounts,
            Orchards orchards,
            Readings readings,
            PollenShelf shelf,
            Pollinations pollinations,
            FruitChecks checks,
            WeatherBook weather,
            BloomDiary diary,
            BlockNotes blocks,
            CropCatalogue crops,
            CrossRequests crossRequests,
            Settings settings,
            Targets targets,
            ControlledCrosses controlledCrosses,
            Figs figs,
            DemoLastSeason lastSeason,
            Comparisons comparisons,
            DemoMap map,
            DemoSeeds seeds,
            DemoSeedlings seedlings,
            InstantSource clock,
            @Value("${even-hand.demo-moment:}") String fixedMoment) {
        this.accounts = accounts;
        this.orchards = orchards;
        this.readings = readings;
        this.shelf = shelf;
        this.pollinations = pollinations;
        this.checks = checks;
        this.weather = weather;
        this.diary = diary;
        this.blocks = blocks;
        this.crops = crops;
        this.crossRequests = crossRequests;
        this.settings = settings;
        this.targets = targets;
        this.controlledCrosses = controlledCrosses;
        this.figs = figs;
        this.lastSeason = lastSeason;
        this.comparisons = comparisons;
        this.map = map;
        this.seeds = seeds;
        this.seedlings = seedlings;
        this.clock = clock;
        this.fixedMoment = fixedMoment;
    }

    @Override
    public void run(ApplicationArguments arguments) {
        if (accounts.none()) {
            fill();
            LOG.info("The demo orchard Heron Bank is ready");
        }
    }

    private void fill() {
        Instant now = moment();
        UUID orchardId = UUID.randomUUID();
        orchards.create(
                orchardId,
                new OrchardDetails(
                        "Heron Bank", new Site(-35.3, 173.9, ZONE), new DailyTemperatures(14, 24), Units.METRIC),
                now);
        Caller ines = accounts.create(orchardId, Caller.Role.OWNER, OWNER_EMAIL, "Ines", PASSWORD);
        Caller tomas = accounts.create(orchardId, Caller.Role.WORKER, HELPER_EMAIL, "Tomas", PASSWORD);
        new Season(ines, tomas, now).fill();
    }

    private Instant moment() {
        return fixedMoment.isBlank()
                ? latestAfternoon(clock.instant())
                : LocalDateTime.parse(fixedMoment).atZone(ZONE).toInstant();
    }

    /** The late-November afternoon of the latest season, never one that is still to come. */
    static Instant latestAfternoon(Instant now) {
        LocalDate today = now.atZone(ZONE).toLocalDate();
        LocalDate latest = AFTERNOON.atYear(today.getYear());
        LocalDate day = latest.isAfter(today) ? AFTERNOON.atYear(today.getYear() - 1) : latest;
        return day.atTime(15, 40).atZone(ZONE).toInstant();
    }

    /** The records of one season. */
    private final class Season {
        private final Caller ines;
        private final Caller tomas;
        private final Instant now;
        private final DemoIds ids;
        private DemoWeather days;
        private UUID harrow;
        private UUID late;
        private UUID ember;
        private UUID emberTree;

        Season(Caller ines, Caller tomas, Instant now) {
            this.ines = ines;
            this.tomas = tomas;
            this.now = now;
            this.ids = new DemoIds(now.minus(40, ChronoUnit.DAYS));
        }

        void fill() {
            weather();
            UUID lantern = variety("cherimoya", "Lantern");
            UUID ridge = variety("cherimoya", "Pale Ridge");
            List<UUID> lanterns = new ArrayList<>();
            List<UUID> ridges = new ArrayList<>();
            for (int i = 1; i <= 3; i++) {
                lanterns.add(tree(lantern, "Lantern " + i, "Bank", 2, i));
                ridges.add(tree(ridge, "Pale Ridge " + i, "Bank", 3, i));
            }
            pastEvenings(lanterns, ridges);
            today(lanterns, ridges);
            others();
            wanted(lanterns, ridges);
            crossed(lantern, ridge, ridges.get(1));
            underCoverAndByTheWall();
            seasons(lantern, 148, 11);
            seasons(ridge, 156, 13);
            blocks.put(
                    ines,
                    ids.next(),
                    new BlockNoteRequest("Bank", 4.0, HandPollinationNeed.Insects.FEW, false, null, null, null));
            blocks.put(
                    ines,
                    ids.next(),
                    new BlockNoteRequest("Tunnel", 4.0, HandPollinationNeed.Insects.NONE, true, 14.0, 27.0, null));
            LocalDate lastYear =
                    today().minusYears(1).withMonth(Month.OCTOBER.getValue()).withDayOfMonth(18);
            lastSeason.fill(ines, tomas, ids::next, ZONE, 21, lastYear.minusYears(1), now, lanterns, ridges);
            lastSeason.fill(ines, tomas, ids::next, ZONE, 20, lastYear, now, lanterns, ridges);
            besideNature(ridges);
            map.fill(ines, ids::next);
            seeds.fill(ines, ids::next, today(), harrow, ridges.get(1), lanterns.get(0));
            seedlings.fill(
                    ines,
                    ids::next,
                    today(),
                    new DemoSeedlings.Parent(late, harrow),
                    new DemoSeedlings.Parent(ember, emberTree),
                    variety("apple", "Tollgate", "S3 S7"));
        }

        /** Seeds that are wanted of two varieties, and flowers bagged for it yesterday that are ripe this evening. */
        private void crossed(UUID father, UUID mother, UUID tree) {
            UUID crossRequest = ids.next();
            crossRequests.want(
                    ines,
                    crossRequest,
                    new WantedCrossRequest(mother, father, null, 60, 2, "Seedlings of the two, for the bank.", null));
            UUID controlledCross = ids.next();
            controlledCrosses.put(
                    tomas,
                    controlledCross,
                    new ControlledCrossRequests.Cross(
                            tree,
                            father,
                            crossRequest,
                            3,
                            true,
                            CrossProtocol.Visits.TWICE,
                            null,
                            null,
                            null,
                            "",
                            null));
            controlledCrosses.putStep(
                    tomas,
                    controlledCross,
                    ids.next(),
                    new ControlledCrossRequests.Step(
                            CrossProtocol.Step.BAG, 3, now.minus(23, ChronoUnit.HOURS), "", null, null, null));
        }

        /** A potted lime whose flowers serve one another, and a fig that is injected by size. */
        private void underCoverAndByTheWall() {
            Instant early = now.minus(8, ChronoUnit.MINUTES);
            UUID lime = tree(variety("citrus", "Pocket Lime"), "Pocket Lime 1", "Tunnel", 1, 2);
            read(lime, early, Map.of("bud", 16, "open", 7));
            UUID fig = tree(variety("fig-edible", "Stone Wall"), "Stone Wall 1", "Wall", 2, 1);
            read(fig, early.plus(3, ChronoUnit.MINUTES), Map.of("tiny", 9, "right", 4, "late", 2));
            double[][] sizes = {{7.5, 9.2}, {11, 13.4}, {16.5, 19.1}, {20, 23.2}, {25.5, 29.4}};
            for (int i = 0; i < sizes.length; i++) {
                fig(fig, "Y" + (i + 1), sizes[i][0], now.minus(3, ChronoUnit.DAYS));
                fig(fig, "Y" + (i + 1), sizes[i][1], early.plus(4, ChronoUnit.MINUTES));
            }
            fig(fig, "Y6", 8.1, early.plus(5, ChronoUnit.MINUTES));
            UUID capri = tree(variety("fig-capri", "Mill Lane"), "Mill Lane 1", "Wall", 2, 2);
            read(capri, early.minus(27, ChronoUnit.HOURS), Map.of("green", 11, "ripe", 2));
            lot(capri, 2, early.minus(26, ChronoUnit.HOURS), Storage.FRIDGE_DESICCANT);
            // The ripe ones were taken, and no other has ripened.
            read(capri, early.plus(6, ChronoUnit.MINUTES), Map.of("green", 11));
        }

        private void fig(UUID tree, String name, double mm, Instant at) {
            figs.put(
                    ines,
                    ids.next(),
                    new FigsView.Request(
                            tree, name, mm, mm < 12 ? FigSize.Eye.TIGHT_GREEN : FigSize.Eye.LOOSENING_GREEN, at));
        }

        /** Flowers by hand and flowers left to nature, drawn by lot on two trees; some are done, none is decided yet. */
        private void besideNature(List<UUID> ridges) {
            UUID id = ids.next();
            ComparisonView drawn = comparisons.put(
                    ines,
                    id,
                    new ComparisonView.Request(
                            ComparisonView.Question.NATURE,
                            null,
                            false,
                            List.of(ridges.get(0), ridges.get(1)),
                            8,
                            null,
                            "Beetles are about this spring."));
            Instant at = evening(2).plus(70, ChronoUnit.MINUTES);
            drawn.places().stream()
                    .filter(p -> p.slot() < 8 && p.arm() == 0)
                    .forEach(p -> pollinations.put(
                            tomas,
                            ids.next(),
                            new PollinationRequest(
                                    p.treeId(),
                                    null,
                                    1,
                                    at,
                                    "tag",
                                    null,
                                    p.tag(),
                                    null,
                                    null,
                                    null,
                                    null,
                                    null,
                                    PollinationHow.of(Treatment.NATURE),
                                    id,
                                    p.slot())));
        }

        private LocalDate today() {
            return now.atZone(ZONE).toLocalDate();
        }

        /** Five years of days out of a file, ten days of a station, three days of a typed forecast. */
        private void weather() {
            LocalDate first = LocalDate.of(today().getYear() - 5, 4, 1);
            days = new DemoWeather(first, today().plusDays(4));
            weather.days(
                    ines,
                    ids.next(),
                    "heron-bank-days.csv",
                    first,
                    first.datesUntil(today().minusDays(9)).map(days::on).toList());
            weather.fillFromStandIn(ines, ids.next(), "Mast at the gate", now, 10 * 24);
            List<DailyTemperatures> foreseen =
                    today().datesUntil(today().plusDays(4)).map(days::on).toList();
            weather.typedForecast(ines, ids.next(), today(), foreseen);
        }

        /** One tree each of other crops, so that the board shows how they differ. */
        private void others() {
            Instant early = now.minus(25, ChronoUnit.MINUTES);
            UUID tidewater = tree(variety("atemoya", "Tidewater"), "Tidewater 1", "Bank", 4, 1);
            read(tidewater, early, Map.of("closed", 8, "narrow", 9, "wide-tight", 3, "shedding", 2, "brown", 1));
            UUID quarry = tree(variety("sugar-apple", "Quarry Red"), "Quarry Red 1", "Tunnel", 1, 1);
            read(
                    quarry,
                    early.plus(4, ChronoUnit.MINUTES),
                    Map.of("closed", 10, "narrow", 8, "wide-tight", 6, "brown", 4));
            UUID ferry = tree(variety("dragon-fruit", "Night Ferry"), "Night Ferry 1", "Wall", 1, 1);
            read(ferry, early.plus(8, ChronoUnit.MINUTES), Map.of("bud", 14, "tonight", 9, "closed", 2));
            UUID salt = tree(variety("dragon-fruit", "Salt Lane"), "Salt Lane 1", "Wall", 1, 2);
            read(salt, early.plus(10, ChronoUnit.MINUTES), Map.of("bud", 9, "tonight", 4, "closed", 1));
            UUID gate = variety("feijoa", "Copper Gate");
            UUID hedge = tree(gate, "Copper Gate 1", "Hedge", 1, 1);
            read(hedge, early.plus(13, ChronoUnit.MINUTES), Map.of("bud", 22, "pink", 12, "yellow", 3, "dry", 5));
            seasons(gate, 197, 14);
            UUID ebb = variety("feijoa", "Low Ebb");
            later(ebb);
            crossRequests.want(
                    ines, ids.next(), WantedCrossRequest.ofFlowers(ebb, gate, 30, "To see whether they fit."));
            apples();
        }

        /** A late variety that has not begun this year. */
        private void later(UUID variety) {
            int[] off = {2, -3, 4, -1, 0};
            for (int i = 0; i < off.length; i++) {
                int year = today().getYear() - off.length + i;
                LocalDate first = LocalDate.of(year, 12, 2).plusDays(off[i]);
                dates(variety, year, null, first, first.plusDays(11), first.plusDays(24));
            }
        }

        /** Apples that have flowered already: their years are what the season's forecast learns from. */
        private void apples() {
            crops.change(
                    ines,
                    ids.next(),
                    "apple",
                    Map.of("season.chillPortions", 27.0),
                    "They flower here after mild winters.");
            ember = variety("apple", "Ember", "S2 S5");
            late = variety("apple", "Harrow", "S5 S9");
            emberTree = tree(ember, "Ember 1", "Top field", 1, 1);
            harrow = tree(late, "Harrow 1", "Top field", 1, 2);
            chilled(ember, 24, 6800);
            chilled(late, 34, 10800);
            crossRequests.want(
                    ines, ids.next(), WantedCrossRequest.ofFlowers(late, ember, 24, "Late fruit that keeps."));
            crossRequests.want(ines, ids.next(), WantedCrossRequest.ofFlowers(ember, late, 12, null));
        }

        private void chilled(UUID variety, double portions, double heat) {
            for (int year = today().getYear() - 5; year <= today().getYear(); year++) {
                LocalDate first = days.bloom(year, portions, heat);
                dates(variety, year, null, first, first.plusDays(6), first.plusDays(15));
            }
        }

        /** A crop of the warm months: the days of its seasons, some earlier, some later. */
        private void seasons(UUID variety, int firstDayAfterMay, int spread) {
            int[] off = {3, -4, 1, 5, -3};
            for (int i = 0; i < off.length; i++) {
                int year = today().getYear() - off.length + i;
                LocalDate first = LocalDate.of(year, 5, 1).plusDays(firstDayAfterMay + off[i]);
                dates(variety, year, first.minusDays(30), first, first.plusDays(spread * 2L), first.plusDays(60));
            }
            LocalDate first = LocalDate.of(today().getYear(), 5, 1).plusDays(firstDayAfterMay - 2L);
            LocalDate full = first.plusDays(spread * 2L);
            dates(variety, today().getYear(), first.minusDays(31), first, full.isAfter(today()) ? null : full, null);
        }

        private void dates(UUID variety, int year, LocalDate leaves, LocalDate first, LocalDate full, LocalDate last) {
            boolean gone = last != null && !last.isAfter(today());
            diary.put(
                    ines,
                    ids.next(),
                    new BloomDateRequest(variety, year, leaves, first, full, gone ? last : null, null));
        }

        private void pastEvenings(List<UUID> lanterns, List<UUID> ridges) {
            Instant thirteen = evening(13);
            reading(lanterns.get(0), thirteen, 14, 6, 5, 1, 7, 2);
            UUID early = lot(lanterns.get(0), 5, thirteen, Storage.ROOM);
            UUID first = pollination(ridges.get(0), early, 9, thirteen.plus(40, ChronoUnit.MINUTES));
            UUID second = pollination(ridges.get(1), early, 7, thirteen.plus(70, ChronoUnit.MINUTES));
            check(first, 5, 6, 1, 2);
            check(second, 5, 4, 2, 1);
            check(first, 1, 6, 3, 0);
            Instant eight = evening(8);
            reading(ridges.get(1), eight, 12, 8, 6, 0, 4, 3);
            UUID older = lot(ridges.get(1), 4, eight, Storage.ROOM);
            pollination(lanterns.get(1), older, 8, eight.plus(50, ChronoUnit.MINUTES));
            pollination(lanterns.get(2), older, 6, eight.plus(85, ChronoUnit.MINUTES));
            Instant two = evening(2);
            reading(ridges.get(2), two, 10, 7, 7, 2, 6, 1);
            UUID kept = lot(ridges.get(2), 6, two, Storage.FRIDGE_DESICCANT);
            pollination(lanterns.get(0), kept, 8, two.plus(45, ChronoUnit.MINUTES));
        }

        private void today(List<UUID> lanterns, List<UUID> ridges) {
            Instant early = now.minus(50, ChronoUnit.MINUTES);
            reading(lanterns.get(0), early, 11, 8, 9, 3, 2, 3);
            reading(lanterns.get(1), early.plus(6, ChronoUnit.MINUTES), 9, 5, 11, 2, 0, 3);
            reading(lanterns.get(2), early.plus(11, ChronoUnit.MINUTES), 7, 6, 4, 0, 0, 2);
            reading(ridges.get(0), early.plus(17, ChronoUnit.MINUTES), 6, 9, 7, 3, 4, 2);
            reading(ridges.get(1), early.plus(24, ChronoUnit.MINUTES), 8, 7, 3, 0, 0, 1);
            UUID jar = lot(lanterns.get(0), 3, early.plus(20, ChronoUnit.MINUTES), Storage.ROOM);
            pollination(ridges.get(1), jar, 2, early.plus(40, ChronoUnit.MINUTES));
        }

        /** Two hours in the evening and some at night, and what each tree is to bear. */
        private void wanted(List<UUID> lanterns, List<UUID> ridges) {
            settings.put(
                    ines,
                    ids.next(),
                    new SettingsRequest(
                            PollenAge.STORED,
                            Strokes.AS_SHEET,
                            40,
                            List.of(hours(16, 18), hours(20, 22)),
                            List.of(),
                            List.of(),
                            null,
                            null,
                            null,
                            null,
                            null,
                            null,
                            null,
                            null,
                            null));
            for (int i = 0; i < lanterns.size(); i++) {
                targets.put(ines, ids.next(), girth(lanterns.get(i), 38 + 3 * i, 1));
                targets.put(ines, ids.next(), girth(ridges.get(i), 46 - 4 * i, i == 0 ? 2 : 1));
            }
        }

        private SettingsView.Hours hours(int from, int until) {
            return new SettingsView.Hours(LocalTime.of(from, 0), LocalTime.of(until, 0));
        }

        private TargetRequest girth(UUID tree, double girthCm, int priority) {
            return new TargetRequest(tree, null, null, girthCm, null, 90, priority, null, null);
        }

        private Instant evening(int daysAgo) {
            return now.atZone(ZONE)
                    .minusDays(daysAgo)
                    .withHour(17)
                    .withMinute(10)
                    .toInstant();
        }

        private UUID variety(String crop, String name) {
            return variety(crop, name, "");
        }

        private UUID variety(String crop, String name, String alleles) {
            UUID id = ids.next();
            Breeding breeding = new Breeding(alleles, null, null, null, null, null, false, null, null);
            orchards.put(ines, id, new VarietyRequest(crop, name, breeding, null, null));
            return id;
        }

        private UUID tree(UUID variety, String name, String block, int row, int position) {
            UUID id = ids.next();
            LocalDate planted = now.atZone(ZONE).toLocalDate().minusYears(9).withDayOfYear(200 + row * 10);
            orchards.put(ines, id, new TreeRequest(variety, name, block, row, position, planted, null));
            return id;
        }

        private void reading(UUID tree, Instant at, int... flowers) {
            Map<String, Integer> counts = new LinkedHashMap<>();
            for (int s = 0; s < STAGES.length; s++) {
                counts.put(STAGES[s], flowers[s]);
            }
            read(tree, at, counts);
        }

        private void read(UUID tree, Instant at, Map<String, Integer> counts) {
            readings.put(ines, ids.next(), new ReadingRequest(tree, at, counts, null, null, null));
        }

        private UUID lot(UUID tree, int flowers, Instant at, Storage storage) {
            UUID id = ids.next();
            List<LotRequest.Source> sources = List.of(new LotRequest.Source(tree, flowers));
            shelf.put(tomas, id, new LotRequest(sources, at, storage, null, null, null, null));
            return id;
        }

        private UUID pollination(UUID tree, UUID lot, int flowers, Instant at) {
            UUID id = ids.next();
            pollinations.put(tomas, id, PollinationRequest.simple(tree, lot, flowers, at, "petal nick", null));
            return id;
        }

        private void check(UUID pollination, int daysAgo, int taken, int failed, int unknown) {
            Instant at = now.minus(daysAgo, ChronoUnit.DAYS).minus(5, ChronoUnit.HOURS);
            checks.put(ines, ids.next(), CheckRequest.simple(pollination, at, taken, failed, unknown));
        }
    }
}
