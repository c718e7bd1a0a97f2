package org.evenhand.planning;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.evenhand.core.Text;
import org.evenhand.core.planning.LotId;
import org.evenhand.core.planning.PlanWeights;
import org.evenhand.core.planning.RoundRequest;
import org.evenhand.core.planning.VarietyId;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollination.Pollinations;

/**
 * Pollen at hand, to be gathered, or the flowers' own: what the planner sees, and what it is.
 *
 * @param lot the jar; absent where there is none yet, or none is needed
 * @param round the round before which it is gathered
 * @param doses in all
 * @param dosesPerFlower what a male flower gives; 1 where none is collected
 */
record PollenOption(
        Kind kind,
        LotId id,
        LotView lot,
        VarietyView variety,
        int round,
        List<Double> viability,
        int doses,
        double dosesPerFlower) {
    /** Where it comes from. */
    enum Kind {
        JAR,
        TO_COLLECT,
        /** The brush goes from flower to flower with their own pollen. */
        FLOWER_TO_FLOWER
    }

    boolean toCollect() {
        return kind == Kind.TO_COLLECT;
    }

    String name() {
        return switch (kind) {
            case JAR -> lot.code();
            case TO_COLLECT -> "fresh " + variety.name();
            case FLOWER_TO_FLOWER -> Pollinations.FLOWER_TO_FLOWER;
        };
    }

    /** The same for whoever reads another language. */
    Text text() {
        return switch (kind) {
            case JAR -> Text.of("pollen.jar", "code", lot.code());
            case TO_COLLECT -> Text.of("pollen.fresh", "variety", variety.name());
            case FLOWER_TO_FLOWER -> Text.of("pollen.own");
        };
    }

    String father() {
        return lot == null ? variety.name() : lot.varietyName();
    }

    Set<UUID> fathers() {
        return lot == null
                ? Set.of(variety.id())
                : lot.fathers().stream().map(LotView.Father::varietyId).collect(Collectors.toSet());
    }

    /** Whether it can say who the father is, and it is this one. */
    boolean isOnlyOf(UUID father) {
        return kind != Kind.FLOWER_TO_FLOWER && fathers().equals(Set.of(father));
    }

    /** For the planner: jars of one father share a brush. */
    RoundRequest.Lot lot(int rank) {
        Optional<VarietyId> father =
                fathers().size() == 1 ? Optional.of(new VarietyId(variety.id())) : Optional.empty();
        double certain = toCollect() ? PlanWeights.USUAL.certaintyOfCollecting() : 1;
        return new RoundRequest.Lot(
                id,
                doses,
                viability.stream().map(v -> v * certain).toList(),
                rank,
                father,
                toCollect() ? Optional.of(new RoundRequest.Collecting(round, dosesPerFlower)) : Optional.empty());
    }
}
