package org.evenhand.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.evenhand.core.Require;
import org.evenhand.core.planning.RoundPlan;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Plans the rounds of the coming days from what is wanted, foreseen, on the shelf and free. */
@Service
class Plans {
    private static final int MOST_DAYS = 10;

    private final PlanMaking making;
    private final CropCatalogue crops;
    private final RoundChoices choices;
    private final AwayAdvice away;
    private final SecondVisits second;

    Plans(PlanMaking making, CropCatalogue crops, RoundChoices choices, AwayAdvice away, SecondVisits second) {
        this.making = making;
        this.crops = crops;
        this.choices = choices;
        this.away = away;
        this.second = second;
    }

    /**
     * The rounds of the coming days.
     *
     * @param days today's included, 1 to {@value #MOST_DAYS}
     */
    @Transactional(readOnly = true)
    PlanView plan(Caller caller, int days) {
        Require.within("days", days, 1, MOST_DAYS);
        PlanGround ground = making.ground(caller);
        PlanSlots hours = new PlanSlots(ground, days);
        List<PlanSlot> slots = hours.slots();
        List<PlanView.AwayWords> leaving = away.of(ground, days);
        if (slots.isEmpty()) {
            return nothing(caller, hours, leaving);
        }
        MadePlan made = making.make(ground, slots);
        List<String> obstacles = new ArrayList<>(hours.obstacles());
        if (made.sources().isEmpty()) {
            obstacles.add("There is no pollen: none on the shelf is alive, and no flower gives any on these days.");
        }
        RoundPlan plan = made.plan();
        PlanWords words = new PlanWords(made, crops, second);
        double fruits = words.fruits(plan.stops());
        return new PlanView(
                hours.moments(),
                hours.taking(),
                hours.giving(),
                words.rounds(),
                words.left(),
                words.keptAfter(0),
                words.spare(),
                choices.views(caller, made.choices(), made.chosen().problems()),
                leaving,
                obstacles,
                plan.value(),
                fruits,
                plan.proven(),
                plan.bound() - plan.value(),
                made.choices().isEmpty()
                        ? null
                        : Math.max(0, words.fruits(made.chosen().free().stops()) - fruits));
    }

    private PlanView nothing(Caller caller, PlanSlots hours, List<PlanView.AwayWords> leaving) {
        return new PlanView(
                hours.moments(),
                hours.taking(),
                hours.giving(),
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                choices.views(caller, choices.of(caller), Map.of()),
                leaving,
                hours.obstacles(),
                0,
                0,
                true,
                0,
                null);
    }
}
