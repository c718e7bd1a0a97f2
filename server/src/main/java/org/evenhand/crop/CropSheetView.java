package org.evenhand.crop;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.Arrays;
import java.util.List;
import org.evenhand.core.crop.CheckDay;
import org.evenhand.core.crop.CollectionMethod;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.CrossTraits;
import org.evenhand.core.crop.FlowerGlyph;
import org.evenhand.core.crop.FlowerKey;
import org.evenhand.core.crop.GateRule;
import org.evenhand.core.crop.HandWorkTraits;
import org.evenhand.core.crop.MatingTraits;
import org.evenhand.core.crop.PollenTraits;
import org.evenhand.core.crop.School;
import org.evenhand.core.crop.SeasonTraits;
import org.evenhand.core.crop.SeedTraits;
import org.evenhand.core.crop.SheetNumber;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.StageSheet;
import org.evenhand.core.crop.Storage;
import org.evenhand.core.crop.SuspensionTraits;

/** A crop sheet as the API shows it. Temperatures in °C, durations in hours. */
record CropSheetView(
        String key,
        String crop,
        String name,
        String scientificName,
        String summary,
        Number baseTemperatureC,
        Number referenceTemperatureC,
        Number capTemperatureC,
        List<Stage> stages,
        Number dosesPerFlower,
        Number freshViability,
        List<CollectionMethod> collect,
        @Schema(description = OPTIONAL) String whenThere,
        Number dryHours,
        List<Keeping> keeping,
        boolean floated,
        boolean figSizes,
        boolean allelesDecide,
        int ploidy,
        List<String> cleanBetween,
        boolean ownVarietyServes,
        Number ownVarietyFactor,
        String ownVarietyWhy,
        List<Kin> kin,
        String pollenGroup,
        boolean receives,
        boolean sheds,
        List<Sign> look,
        List<Mistake> mistakes,
        Hand hand,
        Season season,
        @Schema(description = OPTIONAL) Number ovuleDays,
        @Schema(description = OPTIONAL) Number stigmaDays,
        @Schema(description = OPTIONAL) Cross cross,
        @Schema(description = OPTIONAL) Seeds seeds,
        List<Check> checks,
        List<SchoolView> schools,
        List<String> cautions,
        List<OwnNumber> numbers) {

    /** A sign one can look for. */
    @Schema(name = "CropSign")
    record Sign(String key, String question, String basis, List<Answer> answers) {}

    /** What one may see; {@code likely} is its share in each stage. */
    @Schema(name = "CropAnswer")
    record Answer(String key, String name, List<Double> likely) {}

    @Schema(name = "CropMistake")
    record Mistake(String stage, String takenFor, String say) {}

    @Schema(name = "CropMark")
    record MarkView(String name, String how, String lasts) {}

    @Schema(name = "CropHand")
    record Hand(
            boolean selfFertile,
            String visitors,
            String strokes,
            List<String> handling,
            @Schema(description = OPTIONAL) Number passes,
            boolean flowerToFlower,
            List<String> tools,
            List<MarkView> marks) {}

    /** How a flower is made ready for a cross. */
    @Schema(name = "CropCross")
    record Cross(
            String prepareAt,
            Number keep,
            @Schema(description = OPTIONAL) Number cluster,
            @Schema(description = OPTIONAL) String thin,
            @Schema(description = OPTIONAL) String emasculate,
            String bag,
            Number atOnce,
            Number ripeAfterHours,
            Number lastsHours,
            Number bagOffDays,
            Number setShare,
            Number seeds,
            Number ovules) {
        static Cross of(CrossTraits c) {
            return new Cross(
                    c.prepareAt(),
                    Number.of(c.keep()),
                    c.cluster().map(Number::of).orElse(null),
                    c.thin().orElse(null),
                    c.emasculate().orElse(null),
                    c.bag(),
                    Number.of(c.atOnce()),
                    Number.of(c.ripeAfterHours()),
                    Number.of(c.lastsHours()),
                    Number.of(c.bagOffDays()),
                    Number.of(c.setShare()),
                    Number.of(c.seeds()),
                    Number.of(c.ovules()));
        }
    }

    /** How its seeds are kept and raised. */
    @Schema(name = "CropSeeds")
    record Seeds(
            boolean keptMoist,
            Number keepMonths,
            @Schema(description = OPTIONAL) Number coldWeeks,
            @Schema(description = OPTIONAL) Number coldC,
            @Schema(description = OPTIONAL) Number sowMonth,
            Number germinateWeeks,
            Number potWeeks,
            Number plantMonths,
            Number germinates,
            Number reachesPot,
            Number reachesFruit,
            Number fruitYears,
            @Schema(description = OPTIONAL) Number graftedFruitYears) {
        static Seeds of(SeedTraits s) {
            return new Seeds(
                    s.keptMoist(),
                    Number.of(s.keepMonths()),
                    s.coldWeeks().map(Number::of).orElse(null),
                    s.coldC().map(Number::of).orElse(null),
                    s.sowMonth().map(Number::of).orElse(null),
                    Number.of(s.germinateWeeks()),
                    Number.of(s.potWeeks()),
                    Number.of(s.plantMonths()),
                    Number.of(s.germinates()),
                    Number.of(s.reachesPot()),
                    Number.of(s.reachesFruit()),
                    Number.of(s.fruitYears()),
                    s.graftedFruitYears().map(Number::of).orElse(null));
        }
    }

    @Schema(name = "CropSeason")
    record Season(
            @Schema(description = OPTIONAL) Number afterLeafOutWeeks,
            Number roundEveryDays,
            String rhythm,
            Number bloomDays,
            @Schema(description = OPTIONAL) Number chillPortions,
            @Schema(description = OPTIONAL) Number warmEnoughC) {}

    @Schema(name = "CropSchool")
    record SchoolView(
            String question,
            String one,
            String other,
            String ours,
            String why,
            @Schema(description = OPTIONAL) Choice choice) {
        static SchoolView of(School s) {
            return new SchoolView(
                    s.question(),
                    s.one(),
                    s.other(),
                    s.ours(),
                    s.why(),
                    s.choice()
                            .map(c -> new Choice(c.path(), c.one(), c.other()))
                            .orElse(null));
        }
    }

    /** The number by which two schools differ. */
    @Schema(name = "CropSchoolChoice")
    record Choice(String path, double one, double other) {}

    /** Another species' pollen that has been tried on it. */
    @Schema(name = "CropKin")
    record Kin(String pollenOf, Number compatibilityFactor, String why) {
        static Kin of(MatingTraits.Kin k) {
            return new Kin(k.pollenOf(), Number.of(k.compatibilityFactor()), k.why());
        }
    }

    /** A number the orchard may change, and as it was shipped. */
    @Schema(name = "CropNumber")
    record OwnNumber(String path, double value, String basis, Number shipped, double low, double high, boolean whole) {
        static OwnNumber of(SheetNumber n) {
            return new OwnNumber(
                    n.path(),
                    n.number().value(),
                    n.number().basis().name(),
                    Number.of(n.shipped()),
                    n.low(),
                    n.high(),
                    n.whole());
        }
    }

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
            boolean receives,
            boolean sheds,
            Number meanHours,
            Number shape,
            Number receptivity,
            Number shedding,
            @Schema(description = OPTIONAL) Number bbch,
            @Schema(description = OPTIONAL) Gate gate,
            Glyph glyph) {
        static Stage of(StageSheet s) {
            return new Stage(
                    s.key(),
                    s.name(),
                    s.signs(),
                    s.phase().name(),
                    s.phase().receives(),
                    s.phase().sheds(),
                    Number.of(s.meanHours()),
                    Number.of(s.shape()),
                    Number.of(s.receptivity()),
                    Number.of(s.shedding()),
                    s.bbch().map(Number::of).orElse(null),
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
    record Glyph(
            FlowerGlyph.Form form, double spread, String petal, String edge, String accent, String dome, boolean dust) {
        static Glyph of(FlowerGlyph g) {
            return new Glyph(g.form(), g.spread(), g.petal(), g.edge(), g.accent(), g.dome(), g.dust());
        }
    }

    @Schema(name = "CropKeeping")
    record Keeping(
            Storage storage,
            Number halfLifeHours,
            Number temperatureC,
            @Schema(description = OPTIONAL) Number spoilsAfterHours) {
        static Keeping of(Storage storage, PollenTraits.StorageTraits traits) {
            return new Keeping(
                    storage,
                    Number.of(traits.halfLifeHours()),
                    Number.of(traits.temperatureC()),
                    traits.spoilsAfterHours().map(Number::of).orElse(null));
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
                s.crop(),
                s.name(),
                s.scientificName(),
                s.summary(),
                Number.of(s.baseTemperatureC()),
                Number.of(s.referenceTemperatureC()),
                Number.of(s.capTemperatureC()),
                s.stages().stream().map(Stage::of).toList(),
                Number.of(s.pollen().dosesPerFlower()),
                Number.of(s.pollen().freshViability()),
                s.pollen().collect(),
                s.pollen().whenThere().orElse(null),
                Number.of(s.pollen().dryHours()),
                Arrays.stream(Storage.values())
                        .filter(s.pollen().keeping()::containsKey)
                        .map(st -> Keeping.of(st, s.pollen().keeping().get(st)))
                        .toList(),
                s.pollen().suspension().isPresent(),
                s.pollen().suspension().flatMap(SuspensionTraits::sizeWindow).isPresent(),
                s.mating().alleles() == MatingTraits.Alleles.GAMETOPHYTIC,
                (int) s.mating().ploidy().value(),
                s.mating().cleanBetween(),
                s.ownVariety().serves(),
                Number.of(s.ownVariety().compatibilityFactor()),
                s.ownVariety().why(),
                s.mating().kin().stream().map(Kin::of).toList(),
                s.pollenGroup(),
                s.receives(),
                s.sheds(),
                s.flowerKey().signs().stream().map(CropSheetView::sign).toList(),
                s.flowerKey().mistakes().stream()
                        .map(m -> new Mistake(m.stage(), m.takenFor(), m.say()))
                        .toList(),
                hand(s.hand()),
                season(s.season()),
                s.pollinationPeriod().map(p -> Number.of(p.ovuleDays())).orElse(null),
                s.pollinationPeriod().map(p -> Number.of(p.stigmaDays())).orElse(null),
                s.cross().map(Cross::of).orElse(null),
                s.seeds().map(Seeds::of).orElse(null),
                s.checks().stream().map(Check::of).toList(),
                s.schools().stream().map(SchoolView::of).toList(),
                s.cautions(),
                s.numbers().stream().map(OwnNumber::of).toList());
    }

    private static Sign sign(FlowerKey.Sign s) {
        return new Sign(
                s.key(),
                s.question(),
                s.basis().name(),
                s.answers().stream()
                        .map(a -> new Answer(a.key(), a.name(), a.likely()))
                        .toList());
    }

    private static Hand hand(HandWorkTraits h) {
        return new Hand(
                h.selfFertile(),
                h.visitors(),
                h.strokes(),
                h.handling(),
                h.passes().map(Number::of).orElse(null),
                h.flowerToFlower(),
                h.tools(),
                h.marks().stream()
                        .map(m -> new MarkView(m.name(), m.how(), m.lasts().name()))
                        .toList());
    }

    private static Season season(SeasonTraits s) {
        return new Season(
                s.afterLeafOutWeeks().map(Number::of).orElse(null),
                Number.of(s.roundEveryDays()),
                s.rhythm(),
                Number.of(s.bloomDays()),
                s.chillPortions().map(Number::of).orElse(null),
                s.warmEnoughC().map(Number::of).orElse(null));
    }
}
