package org.evenhand.planning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.pollen.LotView;

/** Flowers whose pollen was collected since their tree was last read: the reading still counts them, they give no more. */
final class CollectedFlowers {
    /** The flower itself, or its anthers with the petals, is off the tree. */
    private static final Set<CollectionMethod> PICKED =
            EnumSet.of(CollectionMethod.SNIP, CollectionMethod.WHOLE_FLOWER);

    private final Map<UUID, List<Batch>> byTree = new HashMap<>();

    /** Flowers of one tree that went into a jar together. */
    private record Batch(Instant at, CollectionMethod method, int flowers) {}

    /** @param jars all that were filled, empty ones too */
    CollectedFlowers(List<LotView> jars) {
        for (LotView jar : jars) {
            jar.sources()
                    .forEach(s -> byTree.computeIfAbsent(s.treeId(), t -> new ArrayList<>())
                            .add(new Batch(jar.collectedAt(), jar.method(), s.flowers())));
        }
    }

    /** Expected flowers of a tree that were collected and would still shed at a moment. */
    double stillShedding(Foreseen tree, Instant at) {
        return since(tree)
                .filter(b -> b.method != CollectionMethod.BALLOON)
                .mapToDouble(b -> b.flowers * tree.stillShedding(b.at, later(b.at, at)))
                .sum();
    }

    /** Expected flowers of a tree that were picked for their pollen and would still take some at a moment. */
    double stillReceptive(Foreseen tree, Instant at) {
        boolean both = tree.sheet().stages().stream()
                .anyMatch(s -> s.phase().receives() && s.phase().sheds());
        return !both
                ? 0
                : since(tree)
                        .filter(b -> PICKED.contains(b.method))
                        .mapToDouble(b -> b.flowers * tree.stillReceptive(b.at, later(b.at, at)))
                        .sum();
    }

    /** Buds of a tree that were picked before they opened. */
    int buds(Foreseen tree) {
        return since(tree)
                .filter(b -> b.method == CollectionMethod.BALLOON)
                .mapToInt(Batch::flowers)
                .sum();
    }

    private Stream<Batch> since(Foreseen tree) {
        return byTree.getOrDefault(tree.tree().id(), List.of()).stream()
                .filter(b -> b.at.isAfter(tree.reading().takenAt()));
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }
}
