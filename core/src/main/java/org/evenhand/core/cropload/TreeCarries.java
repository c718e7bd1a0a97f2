package org.evenhand.core.cropload;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.evenhand.core.crop.CropLoadTraits;

/**
 * What one tree can carry.
 *
 * @param fruits fruits, the least of what trunk and limbs allow
 * @param young whether it is better left without fruit, being young
 * @param how in words, from which measures
 */
public record TreeCarries(int fruits, boolean young, String how) {

    /**
     * What was measured of a tree.
     *
     * @param plantedOn empty where nobody knows
     * @param girthCm girth of the trunk, cm; empty where it was not measured
     * @param limbsMm diameters of the limbs that may carry, mm; empty where they were not measured
     */
    public record Measured(Optional<LocalDate> plantedOn, Optional<Double> girthCm, List<Integer> limbsMm) {
        public Measured {
            limbsMm = List.copyOf(limbsMm);
        }
    }

    /** Empty where nothing was measured of a tree that is not young. */
    public static Optional<TreeCarries> of(CropLoadTraits load, Measured tree, LocalDate today) {
        double young = load.youngUntilYears().value();
        if (tree.plantedOn()
                .filter(p -> ChronoUnit.YEARS.between(p, today) < young)
                .isPresent()) {
            return Optional.of(new TreeCarries(
                    0,
                    true,
                    "planted " + tree.plantedOn().get() + ", younger than " + Math.round(young)
                            + " years: better without fruit"));
        }
        if (tree.girthCm().isEmpty() && tree.limbsMm().isEmpty()) {
            return Optional.empty();
        }
        List<String> how = new ArrayList<>();
        int most = Integer.MAX_VALUE;
        if (tree.girthCm().isPresent()) {
            most = ofTrunk(load, tree.girthCm().get(), how);
        }
        if (!tree.limbsMm().isEmpty()) {
            most = Math.min(most, ofLimbs(load, tree.limbsMm(), how));
        }
        return Optional.of(new TreeCarries(most, false, String.join("; ", how)));
    }

    private static int ofTrunk(CropLoadTraits load, double girthCm, List<String> how) {
        double area = CropLoad.areaOfGirth(girthCm);
        int fruits =
                CropLoad.whole(CropLoad.exactTarget(area, load.fruitsPerCm2().value()));
        how.add(String.format(
                Locale.ROOT,
                "girth %.1f cm is %.0f cm² of trunk, at %s a cm² %d",
                girthCm,
                area,
                load.fruitsPerCm2().value(),
                fruits));
        return fruits;
    }

    private static int ofLimbs(CropLoadTraits load, List<Integer> limbsMm, List<String> how) {
        int fruits = CropLoad.limbFruits(limbsMm, load.twigMm().value()).stream()
                .mapToInt(Integer::intValue)
                .sum();
        how.add("its " + limbsMm.size() + " limbs carry " + fruits);
        return fruits;
    }
}
