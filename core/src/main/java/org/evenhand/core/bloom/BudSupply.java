package org.evenhand.core.bloom;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.evenhand.core.crop.CropSheet;

/**
 * What a steady supply of buds, one an hour, leaves behind on any tree of a crop at a place: it gives the shape inside each stage
 * before anything was read. Computed once for a crop and shared by its trees.
 */
public final class BudSupply {
    /** How long the supply runs before its shape is trusted. */
    public static final Duration WARM_UP = Duration.ofDays(20);

    private static final double STEP_HOURS = 1;

    /** The supply only gives shapes, so it may take longer steps than a forecast. */
    private static final double LONGEST_STEP_HOURS = 0.5;

    private final CropSheet sheet;
    private final FlowerClock clock;
    private final BloomConditions conditions;
    private final List<FlowerState> hourly;

    private BudSupply(CropSheet sheet, FlowerClock clock, BloomConditions conditions, List<FlowerState> hourly) {
        this.sheet = sheet;
        this.clock = clock;
        this.conditions = conditions;
        this.hourly = hourly;
    }

    /**
     * @param conditions starting {@link #WARM_UP} or more before the first moment that will be asked about
     * @param until last moment that will be asked about
     */
    public static BudSupply of(CropSheet sheet, BloomConditions conditions, Instant until) {
        FlowerClock clock = FlowerClock.of(sheet);
        FlowerClock coarse = clock.withLongestStepHours(LONGEST_STEP_HOURS);
        List<FlowerState> hourly = new ArrayList<>();
        FlowerState state = clock.entering(0, 0);
        hourly.add(state);
        double last = conditions.temperatures().hoursTo(until);
        for (double at = 0; at < last; at += STEP_HOURS) {
            state = coarse.advance(state.withNewBuds(STEP_HOURS), conditions, at, at + STEP_HOURS);
            hourly.add(state);
        }
        return new BudSupply(sheet, clock, conditions, hourly);
    }

    CropSheet sheet() {
        return sheet;
    }

    FlowerClock clock() {
        return clock;
    }

    BloomConditions conditions() {
        return conditions;
    }

    double hoursTo(Instant at) {
        return conditions.temperatures().hoursTo(at);
    }

    /** The supply's state at a moment, hours after the conditions' start. */
    FlowerState at(double hour) {
        int index = (int) Math.min(Math.max(0, Math.floor(hour / STEP_HOURS)), hourly.size() - 1.0);
        double before = index * STEP_HOURS;
        FlowerState state = hourly.get(index);
        if (!(hour > before)) {
            return state;
        }
        return clock.advance(state.withNewBuds(hour - before), conditions, before, hour);
    }
}
