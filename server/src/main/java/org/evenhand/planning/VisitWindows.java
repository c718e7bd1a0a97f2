package org.evenhand.planning;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Plural;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.planning.FreeHours;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.VisitTimes;
import org.evenhand.core.planning.WorkHours;

/** The hours at which to walk, crop by crop; and what stands in the way of any. One use each. */
final class VisitWindows {
    private static final Duration GRAIN = Duration.ofMinutes(30);
    /** Half a flower is none. */
    static final double THERE = 0.5;

    /** So many days, today's included, every plan looks ahead. */
    static final int DAYS = 10;

    private final PlanningContext ground;
    private final List<Instant> moments;
    private final Map<UUID, Openings.Course> courses;
    private final double[] taking;
    private final double[] giving;
    private final List<FreeHours.Stretch> free;
    private final List<VisitWindow> slots;
    private final List<String> obstacles = new ArrayList<>();

    VisitWindows(PlanningContext ground) {
        this.ground = ground;
        this.moments = moments(ground.now());
        this.courses = courses();
        this.taking = sum(courses.values(), Openings.Course::taking, moments.size());
        this.giving = sum(courses.values(), Openings.Course::giving, moments.size());
        this.free = ground.hours().from(ground.now(), DAYS, ground.zone());
        this.slots =
                VisitTimes.of(free, moments, crops()).stream().map(this::slot).toList();
        tellObstacles();
    }

    /** Now, and then the full and half hours: so that hours to go do not creep with the clock. */
    private static List<Instant> moments(Instant now) {
        long grain = GRAIN.toSeconds();
        Instant next = Instant.ofEpochSecond((now.getEpochSecond() / grain + 1) * grain);
        Instant end = now.plus(Duration.ofDays(DAYS));
        return Stream.concat(Stream.of(now), Stream.iterate(next, at -> !at.isAfter(end), at -> at.plus(GRAIN)))
                .toList();
    }

    /** Moments of the first days. */
    List<Instant> moments(int days) {
        return moments.subList(0, until(days));
    }

    double[] taking(int days) {
        return Arrays.copyOf(taking, until(days));
    }

    double[] giving(int days) {
        return Arrays.copyOf(giving, until(days));
    }

    private int until(int days) {
        Instant end = ground.now().plus(Duration.ofDays(days));
        return (int) moments.stream().filter(m -> !m.isAfter(end)).count();
    }

    List<String> obstacles() {
        return List.copyOf(obstacles);
    }

    private Map<UUID, Openings.Course> courses() {
        Openings all = Openings.at(moments);
        Map<UUID, Openings.Course> courses = new HashMap<>();
        ground.trees().forEach(t -> courses.put(t.tree().id(), all.course(t.forecast())));
        return courses;
    }

    private static double[] sum(Collection<Openings.Course> courses, Function<Openings.Course, double[]> of, int size) {
        double[] sum = new double[size];
        courses.forEach(c -> {
            for (int i = 0; i < size; i++) {
                sum[i] += of.apply(c)[i];
            }
        });
        return sum;
    }

    /** The best hours of each crop in each free stretch, within the hours in which the crop is worked. */
    List<VisitWindow> slots() {
        return slots;
    }

    private List<VisitTimes.OfCrop> crops() {
        Instant last = moments.get(moments.size() - 1);
        Map<CropSheet, List<Openings.Course>> byCrop = ground.trees().stream()
                .collect(Collectors.groupingBy(
                        Foreseen::sheet,
                        LinkedHashMap::new,
                        Collectors.mapping(t -> courses.get(t.tree().id()), Collectors.toList())));
        Map<String, double[]> shedding = ground.trees().stream()
                .collect(Collectors.groupingBy(
                        t -> t.sheet().pollenGroup(),
                        Collectors.collectingAndThen(
                                Collectors.mapping(t -> courses.get(t.tree().id()), Collectors.toList()),
                                of -> sum(of, Openings.Course::giving, moments.size()))));
        List<VisitTimes.OfCrop> crops = new ArrayList<>();
        byCrop.forEach((sheet, of) -> crops.add(new VisitTimes.OfCrop(
                WorkHours.of(sheet, ground.site(), ground.now(), last),
                sum(of, Openings.Course::taking, moments.size()),
                shedding.get(sheet.pollenGroup()),
                sheet.hand().flowerToFlower() || ground.onShelf().contains(sheet.pollenGroup()))));
        return crops;
    }

    private VisitWindow slot(VisitTimes.Visit visit) {
        boolean told = ground.hours().told();
        FreeHours.Stretch lasts = new FreeHours.Stretch(visit.at(), visit.until());
        int most = told
                ? (int) Math.max(1, Math.floor(lasts.hours() * ground.settings().flowersPerHour()))
                : RoundRequest.NO_LIMIT;
        return new VisitWindow(lasts, visit.at(), why(visit.moment()), most);
    }

    /** What each crop has to give and to take then; those with nothing are left out. */
    private String why(int moment) {
        Map<String, double[]> byCrop = new TreeMap<>();
        ground.trees().forEach(t -> {
            Openings.Course course = courses.get(t.tree().id());
            double[] sums = byCrop.computeIfAbsent(t.sheet().name(), n -> new double[2]);
            sums[0] += course.taking()[moment];
            sums[1] += course.giving()[moment];
        });
        return byCrop.entrySet().stream()
                .filter(e -> e.getValue()[0] >= THERE)
                .map(e -> String.format(
                        Locale.ROOT,
                        "%s: about %s can take pollen then%s.",
                        e.getKey(),
                        Plural.of((int) Math.round(e.getValue()[0]), "flower"),
                        e.getValue()[1] >= THERE ? String.format(Locale.ROOT, ", %.0f shed it", e.getValue()[1]) : ""))
                .collect(Collectors.joining(" "));
    }

    private void tellObstacles() {
        if (ground.trees().isEmpty()) {
            obstacles.add("No tree was read lately: read the flowers first, then the visits can be planned.");
        } else if (free.isEmpty()) {
            obstacles.add("There is no free hour in these days. Add hours, or look further ahead.");
        } else if (Arrays.stream(taking).max().orElse(0) < THERE) {
            obstacles.add("No flower can take pollen in these days.");
        }
        ground.budgets().values().stream()
                .filter(b -> b.target() != null && b.target().fruits() != null && b.carries() != null)
                .filter(b -> b.target().fruits() > b.carries())
                .forEach(b -> obstacles.add(
                        b.tree() + " is wanted to bear " + Plural.of(b.target().fruits(), "fruit") + ", but can carry "
                                + b.carries() + "; the branch may break. Ask for fewer."));
        ground.budgets().values().stream()
                .filter(b -> b.wanted() != null && b.wanted() > b.set() && b.flowers() == null)
                .forEach(b -> obstacles.add(b.tree() + ": " + Plural.of(b.wanted(), "fruit is", "fruits are")
                        + " out of reach with any number of flowers at this certainty."));
    }
}
