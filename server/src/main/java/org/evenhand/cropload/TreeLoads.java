package org.evenhand.cropload;

import java.util.Optional;
import java.util.UUID;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Component;

/** What hangs on a tree and what it can carry, for other rooms. */
@Component
public class TreeLoads {
    private final Targets targets;

    TreeLoads(Targets targets) {
        this.targets = targets;
    }

    /**
     * One tree's load.
     *
     * @param set fruit by hand that holds, by the latest checks
     * @param carries what it can carry, where that can be said
     */
    public record Load(int set, Optional<Integer> carries, boolean young) {
        /** Nothing can be said. */
        public static final Load UNKNOWN = new Load(0, Optional.empty(), false);
    }

    public Load of(Caller caller, UUID tree) {
        return targets.budgets(caller).stream()
                .filter(b -> b.treeId().equals(tree))
                .findFirst()
                .map(b -> new Load(b.set(), b.young() ? Optional.empty() : Optional.ofNullable(b.carries()), b.young()))
                .orElse(Load.UNKNOWN);
    }
}
