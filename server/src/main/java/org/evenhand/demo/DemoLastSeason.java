package org.evenhand.demo;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.SplittableRandom;
import java.util.UUID;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import org.evenhand.availability.Strokes;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.cropload.LimbClass;
import org.evenhand.core.fruitset.Treatment;
import org.evenhand.fruitset.CheckDetail;
import org.evenhand.fruitset.CheckRequest;
import org.evenhand.fruitset.FruitChecks;
import org.evenhand.fruitset.FruitEnd;
import org.evenhand.fruitset.FruitRequests;
import org.evenhand.fruitset.Fruits;
import org.evenhand.kit.Caller;
import org.evenhand.pollen.LotRequest;
import org.evenhand.pollen.PollenShelf;
import org.evenhand.pollination.PollinationHow;
import org.evenhand.pollination.PollinationRequest;
import org.evenhand.pollination.Pollinations;
import org.springframework.stereotype.Component;

/**
 * A season before, as its records would be: jars used fresh and stored, at two hours, some flowers gone over once more, some left to
 * nature, looks at the fruit and its harvest. What set is thrown by the chances that stand here, always the same ones, so that what
 * Findings says can be held against the truth.
 */
@Component
class DemoLastSeason {
    /** A half-open flower on a stout limb, with fresh pollen, before half past six. */
    private static final double CHANCE = 0.74;

    private static final double A_DAY_OLD = -0.06;
    private static final double FOUR_DAYS_OLD = -0.38;
    private static final double ON_A_TWIG = -0.10;
    private static final double LATE_IN_THE_EVENING = -0.18;
    private static final double ONCE_MORE = 0.14;
    private static final double LEFT_TO_NATURE = 0.16;

    private static final int JARS = 9;
    private static final int[] DAYS_KEPT = {0, 1, 4};

    private final PollenShelf shelf;
    private final Pollinations pollinations;
    private final FruitChecks checks;
    private final Fruits fruits;

    DemoLastSeason(PollenShelf shelf, Pollinations pollinations, FruitChecks checks, Fruits fruits) {
        this.shelf = shelf;
        this.pollinations = pollinations;
        this.checks = checks;
        this.fruits = fruits;
    }

    /**
     * @param seed of what is thrown
     * @param first day of the first jar
     * @param now nothing is written down later
     */
    void fill(
            Caller ines,
            Caller tomas,
            Supplier<UUID> ids,
            ZoneId zone,
            long seed,
            LocalDate first,
            Instant now,
            List<UUID> lanterns,
            List<UUID> ridges) {
        SplittableRandom random = new SplittableRandom(seed);
        int number = 1;
        for (int jar = 0; jar < JARS; jar++) {
            boolean toRidge = jar % 2 == 0;
            List<UUID> mothers = toRidge ? ridges : lanterns;
            UUID source = (toRidge ? lanterns : ridges).get(jar % 3);
            LocalDate day = first.plusDays(jar * 6L);
            Instant collected = at(day, 16, 40, zone);
            int[] flowers = random.ints(DAYS_KEPT.length, 8, 13).toArray();
            boolean[] again = {random.nextInt(2) == 0, random.nextInt(3) == 0, false};
            // A jar holds what its evenings took, so that none of last year's stands on the shelf half full.
            int doses = IntStream.range(0, flowers.length)
                    .map(v -> again[v] ? 2 * flowers[v] : flowers[v])
                    .sum();
            UUID lot = lot(tomas, ids, source, collected, doses);
            for (int visit = 0; visit < DAYS_KEPT.length; visit++) {
                int days = DAYS_KEPT[visit];
                Caller who = (jar + days) % 3 == 0 ? ines : tomas;
                UUID tree = mothers.get((jar + days) % 3);
                PollinationHow how = new PollinationHow(
                        Treatment.HAND,
                        days == 1 ? "parted" : "half-open",
                        random.nextBoolean() ? Strokes.FULL : Strokes.LIGHT,
                        random.nextInt(3) > 0 ? "soft brush" : "feather",
                        random.nextInt(3) > 0 ? LimbClass.STOUT : LimbClass.TWIG);
                boolean late = random.nextInt(3) == 0;
                Instant done = at(day.plusDays(days), late ? 19 : 17, 10 + random.nextInt(40), zone);
                UUID id = ids.get();
                pollinations.put(who, id, PollinationRequest.simple(tree, lot, flowers[visit], done, "tag", how));
                if (again[visit]) {
                    onceMore(who, ids.get(), tree, lot, flowers[visit], done.plus(13, ChronoUnit.HOURS), id);
                }
                int took = follow(ines, ids, id, done, flowers[visit], chance(days, how, late, again[visit]), random);
                number = harvest(ines, ids, tree, id, done, took, how, number, now, random);
            }
            UUID nature = ids.get();
            Instant done = at(day, 17, 55, zone);
            pollinations.put(
                    tomas,
                    nature,
                    PollinationRequest.simple(
                            mothers.get(jar % 3), null, 6, done, "tag", PollinationHow.of(Treatment.NATURE)));
            follow(ines, ids, nature, done, 6, LEFT_TO_NATURE, random);
        }
    }

