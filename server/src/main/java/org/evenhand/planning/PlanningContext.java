package org.evenhand.planning;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.evenhand.availability.EarlyFlush;
import org.evenhand.availability.SettingsView;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.planning.LearnedPace;
import org.evenhand.core.planning.PlanWeights;
import org.evenhand.core.planning.WorkingHours;
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
 * @param collected flowers whose pollen is in them since their tree was read
 * @param onShelf groups of crops of which a jar holds pollen that may be used
 * @param leafOut by variety, the day on which leaves came out within the last year
 * @param overrides what people decided of the visits to come
 * @param paces by crop, how many flowers one's own walks show that one manages in an hour
 * @param before what was pollinated within {@link PlanMothers#PlanConventions.NO_POLLEN_AFTER}, on any tree
 * @param onceMore flowers that had pollen and may have it once more; none where once is held to be enough
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
        CollectedFlowers collected,
        Set<String> onShelf,
        Map<UUID, LocalDate> leafOut,
        List<OverrideRequest> overrides,
        Map<String, LearnedPace> paces,
        List<PollinationView> before,
        List<PlanSecondVisits.OnceMore> onceMore) {

    ZoneId zone() {
        return site.zone();
    }

    PlanningContext with(List<OverrideRequest> others) {
        return new PlanningContext(
                caller, now, site, settings, trees, varieties, budgets, book, crosses, jars, collected, onShelf,
                leafOut, others, paces, before, onceMore);
    }

    /** Flowers that could be done while one cleans for another father. */
    double cleaning() {
        return PlanWeights.USUAL.cleaningMinutes() / 60 * settings.flowersPerHour();
    }

    /** Work of a flower of a crop, 1 for one at the pace of the settings. */
    double effort(String crop) {
        LearnedPace own = paces.get(crop);
        return own == null || !settings.useLearned() ? 1 : settings.flowersPerHour() / own.flowersPerHour();
    }

    /** From which day a tree's flowers are to be pollinated; empty where they need not wait. */
    Optional<LocalDate> begins(Foreseen tree) {
        return settings.earlyFlush() == EarlyFlush.USE
                ? Optional.empty()
                : Optional.ofNullable(leafOut.get(tree.tree().varietyId()))
                        .flatMap(tree.sheet().season()::begins);
    }

    /** Whether nobody goes to a tree at a moment. */
    boolean ruledOut(Foreseen tree, Instant at) {
        return settings.onlyWhenWarm() && tree.tooCold(at) || skipped(tree, at);
    }

    /** Whether somebody decided so. */
    boolean skipped(Foreseen tree, Instant at) {
        return overrides.stream()
                .anyMatch(o -> o.kind() == PlanOverride.Kind.SKIP_TREE
                        && o.treeId().equals(tree.tree().id())
                        && o.covers(at, zone()));
    }

    WorkingHours hours() {
        return settings.hours();
    }

    Map<UUID, Foreseen> byTree() {
        return trees.stream().collect(Collectors.toMap(t -> t.tree().id(), Function.identity()));
    }
}
