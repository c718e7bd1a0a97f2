package org.evenhand.cross;

import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.evenhand.crossing.ControlledCrosses;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.TreeView;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollination.CrossFlowers;
import org.springframework.stereotype.Component;

/** Where seeds come from. */
@Component
class Origins {
    private final Orchards orchards;
    private final ControlledCrosses crosses;

    Origins(Orchards orchards, ControlledCrosses crosses) {
        this.orchards = orchards;
        this.crosses = crosses;
    }

    Found of(Caller caller, Collection<SeedLot> lots) {
        return new Found(caller, lots.stream().map(SeedLot::crossId));
    }

    /** @param crossIds null among them stands for none */
    Found of(Caller caller, Stream<UUID> crossIds) {
        return new Found(caller, crossIds);
    }

    /** Trees, crosses and varieties, looked up together; those that were removed are told by their names still. */
    final class Found {
        private final Caller caller;
        private final Map<UUID, TreeView> trees;
        private final Map<UUID, CrossFlowers.Cross> byId;
        private Map<UUID, VarietyView> varieties;

        private Found(Caller caller, Stream<UUID> crossIds) {
            this.caller = caller;
            this.trees = orchards.trees(caller).stream()
                    .collect(Collectors.toMap(TreeView::id, Function.identity(), (a, b) -> a, HashMap::new));
            this.byId = crosses.withIds(
                    caller, crossIds.filter(Objects::nonNull).distinct().toList());
        }

        TreeView tree(UUID id) {
            return trees.computeIfAbsent(id, removed -> orchards.tree(caller, removed));
        }

        /** Null where none was given. */
        CrossFlowers.Cross cross(UUID id) {
            return id == null ? null : byId.get(id);
        }

        /** Name of the pollen parent; null where no cross is known. */
        String father(CrossFlowers.Cross cross) {
            if (cross == null) {
                return null;
            }
            VarietyView there = varieties().get(cross.fatherId());
            return there == null ? orchards.variety(caller, cross.fatherId()).name() : there.name();
        }

        /** Those that were not removed. */
        Map<UUID, VarietyView> varieties() {
            if (varieties == null) {
                varieties = orchards.varieties(caller).stream()
                        .collect(Collectors.toMap(VarietyView::id, Function.identity()));
            }
            return varieties;
        }

        List<VarietyView> allVarieties() {
            return List.copyOf(varieties().values());
        }
    }
}
