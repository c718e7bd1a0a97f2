package org.evenhand.fruitset;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Function;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.mating.MatingPartner;
import org.evenhand.core.pollen.ViabilityCurve;
import org.evenhand.orchard.MatingPartners;
import org.evenhand.pollen.LotName;

/** Whose pollen the jars of an orchard hold, and whether it could serve, as far as is known without the fruit. */
final class PollenUsed {
    private final Map<UUID, LotName> lots;
    private final MatingPartners partners;
    private final Function<UUID, ViabilityCurve> courses;

    private final Map<List<UUID>, Boolean> fitting = new HashMap<>();

    PollenUsed(Map<UUID, LotName> lots, MatingPartners partners, Function<UUID, ViabilityCurve> courses) {
        this.lots = lots;
        this.partners = partners;
        this.courses = courses;
    }

    /** Id of the one variety whose pollen a jar holds; empty where there are several. */
    String onlyFather(UUID lot) {
        List<UUID> fathers = fathers(lot);
        return fathers.size() == 1 ? fathers.get(0).toString() : "";
    }

    private List<UUID> fathers(UUID lot) {
        return lots.containsKey(lot) ? lots.get(lot).fathers() : List.of();
    }

    /** Whether any father in the jar may serve the mother. */
    boolean fits(UUID mother, UUID lot) {
        List<UUID> fathers = fathers(lot);
        return fathers.isEmpty() || fathers.stream().anyMatch(f -> pairFits(mother, f));
    }

    private boolean pairFits(UUID mother, UUID father) {
        return fitting.computeIfAbsent(List.of(mother, father), pair -> {
            MatingPartner seedParent = partners.of(mother);
            MatingPartner pollenParent = partners.of(father);
            return seedParent == null
                    || pollenParent == null
                    || CrossCompatibility.of(seedParent, pollenParent).verdict() != CrossCompatibility.Verdict.NO;
        });
    }

    /** Whether any of the jar's pollen can have been alive. */
    boolean alive(UUID lot, Instant at) {
        return !lots.containsKey(lot) || !courses.apply(lot).at(at).dead();
    }
}
