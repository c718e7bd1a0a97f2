package org.evenhand.pollen;

import static org.evenhand.kit.ApiDescription.OPTIONAL;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.evenhand.core.InvalidInputException;
import org.evenhand.core.crop.CropSheet;
import org.evenhand.core.crop.Sourced;
import org.evenhand.core.crop.SuspensionTraits;
import org.evenhand.core.pollen.FigSize;
import org.evenhand.core.pollen.GerminationMedium;
import org.evenhand.core.pollen.HouseholdRecipe;
import org.evenhand.core.pollen.Suspension;
import org.evenhand.crop.CropCatalogue;
import org.evenhand.kit.Caller;
import org.evenhand.kit.Given;
import org.evenhand.kit.Within;
import org.evenhand.orchard.Breeding;
import org.evenhand.orchard.Orchards;
import org.evenhand.orchard.VarietyView;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What to weigh in: the germination medium, pollen floated in sugar water; and whether a fig is of the right size. */
@Service
class Recipes {
    /** Volumes are made in steps of so much, ml. */
    private static final BigDecimal STEP_ML = new BigDecimal("5");

    private final Orchards orchards;
    private final CropCatalogue crops;

    Recipes(Orchards orchards, CropCatalogue crops) {
        this.orchards = orchards;
        this.crops = crops;
    }

    /** Amounts for a volume of germination medium. */
    @Schema(name = "GerminationMedium")
    record Medium(
            BigDecimal volumeMl,
            BigDecimal sucroseG,
            BigDecimal agarG,
            BigDecimal boricAcidMg,
            BigDecimal calciumNitrateMg,
            BigDecimal magnesiumSulfateMg,
            BigDecimal potassiumNitrateMg) {}

    Medium medium(BigDecimal volumeMl) {
        GerminationMedium m = new GerminationMedium(Given.required("volumeMl", volumeMl));
        return new Medium(
                m.volumeMl(),
                m.sucroseG(),
                m.agarG(),
                m.boricAcidMg(),
                m.calciumNitrateMg(),
                m.magnesiumSulfateMg(),
                m.potassiumNitrateMg());
    }

    /** A suspension as it is asked for; what is left out is the crop sheet's. */
    @Schema(name = "SuspensionRequest")
    record Ask(
            @NotBlank @Size(max = 60) String crop,

            @Schema(description = OPTIONAL) @Within(min = 1, max = 1_000_000)
            Integer fruits,

            @Schema(description = OPTIONAL) BigDecimal volumeMl,
            @Schema(description = OPTIONAL) BigDecimal sugarPercent,
            @Schema(description = OPTIONAL) BigDecimal pollenMgPerMl,
            @Schema(description = OPTIONAL) BigDecimal doseMl,
            @Schema(description = OPTIONAL) BigDecimal wastePercent) {}

    /** What to weigh in and how far it goes. */
    @Schema(name = "Suspension")
    record Mixture(
            BigDecimal volumeMl,
            BigDecimal sugarPercent,
            BigDecimal sugarG,
            BigDecimal pollenMgPerMl,
            BigDecimal pollenMg,
            BigDecimal doseMl,
            BigDecimal wastePercent,
            int doses,
            BigDecimal keepsHours,
            List<String> notes,
            @Schema(description = OPTIONAL) Household household,
            BigDecimal dosesPerFlower,
            BigDecimal pollenMgPerFlower,
            int flowers) {}

    /** Sugar water that a kitchen can weigh, of which a part is taken. */
    @Schema(name = "HouseholdRecipe")
    record Household(BigDecimal stockMl, BigDecimal sugarG, BigDecimal takeMl) {}

    @Transactional(readOnly = true)
    public Mixture suspension(Caller caller, Ask ask) {
        CropSheet sheet = crops.require(caller, "crop", ask.crop());
        SuspensionTraits traits = sheet.pollen()
                .suspension()
                .orElseThrow(() -> new InvalidInputException(
                        "crop", "is " + sheet.name() + ", whose pollen is not floated in water by growers."));
        BigDecimal sugar = or(ask.sugarPercent(), traits.sugarPercent());
        BigDecimal pollen = or(ask.pollenMgPerMl(), traits.pollenMgPerMl());
        BigDecimal dose = or(ask.doseMl(), traits.doseMl());
        BigDecimal waste = ask.wastePercent() == null
                ? decimal(traits.waste())
                : ask.wastePercent().movePointLeft(2);
        if ((ask.fruits() == null) == (ask.volumeMl() == null)) {
            throw new InvalidInputException("fruits", "or volume: give one of the two.");
        }
        BigDecimal each = decimal(sheet.pollen().dosesPerFlower());
        Suspension made = ask.fruits() == null
                ? new Suspension(ask.volumeMl(), sugar, pollen, dose, waste)
                : Suspension.forFruits(ask.fruits(), dose, waste, STEP_ML, sugar, pollen);
        return new Mixture(
                made.volumeMl(),
                sugar,
                made.sugarG(),
                pollen,
                made.pollenMg(),
                dose,
                waste.movePointRight(2),
                made.doses(),
                decimal(traits.keepsHours()),
                traits.notes(),
                HouseholdRecipe.of(made)
                        .map(h -> new Household(h.stockMl(), h.sugarG(), h.takeMl()))
                        .orElse(null),
                each,
                made.pollenMgPerFlower(each),
                pollen.signum() == 0 ? 0 : made.flowersFor(each));
    }

    private static BigDecimal or(BigDecimal given, Sourced usual) {
        return given == null ? decimal(usual) : given;
    }

    private static BigDecimal decimal(Sourced number) {
        return BigDecimal.valueOf(number.value()).stripTrailingZeros();
    }

    /** Whether a fig can take pollen, and by which window. */
    @Schema(name = "FigSizeAnswer")
    record Fig(FigSize size, double rightFromMm, double lateFromMm, boolean ofVariety) {}

    @Transactional(readOnly = true)
    public Fig figSize(Caller caller, UUID varietyId, double diameterMm, FigSize.Eye eye) {
        VarietyView variety = orchards.variety(caller, varietyId);
        Optional<SuspensionTraits.SizeWindow> usual =
                crops.of(caller, variety.crop()).pollen().suspension().flatMap(SuspensionTraits::sizeWindow);
        if (usual.isEmpty()) {
            throw new InvalidInputException("varietyId", "is " + variety.name() + ", which is no fig.");
        }
        Breeding b = variety.breeding();
        boolean own = b.figRightFromMm() != null;
        SuspensionTraits.SizeWindow window = own
                ? new SuspensionTraits.SizeWindow(
                        Sourced.practice(b.figRightFromMm()), Sourced.practice(b.figLateFromMm()))
                : usual.get();
        return new Fig(
                FigSize.of(diameterMm, eye, window),
                window.rightFromMm().value(),
                window.lateFromMm().value(),
                own);
    }
}
