package org.evenhand.core.map;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * All trees of an orchard on one plane. A tree that was measured stands where it was measured. The others stand in their block's rows: the
 * block lies where its measured trees say (their mean, and with two or more, where no direction is given, turned as fits them best by
 * least squares), or beside the others where none was measured.
 */
public final class OrchardMap {
    /** Blocks of which nobody knows where they are lie so far apart. Our convention, metres. */
    static final double GAP = 12;

    /**
     * A tree by its row.
     *
     * @param measured where it stands; absent where nobody measured it
     */
    public record PlacedTree<T>(T tree, String block, int row, int position, Optional<Spot> measured) {}

    /** Where the direction of a block's rows is known from. */
    public enum BearingFrom {
        GIVEN,
        MEASURED_TREES,
        ASSUMED
    }

    /**
     * A block as it lies.
     *
     * @param bearing direction in which places are counted up, degrees from north
     * @param measured number of its trees that were measured
     */
    public record LaidBlock(String block, BlockLayout layout, double bearing, BearingFrom bearingFrom, int measured) {
        /** Whether one knows where on earth it is. */
        public boolean onEarth() {
            return measured > 0;
        }
    }

    /** A tree where it stands. */
    public record StandingTree<T>(T tree, Spot spot, boolean measured) {}

    /** The map. */
    public record Laid<T>(List<LaidBlock> blocks, List<StandingTree<T>> trees) {}

    private OrchardMap() {}

    /** @param layouts by block; {@link BlockLayout#ASSUMED} stands for those that are missing */
    public static <T> Laid<T> lay(List<PlacedTree<T>> trees, Map<String, BlockLayout> layouts) {
        Map<String, List<PlacedTree<T>>> byBlock = new LinkedHashMap<>();
        trees.stream()
                .sorted(Comparator.comparing((PlacedTree<T> t) -> t.block())
                        .thenComparingInt(PlacedTree::row)
                        .thenComparingInt(PlacedTree::position))
                .forEach(t -> byBlock.computeIfAbsent(t.block(), b -> new ArrayList<>())
                        .add(t));
        List<LaidBlock> blocks = new ArrayList<>();
        List<StandingTree<T>> standing = new ArrayList<>();
        // Those that are known first: the others go beside them.
        for (boolean onEarth : new boolean[] {true, false}) {
            byBlock.forEach((name, of) -> {
                LaidBlock block = block(name, of, layouts.getOrDefault(name, BlockLayout.ASSUMED));
                if (block.onEarth() == onEarth) {
                    blocks.add(block);
                    standing.addAll(stand(block, of, standing));
                }
            });
        }
        return new Laid<>(List.copyOf(blocks), List.copyOf(standing));
    }

    private static <T> LaidBlock block(String name, List<PlacedTree<T>> trees, BlockLayout layout) {
        List<PlacedTree<T>> measured = measured(trees);
        if (layout.bearing().isPresent()) {
            return new LaidBlock(name, layout, layout.bearing().getAsDouble(), BearingFrom.GIVEN, measured.size());
        }
        Optional<Double> turned = turn(measured, layout);
        return new LaidBlock(
                name,
                layout,
                turned.orElse(BlockLayout.EAST),
                turned.isPresent() ? BearingFrom.MEASURED_TREES : BearingFrom.ASSUMED,
                measured.size());
    }

    private static <T> List<PlacedTree<T>> measured(List<PlacedTree<T>> trees) {
        return trees.stream().filter(t -> t.measured().isPresent()).toList();
    }

    /** The direction that fits the measured trees best: the angle of the orthogonal Procrustes problem in the plane. */
    private static <T> Optional<Double> turn(List<PlacedTree<T>> measured, BlockLayout layout) {
        if (measured.size() < 2) {
            return Optional.empty();
        }
        List<Spot> planned = measured.stream()
                .map(t -> layout.place(t.row(), t.position(), BlockLayout.EAST))
                .toList();
        List<Spot> found = measured.stream().map(t -> t.measured().get()).toList();
        Spot from = mean(planned);
        Spot to = mean(found);
        double along = 0;
        double across = 0;
        for (int i = 0; i < planned.size(); i++) {
            Spot p = planned.get(i).plus(-from.east(), -from.north());
            Spot f = found.get(i).plus(-to.east(), -to.north());
            along += p.east() * f.east() + p.north() * f.north();
            across += p.east() * f.north() - p.north() * f.east();
        }
        if (Math.hypot(along, across) == 0) {
            return Optional.empty();
        }
        // Turning against the clock makes a direction from north smaller.
        double bearing = BlockLayout.EAST - Math.toDegrees(Math.atan2(across, along));
        return Optional.of((bearing % 360 + 360) % 360);
    }

    private static Spot mean(List<Spot> spots) {
        return new Spot(
                spots.stream().mapToDouble(Spot::east).average().orElse(0),
                spots.stream().mapToDouble(Spot::north).average().orElse(0));
    }

    private static <T> List<StandingTree<T>> stand(
            LaidBlock block, List<PlacedTree<T>> trees, List<StandingTree<T>> before) {
        Spot corner = corner(block, trees, before);
        return trees.stream()
                .map(t -> new StandingTree<>(
                        t.tree(),
                        t.measured().orElseGet(() -> place(block, t).plus(corner.east(), corner.north())),
                        t.measured().isPresent()))
                .toList();
    }

    private static <T> Spot place(LaidBlock block, PlacedTree<T> tree) {
        return block.layout().place(tree.row(), tree.position(), block.bearing());
    }

    /** Where row 1, place 1 of a block is, whether a tree stands there or not. */
    private static <T> Spot corner(LaidBlock block, List<PlacedTree<T>> trees, List<StandingTree<T>> before) {
        List<PlacedTree<T>> measured = measured(trees);
        if (!measured.isEmpty()) {
            Spot planned = mean(measured.stream().map(t -> place(block, t)).toList());
            Spot found = mean(measured.stream().map(t -> t.measured().get()).toList());
            return found.plus(-planned.east(), -planned.north());
        }
        List<Spot> spots = trees.stream().map(t -> place(block, t)).toList();
        double west = spots.stream().mapToDouble(Spot::east).min().orElse(0);
        double north = spots.stream().mapToDouble(Spot::north).max().orElse(0);
        double eastEnd = before.stream().mapToDouble(t -> t.spot().east()).max().orElse(-GAP);
        double northEnd =
                before.stream().mapToDouble(t -> t.spot().north()).max().orElse(0);
        return new Spot(eastEnd + GAP - west, northEnd - north);
    }
}
