package org.evenhand.round;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.evenhand.bloom.Forecasts;
import org.evenhand.bloom.Foreseen;
import org.evenhand.core.Require;
import org.evenhand.core.bloom.Openings;
import org.evenhand.core.bloom.TreeForecast;
import org.evenhand.core.mating.CrossCompatibility;
import org.evenhand.core.round.LotId;
import org.evenhand.core.round.RoundPlan;
import org.evenhand.core.round.RoundRequest;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.mating.Crosses;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private static final int MOST_DAYS = 10;

    private final Orchards orchards;
    private final CropCatalogue crops;
    private final Forecasts forecasts;
    private final Pollinations pollinations;
    private final Crosses crosses;
    private final Settings settings;
    private final Targets targets;
    private final PlanSources pollen;
    private final RoundChoices choices;
    private final AwayAdvice away;

    Plans(
            Orchards orchards,
            CropCatalogue crops,
            Forecasts forecasts,
            Pollinations pollinations,
            Crosses crosses,
            Settings settings,
            Targets targets,
            PlanSources pollen,
            RoundChoices choices,
            AwayAdvice away) {
        this.orchards = orchards;
        this.crops = crops;
        this.forecasts = forecasts;
        this.pollinations = pollinations;
        this.crosses = crosses;
        this.settings = settings;
        this.targets = targets;
        this.pollen = pollen;
        this.choices = choices;
        this.away = away;
    }

    /**
     * The rounds of the coming days.
     *
     * @param days today's included, 1 to {@value #MOST_DAYS}
     */
    @Transactional(readOnly = true)
    PlanView plan(Caller caller, int days) {
        Require.within("days", days, 1, MOST_DAYS);
        PlanGround ground = ground(caller);
        PlanSlots hours = new PlanSlots(ground, days);
        List<PlanSlot> slots = hours.slots();
        List<RoundChoice> chosen = choices.of(caller);
        List<PlanView.AwayWords> leaving = away.of(ground, days);
        if (slots.isEmpty()) {
            return nothing(caller, hours, chosen, leaving);
        }
        Map<TreeForecast, Openings> openings =
                ground.openings(slots.stream().map(PlanSlot::at).toList());
        List<PlanSource> sources = pollen.of(ground, slots, openings);
        ChosenPlan made =
                ChosenPlan.of(request(ground, slots, sources, openings), chosen, c -> round(c, slots, ground.zone()));
        List<String> obstacles = new ArrayList<>(hours.obstacles());
        if (sources.isEmpty()) {
            obstacles.add("There is no pollen: none on the shelf is alive, and no flower gives any on these days.");
        }
        RoundPlan plan = made.plan();
        PlanWords words = new PlanWords(ground, crops, slots, sources, plan);
        double fruits = words.fruits(plan.stops());
        return new PlanView(
                hours.moments(),
                hours.taking(),
                hours.giving(),
                words.rounds(),
                words.left(),
                words.kept(),
                choices.views(caller, chosen, made.problems()),
                leaving,
                obstacles,
                plan.value(),
                fruits,
                plan.proven(),
                plan.bound() - plan.value(),
                chosen.isEmpty() ? null : Math.max(0, words.fruits(made.free().stops()) - fruits));
    }

    private PlanView nothing(
            Caller caller, PlanSlots hours, List<RoundChoice> chosen, List<PlanView.AwayWords> leaving) {
        return new PlanView(
                hours.moments(),
                hours.taking(),
                hours.giving(),
                List.of(),
                List.of(),
                List.of(),
                choices.views(caller, chosen, Map.of()),
                leaving,
                hours.obstacles(),
                0,
                0,
                true,
                0,
                null);
    }

    private PlanGround ground(Caller caller) {
        Instant now = orchards.now(caller);
        return new PlanGround(
                caller,
                now,
                orchards.details(caller).site().zone(),
                settings.of(caller),
                forecasts.all(caller, now).stream().filter(Foreseen::known).toList(),
                orchards.varieties(caller).stream().collect(Collectors.toMap(VarietyView::id, Function.identity())),
                targets.budgets(caller).stream()
                        .collect(Collectors.toMap(TargetView.Budget::treeId, Function.identity())),
                crosses.book(caller));
    }

    private RoundRequest request(
            PlanGround ground, List<PlanSlot> slots, List<PlanSource> sources, Map<TreeForecast, Openings> openings) {
        List<PollinationView> before =
                pollinations.since(ground.caller(), ground.now().minus(PlanMothers.DONE_MATTERS));
        List<RoundRequest.Mother> mothers = ground.trees().stream()
                .filter(t -> t.sheet().takes())
                .map(t -> PlanMothers.of(
                        t,
                        slots.get(0).at(),
                        openings.get(t.forecast()),
                        before,
                        ground.budgets().get(t.tree().id())))
                .toList();
        Map<UUID, Foreseen> byTree = ground.byTree();
        Map<LotId, PlanSource> byId = sources.stream().collect(Collectors.toMap(PlanSource::id, Function.identity()));
        return new RoundRequest(
                slots.stream().map(PlanSlot::most).toList(),
                mothers,
                IntStream.range(0, sources.size())
                        .mapToObj(i -> new RoundRequest.Lot(
                                sources.get(i).id(),
                                sources.get(i).doses(),
                                sources.get(i).viability(),
                                i))
                        .toList(),
                (tree, lot) -> cross(ground, byTree.get(tree.value()), byId.get(lot)),
                List.of());
    }

    private static CrossCompatibility cross(PlanGround ground, Foreseen mother, PlanSource source) {
        return source.toCollect()
                ? ground.book()
                        .cross(mother.tree().varietyId(), source.variety().id())
                : ground.book().cross(mother.tree().varietyId(), source.lot());
    }

    /** The round a choice is meant for; null where there is none on its day. */
    private static OptionalInt round(RoundChoice c, List<PlanSlot> slots, ZoneId zone) {
        if (c.onDay() == null) {
            return OptionalInt.empty();
        }
        OptionalInt found = IntStream.range(0, slots.size())
                .filter(r -> slots.get(r).at().atZone(zone).toLocalDate().equals(c.onDay()))
                .findFirst();
        return found.isPresent() ? found : null;
    }
}
