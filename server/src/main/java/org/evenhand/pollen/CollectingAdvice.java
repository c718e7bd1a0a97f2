package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.bloom.forecast.ForecastPoint;
import org.evenhand.core.bloom.forecast.TreeOutlook;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Phase;
import org.evenhand.core.planning.PlanConventions;
import org.evenhand.core.pollen.FlowersToCollect;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Before collecting: how many flowers for the doses wanted, on which trees, and between which hours. */
@Service
class CollectingAdvice {
    private static final Duration STEP = Duration.ofMinutes(20);

    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Forecasts forecasts;

    CollectingAdvice(Orchards orchards, CropCatalogue crops, Forecasts forecasts) {
        this.orchards = orchards;
        this.crops = crops;
        this.forecasts = forecasts;
    }

    /**
     * What to gather.
     *
     * @param expected flowers that give the doses on average
     * @param sure flowers that give them nine times in ten
     * @param whenThere what growers know of the hours, beyond the forecast
     * @param trees trees of the variety, those with most pollen first
     */
    @Schema(name = "Gathering")
    record View(
            int doses,
            double dosesPerFlower,
            boolean smallFlowered,
            int expected,
            int sure,
            List<CollectionMethod> methods,
            @Schema(description = OPTIONAL) String whenThere,
            List<Source> trees) {}

    /**
     * A tree to gather from.
     *
     * @param read whether anybody has read its flowers lately; the rest is absent where not
     * @param now flowers giving pollen now
     * @param from when pollen will be there next; absent when none is foreseen within a day and a half
     * @param until until then
     * @param most most flowers at once in that time
     * @param balloons flowers that are about to open
     */
    @Schema(name = "GatheringTree")
    record Source(
            UUID treeId,
            String tree,
            boolean read,
            double now,
            @Schema(description = OPTIONAL) Instant from,
            @Schema(description = OPTIONAL) Instant until,
            @Schema(description = OPTIONAL) Double most,
            double balloons) {}

    @Transactional(readOnly = true)
    public View of(Caller caller, UUID varietyId, int doses) {
        VarietyView variety = orchards.variety(caller, varietyId);
        CropSheet sheet = crops.of(caller, variety.crop());
        FlowersToCollect flowersToCollect = FlowersToCollect.of(variety.dosesPerFlower(sheet), doses);
        Instant now = orchards.now(caller);
        List<Source> trees = forecasts.all(caller, now).stream()
                .filter(t -> t.tree().varietyId().equals(varietyId))
                .map(t -> source(t, now))
                .sorted(Comparator.comparingDouble((Source s) -> -Math.max(s.now(), s.most() == null ? 0 : s.most()))
                        .thenComparing(Source::tree))
                .toList();
        return new View(
                doses,
                flowersToCollect.dosesPerFlower(),
                variety.smallFlowers(),
                flowersToCollect.expected(),
                flowersToCollect.sure(),
                sheet.pollen().collect(),
                sheet.pollen().whenThere().orElse(null),
                trees);
    }

    private static Source source(Foreseen tree, Instant now) {
        if (!tree.known()) {
            return new Source(tree.tree().id(), tree.tree().name(), false, 0, null, null, null, 0);
        }
        List<Instant> moments = IntStream.rangeClosed(0, (int) PlanConventions.COLLECT_AHEAD.dividedBy(STEP))
                .mapToObj(i -> now.plus(STEP.multipliedBy(i)))
                .toList();
        List<ForecastPoint> points = tree.forecast().at(moments);
        Optional<TreeOutlook.TimeWindow> shedding = TreeOutlook.of(points).shedding();
        return new Source(
                tree.tree().id(),
                tree.tree().name(),
                true,
                points.get(0).shedding().mean(),
                shedding.map(TreeOutlook.TimeWindow::from).orElse(null),
                shedding.map(TreeOutlook.TimeWindow::until).orElse(null),
                shedding.map(s -> s.peak().mean()).orElse(null),
                balloons(tree, now));
    }

    private static double balloons(Foreseen tree, Instant now) {
        double[] stages = tree.forecast().stagesAt(now);
        int last = -1;
        for (int s = 0; s < tree.sheet().stages().size(); s++) {
            last = tree.sheet().stages().get(s).phase() == Phase.BUD ? s : last;
        }
        return last < 0 ? 0 : stages[last];
    }
}
