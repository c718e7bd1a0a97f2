package org.evenhand.planning;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.SettingsView;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.planning.FreeHours;
import org.evenhand.core.weather.Site;
import org.evenhand.cropload.TargetView;
import org.evenhand.crossing.CrossNeeds;
import org.evenhand.kit.Caller;
import org.evenhand.mating.CrossBook;
import org.evenhand.orchard.VarietyView;
import org.evenhand.pollen.LotView;
import org.evenhand.pollination.PollinationView;

/**
 * What a plan rests on: who asks, when, and what the orchard's rooms know at that moment.
 *
 * @param now the orchard's clock, up to the next ten minutes: plans of the same ten minutes are one
 * @param jars all on the shelf, empty ones too
 * @param onShelf groups of crops of which a jar holds pollen that may be used
 * @param before what was pollinated within {@link PlanMothers#DONE_MATTERS}, on any tree
 */
record PlanningContext(
        Caller caller,
        Instant now,
        Site site,
        SettingsView settings,
        List<Foreseen> trees,
        Map<UUID, VarietyView> varieties,
        Map<UUID, TargetView.Budget> budgets,
        CrossBook book,
        CrossNeeds crosses,
        List<LotView> jars,
        Set<String> onShelf,
        List<PollinationView> before) {

    ZoneId zone() {
        return site.zone();
    }

    CollectedFlowers collected() {
        return new CollectedFlowers(jars);
    }

    FreeHours hours() {
        return settings.hours();
    }

    Map<UUID, Foreseen> byTree() {
        return trees.stream().collect(Collectors.toMap(t -> t.tree().id(), Function.identity()));
    }
}
