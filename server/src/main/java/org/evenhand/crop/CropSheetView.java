package org.evenhand.crop;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.FlowerGlyph;
import org.evenhand.core.crop.GateRule;
import org.evenhand.core.crop.PollenHabit;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.crop.Storage;

/** A crop sheet as the API shows it. Temperatures in °C, durations in hours. */
record CropSheetView(
        String key,
        String name,
        String scientificName,
        String summary,
        Number baseTemperatureC,
        Number referenceTemperatureC,
        Number capTemperatureC,
        List<Stage> stages,
        Number dosesPerFlower,
        Number freshViability,
        List<Keeping> keeping,
        boolean ownVarietyServes,
        Number ownVarietyWorth,
        String ownVarietyWhy,
        List<Check> checks,
        List<String> cautions) {

    /** A number and what it rests on. */
    @Schema(name = "SourcedNumber")
    record Number(
            double value,
            String basis,
            @Schema(description = OPTIONAL) String source) {
        static Number of(Sourced sourced) {
            return new Number(
                    sourced.value(), sourced.basis().name(), sourced.source().orElse(null));
        }
    }

    /** A stage; {@code phase} says what the flower can do. */
    @Schema(name = "CropStage")
    record Stage(
            String key,
            String name,
            String signs,
            String phase,
            boolean takes,
            boolean gives,
            Number meanHours,
            Number shape,
            Number receptivity,
            Number shedding,
            @Schema(description = OPTIONAL) Gate gate,
            Glyph glyph) {
        static Stage of(StageSheet s) {
            return new Stage(
                    s.key(),
                    s.name(),
                    s.signs(),
                    s.phase().name(),
                    s.phase().takes(),
                    s.phase().gives(),
                    Number.of(s.meanHours()),
                    Number.of(s.shape()),
                    Number.of(s.receptivity()),
                    Number.of(s.shedding()),
                    s.gate().map(Gate::of).orElse(null),
                    Glyph.of(s.glyph()));
        }
    }

    @Schema(name = "CropGate")
    record Gate(String opensFrom, Number opensHours, String closesFrom, Number closesHours, Number halfTimeMinutes) {
        static Gate of(GateRule g) {
            return new Gate(
                    g.opens().anchor().name(),
                    Number.of(g.opens().hours()),
                    g.closes().anchor().name(),
                    Number.of(g.closes().hours()),
                    Number.of(g.halfTimeMinutes()));
        }
    }

    @Schema(name = "FlowerGlyph")
    record Glyph(String form, double spread, String petal, String edge, String dome, boolean dust) {
        static Glyph of(FlowerGlyph g) {
            return new Glyph(g.form(), g.spread(), g.petal(), g.edge(), g.dome(), g.dust());
        }
    }

    @Schema(name = "CropKeeping")
    record Keeping(
            Storage storage,
            Number halfLifeHours,
            Number temperatureC,
            @Schema(description = OPTIONAL) Number spoilsAfterHours) {
        static Keeping of(Storage storage, PollenHabit.KeepingHabit habit) {
            return new Keeping(
                    storage,
                    Number.of(habit.halfLifeHours()),
                    Number.of(habit.temperatureC()),
                    habit.spoilsAfterHours().map(Number::of).orElse(null));
        }
    }

    @Schema(name = "CropCheck")
    record Check(Number day, String name, String lookFor) {
        static Check of(CheckDay c) {
            return new Check(Number.of(c.day()), c.name(), c.lookFor());
        }
    }

    static CropSheetView of(CropSheet s) {
        return new CropSheetView(
                s.key(),
                s.name(),
                s.scientificName(),
                s.summary(),
                Number.of(s.baseTemperatureC()),
                Number.of(s.referenceTemperatureC()),
                Number.of(s.capTemperatureC()),
                s.stages().stream().map(Stage::of).toList(),
                Number.of(s.pollen().dosesPerFlower()),
                Number.of(s.pollen().freshViability()),
                Arrays.stream(Storage.values())
                        .filter(s.pollen().keeping()::containsKey)
                        .map(st -> Keeping.of(st, s.pollen().keeping().get(st)))
                        .toList(),
                s.ownVariety().serves(),
                Number.of(s.ownVariety().worth()),
                s.ownVariety().why(),
                s.checks().stream().map(Check::of).toList(),
                s.cautions());
    }
}
