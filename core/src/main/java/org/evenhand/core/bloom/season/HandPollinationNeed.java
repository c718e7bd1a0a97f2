package org.evenhand.core.bloom.season;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.evenhand.core.Require;
import org.evenhand.core.crop.CropSheet;

/**
 * Whether working by hand is likely to pay in a block. A reckoning of points, our judgement of what growers report: it leans one way
 * or the other and never proves; a comparison plot does.
 *
 * @param verdict which way it leans
 * @param points sum of the reasons' points; more speaks for the hand
 * @param reasons what it rests on, the weightiest first
 */
public record HandPollinationNeed(Verdict verdict, int points, List<Reason> reasons) {
    /** The air of these last days tells how dry it is. Our convention. */
    public static final Duration AIR_OF = Duration.ofDays(7);

    /** Flowers of most crops stand open, and insects fly, from this hour of the day. Our convention. */
    public static final int OPEN_FROM_HOUR = 9;

    /** The last such hour. Our convention. */
    public static final int OPEN_UNTIL_HOUR = 18;

    private static final double NEAR_THE_SEA_KM = 25;

    public HandPollinationNeed {
        reasons = List.copyOf(reasons);
    }

    /** Which way it leans. */
    public enum Verdict {
        YES,
        WORTH_TESTING,
        PERHAPS_NOT
    }

    /** How many insects are seen in the flowers. */
    public enum Insects {
        NONE,
        FEW,
        MANY,
        NOT_LOOKED
    }

    /** One reason: points for (positive) or against the hand, and a sentence. */
    public record Reason(int points, String sentence) {}

    /**
     * What is known of a block.
     *
     * @param deficitKpa mean vapour pressure deficit in the hours in which flowers open, where humidity is known, kPa
     * @param seaKm distance to the sea, km, where given
     * @param insects what is seen in the flowers
     * @param indoors under cover, where insects do not come
     * @param otherVarieties other varieties or types here whose pollen serves
     */
    public record Block(
            Optional<Double> deficitKpa, Optional<Double> seaKm, Insects insects, boolean indoors, int otherVarieties) {
        public Block {
            seaKm.ifPresent(km -> Require.within("seaKm", km, 0, 10_000));
            Require.within("otherVarieties", otherVarieties, 0, 100_000);
        }
    }

    public static HandPollinationNeed of(CropSheet sheet, Block block) {
        List<Reason> reasons = new ArrayList<>();
        if (block.indoors()) {
            reasons.add(new Reason(4, "It stands under cover, where pollinators do not come."));
        }
        insects(sheet, block, reasons);
        air(sheet, block, reasons);
        partners(sheet, block, reasons);
        reasons.sort(java.util.Comparator.comparingInt((Reason r) -> -Math.abs(r.points())));
        int points = reasons.stream().mapToInt(Reason::points).sum();
        Verdict verdict = points >= 3 ? Verdict.YES : points <= -2 ? Verdict.PERHAPS_NOT : Verdict.WORTH_TESTING;
        return new HandPollinationNeed(verdict, points, reasons);
    }

    private static void insects(CropSheet sheet, Block block, List<Reason> reasons) {
        String who = " In nature: " + sheet.hand().visitors() + ".";
        switch (block.insects()) {
            case NONE -> reasons.add(new Reason(3, "No insects were seen in the flowers." + who));
            case FEW -> reasons.add(new Reason(1, "Few insects were seen in the flowers." + who));
            case MANY -> reasons.add(new Reason(-3, "Many insects are in the flowers." + who));
            case NOT_LOOKED -> reasons.add(new Reason(0, "Nobody has looked for insects yet." + who));
        }
    }

    private static void air(CropSheet sheet, Block block, List<Reason> reasons) {
        if (sheet.hand().dryAirKpa().isEmpty()) {
            return;
        }
        double dry = sheet.hand().dryAirKpa().get().value();
        block.deficitKpa().ifPresent(kpa -> {
            String air = String.format(java.util.Locale.ROOT, "The air lacks %.1f kPa at opening hours; ", kpa);
            String limit = String.format(java.util.Locale.ROOT, "natural set is poor above about %.1f.", dry);
            reasons.add(new Reason(kpa > dry ? 2 : kpa < dry / 2 ? -1 : 0, air + limit));
        });
        block.seaKm()
                .ifPresent(km -> reasons.add(
                        km <= NEAR_THE_SEA_KM
                                ? new Reason(
                                        -1,
                                        "The sea is within 25 km: the air is often humid enough for insects to do it.")
                                : new Reason(1, "The sea is more than 25 km away: inland air is often too dry.")));
    }

    private static void partners(CropSheet sheet, Block block, List<Reason> reasons) {
        if (sheet.hand().selfFertile()) {
            reasons.add(new Reason(-2, sheet.name() + " is self-fertile: outdoors it often sets by itself."));
        } else if (block.otherVarieties() == 0 && !sheet.ownVariety().serves()) {
            reasons.add(new Reason(3, "No second variety stands here: without pollen from elsewhere nothing sets."));
        } else if (block.otherVarieties() > 0) {
            reasons.add(new Reason(0, "There are varieties here that serve it: " + block.otherVarieties() + "."));
        } else {
            reasons.add(new Reason(1, "It stands without a second variety; its own pollen has to do."));
        }
    }
}
