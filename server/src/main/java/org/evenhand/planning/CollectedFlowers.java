package org.evenhand.planning;

import java.time.Instant;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.crop.CollectWay;
import org.evenhand.pollen.LotView;

/** Flowers whose pollen was collected since their tree was last read: the reading still counts them, they give no more. */
final class CollectedFlowers {
    /** The flower itself, or its anthers with the petals, is off the tree. */
    private static final Set<CollectWay> PICKED = EnumSet.of(CollectWay.SNIP, CollectWay.WHOLE_FLOWER);

    private final List<LotView> jars;

    /** @param jars all that were filled, empty ones too */
    CollectedFlowers(List<LotView> jars) {
        this.jars = List.copyOf(jars);
    }

    /** Expected flowers of a tree that were collected and would still shed at a moment. */
    double stillShedding(Foreseen tree, Instant at) {
        return since(tree)
                .filter(j -> j.way() != CollectWay.BALLOON)
                .mapToDouble(j -> flowers(j, tree) * tree.stillShedding(j.collectedAt(), later(j, at)))
                .sum();
    }

    /** Expected flowers of a tree that were picked for their pollen and would still take some at a moment. */
    double stillReceptive(Foreseen tree, Instant at) {
        boolean both = tree.sheet().stages().stream()
                .anyMatch(s -> s.phase().takes() && s.phase().gives());
        return !both
                ? 0
                : since(tree)
                        .filter(j -> PICKED.contains(j.way()))
                        .mapToDouble(j -> flowers(j, tree) * tree.stillReceptive(j.collectedAt(), later(j, at)))
                        .sum();
    }

    /** Buds of a tree that were picked before they opened. */
    int buds(Foreseen tree) {
        return since(tree)
                .filter(j -> j.way() == CollectWay.BALLOON)
                .mapToInt(j -> flowers(j, tree))
                .sum();
    }

    private Stream<LotView> since(Foreseen tree) {
        return jars.stream().filter(j -> j.collectedAt().isAfter(tree.reading().takenAt()));
    }

    private static int flowers(LotView jar, Foreseen tree) {
        UUID id = tree.tree().id();
        return jar.sources().stream()
                .filter(s -> s.treeId().equals(id))
                .mapToInt(LotView.SourceView::flowers)
                .sum();
    }

    private static Instant later(LotView jar, Instant at) {
        return at.isAfter(jar.collectedAt()) ? at : jar.collectedAt();
    }
}