    private static double chance(int days, PollinationHow how, boolean late, boolean again) {
        return CHANCE
                + (days == 4 ? FOUR_DAYS_OLD : days == 1 ? A_DAY_OLD : 0)
                + (how.limb() == LimbClass.TWIG ? ON_A_TWIG : 0)
                + (late ? LATE_IN_THE_EVENING : 0)
                + (again ? ONCE_MORE : 0);
    }

    private void onceMore(Caller who, UUID id, UUID tree, UUID lot, int flowers, Instant at, UUID first) {
        pollinations.put(
                who,
                id,
                new PollinationRequest(
                        tree, lot, flowers, at, null, null, null, null, null, null, true, first, null, null, null));
    }

    private static Instant at(LocalDate day, int hour, int minute, ZoneId zone) {
        return day.atTime(LocalTime.of(hour, minute)).atZone(zone).toInstant();
    }

    private UUID lot(Caller tomas, Supplier<UUID> ids, UUID source, Instant collected, int doses) {
        UUID lot = ids.get();
        shelf.put(
                tomas,
                lot,
                new LotRequest(
                        List.of(new LotRequest.Source(source, 9)),
                        collected,
                        Storage.FRIDGE_DESICCANT,
                        null,
                        doses,
                        null,
                        List.of("no-male-flowers")));
        return lot;
    }

    /** A look on day 7, a count on day 12, and one more after the early drop. */
    private int follow(
            Caller ines,
            Supplier<UUID> ids,
            UUID pollination,
            Instant done,
            int flowers,
            double chance,
            SplittableRandom random) {
        int failed = 0;
        int late = 0;
        for (int f = 0; f < flowers; f++) {
            if (random.nextDouble() > chance) {
                late += random.nextInt(3) == 0 ? 1 : 0;
                failed++;
            }
        }
        check(ines, ids, pollination, done, 7, flowers - failed, failed - late, late);
        check(ines, ids, pollination, done, 12, flowers - failed, failed, 0);
        int dropped = flowers - failed > 4 ? random.nextInt(2) : 0;
        check(ines, ids, pollination, done, 38, flowers - failed - dropped, failed + dropped, 0);
        return flowers - failed - dropped;
    }

    private void check(
            Caller ines,
            Supplier<UUID> ids,
            UUID pollination,
            Instant done,
            int day,
            int taken,
            int failed,
            int unknown) {
        Instant at = done.plus(day, ChronoUnit.DAYS).minus(7, ChronoUnit.HOURS);
        CheckDetail detail = new CheckDetail(null, null, null, null, null, taken > 0 && day == 38 ? 24.0 : null);
        checks.put(
                ines,
                ids.get(),
                new CheckRequest(pollination, at, taken, failed, unknown, null, null, null, detail, null, null));
    }

    /** Some of the fruit got a number in autumn and was weighed and opened. */
    private int harvest(
            Caller ines,
            Supplier<UUID> ids,
            UUID tree,
            UUID pollination,
            Instant done,
            int took,
            PollinationHow how,
            int number,
            Instant now,
            SplittableRandom random) {
        int next = number;
        for (int f = 0; f < Math.min(2, took); f++) {
            boolean full = how.strokes() == Strokes.FULL;
            int seeds = (full ? 38 : 21) + random.nextInt(16);
            FruitEnd.Shape shape = random.nextInt(full ? 9 : 3) == 0 ? FruitEnd.Shape.ONE_SIDED : FruitEnd.Shape.WHOLE;
            Instant picked = done.plus(172 + random.nextInt(9), ChronoUnit.DAYS);
            FruitEnd end = new FruitEnd(
                    FruitEnd.Kind.HARVESTED,
                    picked,
                    (double) (240 + 5 * seeds + random.nextInt(70)),
                    null,
                    null,
                    shape,
                    seeds,
                    random.nextInt(4),
                    false,
                    3 + random.nextInt(3),
                    null);
            if (picked.isBefore(now)) {
                fruits.put(
                        ines,
                        ids.get(),
                        new FruitRequests.Fruit(
                                tree, pollination, next++, picked.minus(30, ChronoUnit.DAYS), end, null));
            }
        }
        return next;
    }
}
